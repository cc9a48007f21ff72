<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useEnsemble } from '../api/queries'
import { dayFromNow, longDate } from '../common/dates'
import SheetBar from '../parts/sheets/SheetBar.vue'
import { usePaper } from '../parts/print/usePaper'
import { useCalendar, useSeason } from './queries'
import { addDays, bandWords, dayName, mondayOf, weekOf, workOf } from './weeks'

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
    work: work.filter((w) => w.day === day),
    meetings: (calendar.data.value?.entries ?? []).filter(
      (e) => e.kind !== 'minutes' && e.first <= day && (e.last ?? e.first) >= day,
    ),
  }))
})
const isBusy = computed(() => days.value.some((d) => d.work.length > 0))
const page = computed(() => ({ width: `${paper.value.width}mm`, minHeight: `${paper.value.height}mm` }))
/** Who of the section has it, where it is not all of them. */
function who(players: readonly number[]): string {
  const mine = players.filter((p) => names.value.has(p))
  if (mine.length === names.value.size) return ''
  return mine.map((p) => names.value.get(p)).join(', ')
}
const show = (days: number) => router.replace({ query: { ...route.query, from: addDays(monday.value, days) } })
</script>

<template>
  <main id="main" class="sheets">
    <SheetBar :paper="paper" back="/season/weeks" words="Back to the season">
      <button type="button" @click="show(-7)">The week before</button>
      <button type="button" @click="show(7)">The week after</button>
    </SheetBar>
    <article v-if="own" class="sheet week-page" :style="page" :aria-label="`Week of ${own.name}`">
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
        <table v-if="d.work.length">
          <tbody>
            <tr v-for="w in d.work" :key="w.session">
              <td class="tick" aria-label="box to tick"></td>
              <td>
                <strong>{{ w.title }}</strong>, {{ w.measures }}<span class="small"> {{ w.pieceTitle }}</span>
                <span v-if="who(w.players)" class="small">{{ who(w.players) }} ({{ bandWords[w.band] }})</span>
              </td>
              <td class="tempo">{{ w.tempo }}</td>
              <td>{{ w.minutes }} min</td>
            </tr>
          </tbody>
        </table>
        <p v-else class="small">no practice planned</p>
      </section>
      <footer>
        Tick what was clean at its tempo. Rest five minutes in every half hour. Pain, numbness or locked fingers: stop
        and tell your teacher.
      </footer>
    </article>
  </main>
</template>

<style src="../parts/sheets/sheet.css"></style>
<style scoped>
.week-page {
  padding: 13mm;
  max-width: none;
}
.day h2 {
  display: flex;
  gap: 12px;
  margin: 10px 0 2px;
}
.day h2 small {
  font-weight: 400;
}
td .small {
  display: block;
}
.tempo {
  white-space: nowrap;
  padding-right: 12px;
}
@media print {
  .week-page {
    padding: 13mm;
    min-height: 0 !important;
  }
}
</style>
