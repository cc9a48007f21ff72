<script setup lang="ts">
import { computed } from 'vue'
import { dayFromNow } from '../common/dates'
import type { CalendarEntry } from './queries'
import { bandWords, cardsOf, dayName, mostMinutes, type Work } from './weeks'

const props = defineProps<{
  days: readonly string[]
  work: readonly Work[]
  minutes: ReadonlyMap<string, number>
  meetings: readonly CalendarEntry[]
}>()
const emit = defineEmits<{ move: [Work] }>()
const today = dayFromNow(0)
const columns = computed(() =>
  props.days.map((day) => {
    const work = props.work.filter((w) => w.day === day)
    return {
      day,
      cards: cardsOf(work),
      most: mostMinutes(work),
      offered: props.minutes.get(day),
      meetings: props.meetings.filter((e) => e.first <= day && (e.last ?? e.first) >= day),
    }
  }),
)
const kinds: Record<string, string> = { off: 'no practice', rehearsal: 'rehearsal', concert: 'concert' }
const timeOf = (e: CalendarEntry) => (e.starts ? `${e.starts.slice(0, 5)} ` : '')
</script>

<template>
  <div class="week" role="list" aria-label="The week">
    <div v-for="c in columns" :key="c.day" role="listitem" class="day" :class="{ today: c.day === today }">
      <h2>
        {{ dayName(c.day) }}<span v-if="c.day === today" class="now"> today</span>
        <small v-if="c.offered === 0">no practice</small>
        <small v-else-if="c.most">{{ c.most }}{{ c.offered ? ` of ${c.offered}` : '' }} min</small>
      </h2>
      <p v-for="e in c.meetings" :key="e.id" class="meeting" :class="e.kind">
        {{ timeOf(e) }}{{ e.title || kinds[e.kind] }}
      </p>
      <div v-for="card in c.cards" :key="card.passage" class="card">
        <strong>{{ card.title }}</strong>
        <span class="quiet">{{ card.measures }}</span>
        <button
          v-for="w in card.work"
          :key="w.session"
          type="button"
          class="work"
          :class="w.band"
          :disabled="c.day < today"
          :aria-label="`Move ${w.title}, ${w.tempo}, from ${dayName(w.day)}`"
          @click="emit('move', w)"
        >
          <span>{{ w.tempo }}, {{ w.minutes }} min</span>
          <span class="quiet"
            >{{ w.players.length }} {{ bandWords[w.band] }}<template v-if="w.byHand">, set by hand</template></span
          >
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 6px;
  align-items: start;
  min-height: 180px;
}
.day {
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px;
  min-height: 170px;
}
.today {
  border-color: var(--brass);
}
h2 {
  font: 600 13px var(--title);
  margin: 0 0 6px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
}
h2 small {
  font:
    400 12px Figtree,
    sans-serif;
  color: var(--slate);
  margin-left: auto;
}
.now {
  text-decoration: underline;
}
.meeting {
  margin: 0 0 4px;
  font-size: 12.5px;
  padding: 2px 6px;
  border-left: 3px solid var(--slate);
  background: var(--paper);
}
.meeting.concert {
  border-left-color: var(--plum);
  font-weight: 600;
}
.card {
  display: flex;
  flex-direction: column;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--white);
  font-size: 12.5px;
  padding: 4px 6px;
  margin-bottom: 4px;
}
.work {
  display: flex;
  flex-wrap: wrap;
  column-gap: 8px;
  text-align: left;
  border: 0;
  border-left: 3px solid var(--plum);
  background: none;
  font: inherit;
  color: var(--ink);
  padding: 1px 0 1px 6px;
  margin-top: 3px;
  cursor: pointer;
}
.work:disabled {
  cursor: default;
  color: var(--slate);
}
.behind {
  border-left: 3px double var(--rosin);
  border-left-width: 5px;
}
.ahead {
  border-left-style: dotted;
  border-left-color: var(--moss-ink);
}
</style>
