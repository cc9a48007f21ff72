<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useEnsemble } from '../api/queries'
import { dayFromNow } from '../common/dates'
import PickOne from '../common/PickOne.vue'
import MoveDialog from './plan/MoveDialog.vue'
import PlanBar from './plan/PlanBar.vue'
import { useCalendar, useSeason } from './queries'
import WeekGrid from './WeekGrid.vue'
import { addDays, dayName, mondayOf, nextDay, weekOf, workOf, type Work } from './weeks'

/** Who practices what on which day at which step: a week of a section or a player. */
const MinutesGraph = defineAsyncComponent(() => import('../graphs/MinutesGraph.vue'))
const props = defineProps<{ piece?: number }>()
const season = useSeason()
const calendar = useCalendar()
const ensemble = useEnsemble()
const whose = ref('all')
const monday = ref(mondayOf(dayFromNow(0)))
const moving = ref<Work | null>(null)

const options = computed(() => [
  { value: 'all', label: 'Everybody' },
  ...(ensemble.data.value ?? []).flatMap((s) => [
    { value: `s${s.id}`, label: s.name },
    ...s.players.map((p) => ({ value: `p${p.id}`, label: `${s.name}: ${p.name}` })),
  ]),
])
const chosen = computed(() => {
  const id = Number(whose.value.slice(1))
  if (whose.value.startsWith('s')) return { section: id }
  return whose.value.startsWith('p') ? { player: id } : {}
})
const items = computed(() =>
  (season.data.value?.items ?? []).filter((i) => props.piece === undefined || i.piece === props.piece),
)
const work = computed(() => workOf(items.value, chosen.value))
const days = computed(() => weekOf(monday.value))
const minutesOf = computed(() => new Map((season.data.value?.days ?? []).map((d) => [d.date, d.minutes])))
const meetings = computed(() => (calendar.data.value?.entries ?? []).filter((e) => e.kind !== 'minutes'))
const section = computed(() => {
  if (chosen.value.section !== undefined) return chosen.value.section
  const player = chosen.value.player
  return (ensemble.data.value ?? []).find((s) => s.players.some((p) => p.id === player))?.id
})
const file = computed(() => {
  if (chosen.value.player !== undefined) return `/api/season/players/${chosen.value.player}.ics`
  return chosen.value.section === undefined ? null : `/api/season/sections/${chosen.value.section}.ics`
})
const turn = (weeks: number) => (monday.value = addDays(monday.value, weeks * 7))
const thisWeek = () => (monday.value = mondayOf(dayFromNow(0)))

// Where nothing is left of this week, as on a Sunday, the next week that has work is opened: once, when the plan is there.
let opened = false
watch(
  () => season.data.value,
  (plan) => {
    if (!plan || opened) return
    opened = true
    monday.value = mondayOf(nextDay(work.value, dayFromNow(0)))
  },
  { immediate: true },
)
</script>

<template>
  <section>
    <PlanBar :plan="season.data.value ?? null" />
    <div class="row tools">
      <span class="who"><PickOne v-model:value="whose" :options="options" label="Whose week" /></span>
      <AButton aria-label="The week before" @click="turn(-1)">‹</AButton>
      <strong class="which">Week of {{ dayName(monday) }}</strong>
      <AButton aria-label="The week after" @click="turn(1)">›</AButton>
      <AButton type="text" @click="thisWeek">This week</AButton>
      <span class="out">
        <RouterLink v-if="section" :to="{ name: 'week', params: { section }, query: { from: monday } }"
          >Week sheet</RouterLink
        >
        <a v-if="file" :href="file" download>Calendar file</a>
      </span>
    </div>
    <WeekGrid :days="days" :work="work" :minutes="minutesOf" :meetings="meetings" @move="moving = $event" />
    <MinutesGraph v-if="work.length" :work="work" :minutes="minutesOf" />
    <MoveDialog
      v-if="moving && season.data.value"
      :work="moving"
      :version="season.data.value.version"
      @close="moving = null"
    />
  </section>
</template>

<style scoped>
.tools {
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}
.who {
  width: 230px;
}
.which {
  min-width: 150px;
  text-align: center;
}
.out {
  margin-left: auto;
  display: flex;
  gap: 14px;
}
</style>
