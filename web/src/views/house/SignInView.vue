<script setup lang="ts">
import { Button as AButton, Input as AInput, InputPassword as AInputPassword } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, fetched } from '../../api/client'
import { useSession } from '../../api/queries'

const route = useRoute()
const session = useSession()
const firstRun = computed(() => session.data.value?.firstRun === true)
const name = ref('')
const password = ref('')
const refused = ref('')
const busy = ref(false)

async function enter() {
  refused.value = ''
  busy.value = true
  try {
    const body = { name: name.value, password: password.value }
    await fetched(firstRun.value ? api.POST('/api/session/first-run', { body }) : api.POST('/api/session', { body }))
    const to = String(route.query.to ?? '/')
    location.assign(to.startsWith('/') && !to.startsWith('//') ? to : '/')
  } catch (e) {
    refused.value = (e as Error).message
  }
  busy.value = false
}
</script>

<template>
  <main id="main" class="gate">
    <form class="card" @submit.prevent="enter">
      <h1>{{ firstRun ? 'Welcome to Mellow Stand' : 'Sign in' }}</h1>
      <p class="quiet">
        {{
          firstRun
            ? 'This is the first run. Make the director’s account; it stays on this machine.'
            : 'The desk of this school’s director.'
        }}
      </p>
      <label class="field">Name <AInput v-model:value="name" autocomplete="username" :maxlength="100" /></label>
      <label class="field"
        >Password
        <AInputPassword v-model:value="password" :autocomplete="firstRun ? 'new-password' : 'current-password'"
      /></label>
      <p v-if="firstRun" class="quiet">At least ten characters; four words that do not belong together do well.</p>
      <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
      <AButton type="primary" html-type="submit" :loading="busy" block>{{
        firstRun ? 'Make the account' : 'Sign in'
      }}</AButton>
    </form>
  </main>
</template>

<style scoped>
.gate {
  min-height: 100vh;
  display: grid;
  place-items: center;
}
form {
  width: 360px;
  padding: 28px;
  display: grid;
  gap: 10px;
}
p {
  margin: 0;
}
.refused {
  color: var(--rosin);
}
</style>
