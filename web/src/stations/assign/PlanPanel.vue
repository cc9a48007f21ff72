<script setup lang="ts">
import { computed } from 'vue'
import type { Piece } from '../../api/client'
import { usePassages } from '../../api/queries'
import { dayFromNow } from '../../common/dates'
import PlanBar from '../../season/plan/PlanBar.vue'
import { useSeason } from '../../season/queries'
import { addDays, bandWords, dayName, mondayOf, workOf } from '../../season/weeks'
import type { Selection } from '../../selection'

/** The plan of this piece: this week's sessions, and how many of each passage are left. */
const props = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ show: [Selection] }>()
const season = useSeason()
const passages = usePassages(computed(() => props.piece.id))
const today = dayFromNow(0)
const sunday = addDays(mondayOf(today), 6)
const items = computed(() => (season.data.value?.items ?? []).filter((i) => i.piece === props.piece.id))
const week = computed(() => workOf(items.value, {}).filter((w) => w.day >= today && w.day <= sunday))
const left = (i: { sessions: readonly { day: string }[] }) => i.sessions.filter((s) => s.day >= today).length

function open(passage: number) {
  const p = passages.data.value?.find((x) => x.id === passage)
  if (p) emit('show', { parts: [...p.parts], from: p.fromIndex, to: p.toIndex })
}
</script>

<template>
  <div>
    <PlanBar :plan="season.data.value ?? null" />
    <p class="links">
      <RouterLink to="/season/weeks">The weeks of everybody</RouterLink>
      <RouterLink :to="{ name: 'plan', params: { id: piece.id } }">This piece on one page</RouterLink>
      <RouterLink to="/season/calendar">Calendar</RouterLink>
    </p>
    <h3>The rest of this week</h3>
    <p v-if="week.length === 0" class="quiet">Nothing of this piece.</p>
    <ul class="entries">
      <li v-for="w in week" :key="w.session">
        <button type="button" class="entry plain" @click="open(w.passage)">
          <span class="body">
            <strong>{{ dayName(w.day) }}: {{ w.title }}</strong>
            <span class="where"
              >{{ w.tempo }}, {{ w.minutes }} minutes · {{ w.players.length }}
              {{ w.players.length === 1 ? 'player' : 'players' }} {{ bandWords[w.band] }}</span
            >
          </span>
        </button>
      </li>
    </ul>
    <h3>Left to practice</h3>
    <ul class="entries">
      <li v-for="i in items" :key="`${i.passage}/${i.band}`">
        <button type="button" class="entry plain" @click="open(i.passage)">
          <span class="body">
            <strong>{{ i.title }}</strong>
            <span class="where"
              >{{ left(i) }} {{ left(i) === 1 ? 'session' : 'sessions' }} of {{ i.minutes }} minutes for
              {{ i.players.length }} {{ i.players.length === 1 ? 'player' : 'players' }}</span
            >
            <span class="why">{{ i.why }}</span>
          </span>
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 0 0 6px;
}
h3 {
  margin: 12px 0 4px;
}
.plain {
  grid-template-columns: 1fr;
}
</style>
