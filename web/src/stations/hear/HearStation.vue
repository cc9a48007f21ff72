<script setup lang="ts">
import PickOne from '../../common/PickOne.vue'
import { App as AApp, Button as AButton, Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref, watch } from 'vue'
import { api, take } from '../../api/client'
import { keys, useLog, usePassages, useReadiness } from '../../api/queries'
import { dayFromNow, daysWords, shortDate } from '../../common/dates'
import StateWord from '../../common/StateWord.vue'
import { unitWords } from '../../transport/store'
import type { StationEvents, StationProps } from '..'
import ForecastLine from './ForecastLine.vue'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const queries = useQueryClient()
const { message } = AApp.useApp()
const id = computed(() => props.piece.id)
const passages = usePassages(id)
const chosen = ref<number>()
const readiness = useReadiness(chosen)
const log = useLog()

const passage = computed(() => passages.data.value?.find((p) => p.id === chosen.value))
const options = computed(
  () => passages.data.value?.map((p) => ({ value: p.id, label: `${p.title}, measures ${p.from}–${p.to}` })) ?? [],
)
const people = computed(
  () => readiness.data.value?.map((r) => ({ value: r.player, label: `${r.name}, ${r.section}` })) ?? [],
)
const entriesOf = (player: number) =>
  (log.data.value ?? []).filter((l) => l.passage === chosen.value && l.player === player)
const late = computed(() => readiness.data.value?.filter((r) => r.state === 'late').length ?? 0)

const player = ref<number>()
const bpm = ref(60)
const heard = ref(dayFromNow(0))
const note = ref('')
const refused = ref('')

watch(
  () => passages.data.value,
  (list) => {
    if (chosen.value === undefined && list?.length) chosen.value = list[0]!.id
  },
  { immediate: true },
)
watch(passage, (p) => {
  player.value = undefined
  if (p) bpm.value = p.start.bpm
  if (p) emit('select', { parts: p.parts, from: p.fromIndex, to: p.toIndex })
})

async function write() {
  refused.value = ''
  if (chosen.value === undefined || player.value === undefined) {
    refused.value = 'Choose who played.'
    return
  }
  try {
    await take(
      api.POST('/api/log', {
        body: {
          passage: chosen.value,
          player: player.value,
          unit: passage.value!.goal.unit,
          bpm: bpm.value,
          heard: heard.value,
          note: note.value || null,
        },
      }),
    )
    note.value = ''
    message.success('Logged.')
    await Promise.all([
      queries.invalidateQueries({ queryKey: keys.log }),
      queries.invalidateQueries({ queryKey: keys.shelf }),
    ])
  } catch (e) {
    refused.value = (e as Error).message
  }
}
onMounted(() => emit('flags', []))
</script>

<template>
  <div class="station">
    <div class="row head"><h2>Who will be ready</h2></div>
    <p v-if="passages.data.value?.length === 0" class="empty">
      No passage is handed out yet. Hand one out under Assign; then log who plays it clean.
    </p>
    <template v-else-if="passage">
      <PickOne v-model:value="chosen" :options="options" class="full" label="Passage" />
      <p class="quiet goal">
        Goal {{ unitWords(passage.goal.unit) }} = {{ passage.goal.bpm }} by {{ shortDate(passage.due) }},
        {{ daysWords(passage.daysLeft) }}. {{ late }} {{ late === 1 ? 'player is' : 'players are' }} late.
      </p>
      <form class="form" @submit.prevent="write">
        <div class="field wide">
          <span>Who played</span>
          <PickOne v-model:value="player" :options="people" placeholder="a player" label="Who played" />
        </div>
        <label class="field"
          >Clean at, {{ unitWords(passage.goal.unit) }} =
          <AInputNumber v-model:value="bpm" :min="1" :max="1000" aria-label="Clean tempo"
        /></label>
        <label class="field">Heard on <input v-model="heard" type="date" class="date" required /></label>
        <label class="field wide">What to fix next <AInput v-model:value="note" :maxlength="200" /></label>
        <p v-if="refused" class="refused wide" role="alert">{{ refused }}</p>
        <AButton type="primary" html-type="submit" class="wide">Log a clean tempo</AButton>
      </form>
      <ul class="entries people">
        <li v-for="r in readiness.data.value" :key="r.player">
          <div class="person">
            <strong>{{ r.name }}</strong><span class="quiet">{{ r.section }}</span
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
        </li>
      </ul>
    </template>
    <p class="quiet caution">
      Names and marks are private records: the school's rules and the law apply. The teacher decides; the line only
      counts.
    </p>
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
.line {
  flex-wrap: nowrap;
  align-items: start;
}
.refused {
  color: var(--rosin);
  margin: 0;
}
.date {
  height: 32px;
  border: 1px solid #cfc4b2;
  border-radius: 3px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  padding: 0 8px;
}
.caution {
  font-size: 12.5px;
  margin-top: 14px;
}
</style>
