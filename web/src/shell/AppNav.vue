<script setup lang="ts">
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import ActList from '../acts/ActList.vue'
import { api } from '../api/client'
import { useSession } from '../api/queries'
import PasswordDialog from './PasswordDialog.vue'

const session = useSession()
const route = useRoute()
/** Pages of one thing lie under its list: a set and a mock audition under Auditions. */
const isWithin = (to: string) => to === '/auditions' && /^\/(audition|mock)\//.test(route.path)
const changing = ref(false)
const places = [
  { to: '/', text: 'Shelf' },
  { to: '/ensemble', text: 'Ensemble' },
  { to: '/season', text: 'Season' },
  { to: '/auditions', text: 'Auditions' },
  { to: '/house-rules', text: 'House rules' },
  { to: '/records', text: 'Records' },
  { to: '/charts', text: 'Charts' },
]

async function leave() {
  await api.DELETE('/api/session')
  location.assign('/sign-in')
}
</script>

<template>
  <header class="nav">
    <RouterLink to="/" class="word"><img src="/icon.svg" alt="" width="24" height="24" /> Mellow Stand</RouterLink>
    <nav aria-label="Places">
      <RouterLink v-for="p in places" :key="p.to" :to="p.to" :class="{ within: isWithin(p.to) }">{{
        p.text
      }}</RouterLink>
    </nav>
    <ActList class="done" />
    <span class="who quiet">{{ session.data.value?.name }}</span>
    <template v-if="session.data.value?.name && !session.data.value.demo">
      <button type="button" class="leave" @click="changing = true">Password</button>
      <button type="button" class="leave" @click="leave">Sign out</button>
    </template>
    <PasswordDialog v-if="changing" @close="changing = false" />
  </header>
</template>

<style scoped>
.nav {
  display: flex;
  align-items: center;
  gap: 28px;
  height: 54px;
  padding: 0 24px;
  background: var(--card);
  border-bottom: 1px solid var(--line);
}
.word {
  display: flex;
  align-items: center;
  gap: 10px;
  font: 600 18px var(--title);
  text-decoration: none;
}
nav {
  display: flex;
  gap: 4px;
}
nav a {
  padding: 6px 12px;
  text-decoration: none;
  color: var(--ink);
  border-radius: 3px;
}
nav a.router-link-exact-active,
nav a.router-link-active[href^='/charts'],
nav a.router-link-active[href^='/season'],
nav a.router-link-active[href^='/auditions'],
nav a.within {
  background: var(--plum);
  color: var(--white);
}
.done {
  margin-left: auto;
}
.leave {
  font: inherit;
  border: 0;
  background: none;
  color: var(--plum);
  cursor: pointer;
  text-decoration: underline;
}
</style>
