<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import ActList from '../acts/ActList.vue'
import type { Piece } from '../api/client'
import { daysWords, longDate } from '../common/dates'
import { stations } from '../router'

const props = defineProps<{ piece: Piece; remaining: number; query?: Record<string, string> }>()
const route = useRoute()
// The selection as it stands on the page, which the address follows a moment later.
const query = computed(() => props.query ?? route.query)
const names: Record<string, string> = {
  study: 'Study',
  unify: 'Unify',
  technique: 'Technique',
  tempo: 'Tempo',
  assign: 'Assign',
  hear: 'Hear',
}
</script>

<template>
  <header class="band">
    <RouterLink to="/" class="back" aria-label="Back to the shelf">Shelf</RouterLink>
    <div class="title">
      <h1>{{ piece.title }}</h1>
      <span class="quiet">
        <template v-if="piece.due">{{ longDate(piece.due) }} · {{ daysWords(piece.daysLeft) }}</template>
        <template v-else>no date set</template>
      </span>
    </div>
    <nav aria-label="Stations">
      <RouterLink
        v-for="s in stations"
        :key="s"
        :to="{ name: 'piece', params: { id: piece.id, station: s }, query }"
        :aria-current="route.params.station === s ? 'page' : undefined"
        :class="{ here: route.params.station === s }"
      >
        {{ names[s] }}<span v-if="s === 'unify' && remaining > 0" class="count">{{ remaining }}</span>
      </RouterLink>
    </nav>
    <ActList />
    <RouterLink
      class="export"
      :to="{ name: 'parts', params: { id: piece.id } }"
      :aria-current="route.name === 'parts' ? 'page' : undefined"
      >Parts and files</RouterLink
    >
  </header>
</template>

<style scoped>
.band {
  display: flex;
  align-items: center;
  gap: 16px;
  height: 56px;
  padding: 0 16px;
  background: var(--card);
  border-bottom: 1px solid var(--line);
}
.back {
  font-size: 13px;
}
.back::before {
  content: '‹ ';
}
.title {
  min-width: 0;
  flex: 1;
  line-height: 1.25;
}
.title h1 {
  font-size: 18px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
nav {
  display: flex;
  align-self: stretch;
}
nav a {
  display: flex;
  align-items: center;
  padding: 0 11px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  font-weight: 500;
}
nav a.here {
  border-color: var(--plum);
  color: var(--plum);
}
.count {
  margin-left: 6px;
  font-size: 12px;
  color: var(--rosin);
  font-weight: 600;
}
.export {
  font-size: 13px;
}
</style>
