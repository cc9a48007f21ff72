<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useEnsemble } from '../api/queries'
import { dayFromNow, longDate } from '../common/dates'
import PaperSheet from '../parts/print/PaperSheet.vue'
import PrintFrame from '../parts/print/PrintFrame.vue'
import { usePaper } from '../parts/print/usePaper'
import { useCalendar, useSeason } from './queries'
import { addDays, bandWords, cardsOf, dayName, mondayOf, weekOf, workOf } from './weeks'

/** A week of a section on one sheet: what each practices on which day at which step. */
const route = useRoute()
const router = useRouter()
const { paper } = usePaper()
const season = useSeason()
const calendar = useCalendar()
const ensemble = useEnsemble()
const section = computed(() => Number(route.params.section))
const monday = computed(() => mondayOf(String(route.query.from || dayFromNow(0))))
const own = computed(() => (ensemble.data.value ?? []).find((s) => s.id === section.value))
const names = computed(() => new Map(own.value?.players.map((p) => [p.id, p.name]) ?? []))
const days = computed(() => {
  const work = workOf(season.data.value?.items ?? [], { section: section.value })
  return weekOf(monday.value).map((day) => ({
    day,
    cards: cardsOf(work.filter((w) => w.day === day)),
    meetings: (calendar.data.value?.entries ?? []).filter(
      (e) => e.kind !== 'minutes' && e.first <= day && (e.last ?? e.first) >= day,
    ),
  }))
})
/** Nothing is shown, and so nothing printed, before all that stands on the sheet is there. */
const hasCome = computed(() => Boolean(season.data.value && calendar.data.value))
const isBusy = computed(() => days.value.some((d) => d.cards.length > 0))
/** Who of the section has it, where it is not all of them. */
function who(players: readonly number[]): string {
  const mine = players.filter((p) => names.value.has(p))
  if (mine.length === names.value.size) return ''
  return mine.map((p) => names.value.get(p)).join(', ')
}
const show = (days: number) => router.replace({ query: { ...route.query, from: addDays(monday.value, days) } })
</script>

<template>
  <PrintFrame :paper="paper" back="/season/weeks" words="Back to the season">
    <template #bar>
      <button type="button" @click="show(-7)">The week before</button>
      <button type="button" @click="show(7)">The week after</button>
    </template>
    <PaperSheet v-if="own && hasCome" :paper="paper" fit :label="`Week of ${own.name}`">
      <header>
        <div>
          <h1>{{ own.name }}</h1>
          <p>Week of {{ longDate(monday) }}</p>
        </div>
      </header>
      <p v-if="!isBusy">Nothing is planned for this section in this week.</p>
      <section v-for="d in days" :key="d.day" class="day">
        <h2>
          {{ dayName(d.day) }}
          <small v-for="e in d.meetings" :key="e.id"
            >{{ e.starts ? `${e.starts.slice(0, 5)} ` : '' }}{{ e.title || e.kind }}</small
          >
        </h2>
        <p v-if="d.cards.length === 0" class="small">no practice planned</p>
        <table v-for="c in d.cards" :key="c.passage">
          <caption>
            <strong>{{ c.title }}</strong>,
            {{
              c.measures
            }}
            <span class="small">{{ c.pieceTitle }}</span>
          </caption>
          <tbody>
            <tr v-for="w in c.work" :key="w.session">
              <td class="tick" aria-label="box to tick"></td>
              <td class="tempo">{{ w.tempo }}</td>
              <td class="minutes">{{ w.minutes }} min</td>
              <td class="small who-has">{{ who(w.players) }}{{ who(w.players) ? ` (${bandWords[w.band]})` : '' }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <footer>
        Tick what was clean at its tempo. Rest five minutes in every half hour. Pain, numbness or locked fingers: stop
        and tell your teacher.
      </footer>
    </PaperSheet>
  </PrintFrame>
</template>

<style scoped>
.day h2 {
  display: flex;
  gap: 12px;
  margin: 10px 0 2px;
}
.day h2 small {
  font-weight: 400;
}
.day p {
  margin: 0;
}
caption {
  text-align: left;
}
.tempo {
  white-space: nowrap;
  width: 150px;
}
.minutes {
  white-space: nowrap;
  width: 60px;
}
td.who-has {
  white-space: normal;
}
</style>
