<script setup lang="ts">
import { Button as AButton, Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { isBusy } from '../../acts/useAct'
import { useHeardIn, usePassages, useReadiness } from '../../api/queries'
import AskFirst from '../../common/AskFirst.vue'
import { dayFromNow, daysWords, shortDate } from '../../common/dates'
import DayField from '../../common/DayField.vue'
import PickOne from '../../common/PickOne.vue'
import StateWord from '../../common/StateWord.vue'
import { useDraft } from '../../common/useDraft'
import { neighbour } from '../../keys/useKeys'
import { quartersOf, unitWords } from '../../common/units'
import type { StationEvents, StationProps } from '..'
import EntryList from './EntryList.vue'
import ForecastLine from './ForecastLine.vue'
import RemarkForm from './RemarkForm.vue'
import SectionList from './SectionList.vue'
import { useHearing, usePieceReadiness } from './useHearing'

const props = defineProps<StationProps>()
const emit = defineEmits<Pick<StationEvents, 'show' | 'active'>>()
const FanGraph = defineAsyncComponent(() => import('../../graphs/FanGraph.vue'))
const ReadinessGraph = defineAsyncComponent(() => import('../../graphs/ReadinessGraph.vue'))
const id = computed(() => props.piece.id)
const passages = usePassages(id)
const { draft, clear } = useDraft(`log ${props.piece.id}`, () => ({
  passage: 0,
  player: 0,
  bpm: 0,
  heard: dayFromNow(0),
  note: '',
  clean: true,
}))
const chosen = computed(() => draft.value.passage || undefined)
const readiness = useReadiness(chosen)
const log = useHeardIn(chosen)
const form = ref<HTMLFormElement>()
const { refused, asking, log: keep } = useHearing()
const busy = isBusy()
const whole = usePieceReadiness(id)
const sections = computed(() => whole.data.value?.find((p) => p.passage.id === draft.value.passage)?.sections ?? [])
const shownFan = ref<number>()
const heardOf = (player: number) =>
  entriesOf(player).map((e) => ({ day: e.heard, quarter: e.bpm * quartersOf(e.unit), clean: e.clean }))

const passage = computed(() => passages.data.value?.find((p) => p.id === draft.value.passage))
const options = computed(
  () => passages.data.value?.map((p) => ({ value: p.id, label: `${p.title}, measures ${p.from}–${p.to}` })) ?? [],
)
const people = computed(() => (readiness.data.value ?? []).map((r) => ({ ...r, id: `player ${r.player}` })))
const names = computed(() => people.value.map((r) => ({ value: r.player, label: `${r.name}, ${r.section}` })))
const entriesOf = (player: number) => log.data.value?.get(player) ?? []
const late = computed(() => people.value.filter((r) => r.state === 'late').length)

// The passage's music is shown; the director's selection stays.
function show(passageId: number) {
  const p = passages.data.value?.find((x) => x.id === passageId)
  if (!p) return
  if (draft.value.passage !== p.id) draft.value = { ...draft.value, passage: p.id, player: 0, bpm: p.start.bpm }
  if (draft.value.bpm === 0) draft.value.bpm = p.start.bpm
  emit('show', { parts: p.parts, from: p.fromIndex, to: p.toIndex })
}
watch(
  () => passages.data.value,
  (list) => {
    if (list?.length) show(passage.value?.id ?? list[0]!.id)
  },
  { immediate: true },
)

async function write() {
  refused.value = ''
  const { player, bpm, heard, note } = draft.value
  const name = people.value.find((r) => r.player === player)?.name
  if (!passage.value || !name) {
    refused.value = 'Choose who played.'
    return
  }
  const body = {
    passage: draft.value.passage,
    player,
    unit: passage.value.goal.unit,
    bpm,
    heard,
    note: note || null,
    clean: draft.value.clean,
    version: null,
  }
  await keep(body, name, () => {
    const { passage: same, heard: day } = draft.value
    clear()
    draft.value = { ...draft.value, passage: same, heard: day, player, bpm, note: '' }
  })
}

function open(r: { id: string; player: number }) {
  emit('active', r.id)
  draft.value.player = r.player
}
const step = (by: number) => {
  const r = neighbour(people.value, props.active, by)
  if (r) open(r)
}
async function type() {
  if (!people.value.some((r) => r.id === props.active)) step(1)
  await nextTick()
  const field = form.value?.querySelector<HTMLInputElement>('[aria-label="Clean tempo"]')
  field?.focus()
  field?.select()
}
defineExpose({ step, type })
</script>

<template>
  <div>
    <div class="row head"><h2>Who will be ready</h2></div>
    <p v-if="passages.data.value?.length === 0" class="empty">
      No passage is handed out yet. Hand one out under Assign; then log who plays it clean.
    </p>
    <template v-else-if="passage">
      <PickOne
        :value="draft.passage"
        :options="options"
        class="full"
        label="Passage"
        @update:value="$event && show($event)"
      />
      <p class="quiet goal">
        Goal {{ unitWords(passage.goal.unit) }} = {{ passage.goal.bpm }} by {{ shortDate(passage.due) }},
        {{ daysWords(passage.daysLeft) }}. {{ late }} {{ late === 1 ? 'player is' : 'players are' }} late.
      </p>
      <SectionList :passage="passage.id" :sections="sections" />
      <form ref="form" class="form" @submit.prevent="write">
        <div class="field wide">
          <span>Who played</span>
          <PickOne
            :value="draft.player || undefined"
            :options="names"
            placeholder="a player"
            label="Who played"
            @update:value="$event && open({ id: `player ${$event}`, player: $event })"
          />
        </div>
        <label class="field"
          >Clean at, {{ unitWords(passage.goal.unit) }} =
          <AInputNumber v-model:value="draft.bpm" :min="1" :max="1000" aria-label="Clean tempo"
        /></label>
        <label class="field">Heard on <DayField v-model="draft.heard" required /></label>
        <label class="field wide">What to fix next <AInput v-model:value="draft.note" :maxlength="200" /></label>
        <p v-if="refused" class="refused wide" role="alert">{{ refused }}</p>
        <label class="wide"><input v-model="draft.clean" type="checkbox" /> it was clean</label>
        <AButton type="primary" html-type="submit" class="wide" :loading="busy">{{
          draft.clean ? 'Log a clean tempo' : 'Log a try that was not clean'
        }}</AButton>
      </form>
      <RemarkForm :passage="passage.id" :players="people" />
      <ReadinessGraph v-if="whole.data.value?.length" :passages="whole.data.value" />
      <ul class="entries people">
        <li v-for="r in people" :key="r.player" :aria-current="r.id === active" :class="{ on: r.id === active }">
          <div class="person">
            <button type="button" class="name" @click="open(r)">{{ r.name }}</button><span class="quiet">{{
              r.section
            }}</span
            ><StateWord :state="r.state" />
          </div>
          <div class="row line">
            <ForecastLine
              :entries="entriesOf(r.player)"
              :goal="passage.goal"
              :due="passage.due"
              :at-date="r.atDate ?? null"
              :label="r.why"
            />
            <span class="why">{{ r.why }}</span>
          </div>
          <details v-if="entriesOf(r.player).length" @toggle="shownFan = r.player">
            <summary class="quiet">Entries and what is expected of {{ r.name }}</summary>
            <EntryList :entries="entriesOf(r.player)" />
            <FanGraph
              v-if="shownFan === r.player"
              :passage="passage.id"
              :player="r.player"
              :entries="heardOf(r.player)"
              :due="passage.due"
              :unit="passage.goal.unit"
            />
          </details>
        </li>
      </ul>
    </template>
    <AskFirst
      v-if="asking"
      :questions="asking.questions"
      ok-text="Log it all the same"
      @yes="asking.go()"
      @no="asking = null"
    />
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.full {
  width: 100%;
}
.goal {
  margin: 6px 0 10px;
}
.people {
  margin-top: 14px;
}
.person {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.person .state {
  margin-left: auto;
}
.name {
  border: 0;
  padding: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
.line {
  flex-wrap: nowrap;
  align-items: start;
}
.refused {
  color: var(--rosin);
  margin: 0;
}
</style>
