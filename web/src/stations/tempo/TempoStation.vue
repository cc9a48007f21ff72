<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, onMounted, ref, watch } from 'vue'
import { keys, useFilteredLog, useSeats } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import { tellError } from '../../common/tell'
import { neighbour, useStationKeys } from '../../keys/useKeys'
import PracticeList from '../../practice/PracticeList.vue'
import { quartersOf } from '../../common/units'
import { useTransport } from '../../transport/store'
import type { StationEvents, StationProps } from '..'
import AskTempo from './AskTempo.vue'
import LadderForm from './LadderForm.vue'
import LadderPicture from './LadderPicture.vue'
import StepsTable from './StepsTable.vue'
import WindowBox from './WindowBox.vue'
import { climb, useLadderAsk } from './ladder'
import { useWindow } from './useWindow'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const transport = useTransport()
const id = computed(() => props.piece.id)
const labels = computed(() => props.piece.measures)
const whole = computed(() => props.shown.whole)
const from = computed(() => labels.value[whole.value.from]!)
const to = computed(() => labels.value[whole.value.to]!)
const tempos = useLadderAsk(id, from)
const ask = computed(() => tempos.ask)

const chosenPart = ref<string>()
const part = computed(() =>
  whole.value.parts.includes(chosenPart.value ?? '') ? chosenPart.value! : whole.value.parts[0]!,
)
const partOptions = computed(() =>
  props.piece.parts
    .filter((p) => whole.value.parts.includes(p.id))
    .map((p) => ({ value: p.id, label: p.name || p.id })),
)
const seats = useSeats(id)
const everyone = 0
const player = ref(everyone)
const players = computed(() => [
  { value: everyone, label: 'the players of the part' },
  ...(seats.data.value?.find((s) => s.part === part.value)?.players ?? []).map((p) => ({
    value: p.player,
    label: p.name,
  })),
])
watch(part, () => (player.value = everyone))

const window = useWindow(
  computed(() => ({
    piece: id.value,
    part: part.value,
    from: from.value,
    to: to.value,
    ...(player.value ? { player: player.value } : {}),
  })),
)
watch(window.data, (w) => w && !window.isPlaceholderData.value && tempos.window(w), { immediate: true })
const log = useFilteredLog(computed(() => ({ piece: id.value, ...(player.value ? { player: player.value } : {}) })))
const heard = computed(() =>
  player.value ? (log.data.value ?? []).slice(0, 6).map((l) => l.bpm * quartersOf(l.unit)) : [],
)

const ladder = useQuery({
  queryKey: computed(() => keys.ladder(JSON.stringify(ask.value))),
  queryFn: ({ signal }) => climb(ask.value, signal),
  retry: false,
  placeholderData: (before) => before,
  meta: { shown: true },
})
const steps = computed(() => (ladder.data.value?.steps ?? []).map((s, i) => ({ ...s, id: `step ${i}` })))
const at = computed(() => steps.value.findIndex((s) => s.id === props.active))
const sounding = computed(
  () =>
    (transport.playing && steps.value.find((s) => s.bpm === transport.bpm && s.unit === transport.unit)?.id) ?? null,
)
const passage = computed(() => ({
  piece: id.value,
  parts: whole.value.parts,
  from: from.value,
  to: to.value,
  fromIndex: whole.value.from,
  toIndex: whole.value.to,
}))

async function hear(step: { unit: string; bpm: number }) {
  try {
    await transport.stop()
    transport.choose({ unit: step.unit, bpm: step.bpm })
    await transport.start(passage.value)
  } catch (e) {
    tellError(e)
  }
}
const step = (by: number) => emit('active', neighbour(steps.value, props.active, by)?.id ?? null)
useStationKeys('tempo', {
  next: () => step(1),
  previous: () => step(-1),
  hear: () => {
    const chosen = steps.value[at.value] ?? steps.value[0]
    if (chosen) void hear(chosen)
  },
})
onMounted(() => emit('flags', []))
</script>

<template>
  <div class="station">
    <div class="row head"><h2>Tempo</h2></div>
    <div class="whose">
      <PickOne
        v-if="partOptions.length > 1"
        :value="part"
        :options="partOptions"
        label="Part"
        @update:value="chosenPart = $event"
      />
      <strong v-else>{{ partOptions[0]?.label }}</strong>
      <PickOne v-model:value="player" :options="players" label="For whom" />
    </div>
    <p v-if="window.isError.value" class="refused" role="alert">{{ window.error.value?.message }}</p>
    <AskTempo
      v-if="window.data.value && !window.data.value.known && window.data.value.goal"
      :key="part"
      :piece="id"
      :part="part"
      :unit="window.data.value.goal.unit"
    />
    <WindowBox v-if="window.data.value" :window="window.data.value" />
    <h3>Steps</h3>
    <LadderForm :ask="ask" with-days @type="tempos.type" />
    <p v-if="ladder.isError.value" class="refused" role="alert">{{ ladder.error.value?.message }}</p>
    <template v-else>
      <LadderPicture
        v-if="steps.length"
        :steps="steps"
        :days="ask.days"
        :window="window.data.value"
        :heard="heard"
        :active="at"
        @choose="emit('active', `step ${$event}`)"
      />
      <StepsTable
        :steps="steps"
        :days="ask.days"
        :move-on="ladder.data.value?.moveOn ?? ''"
        :active="active"
        :sounding="sounding"
        @hear="hear"
      />
    </template>
    <PracticeList :passage="passage" :part="part" />
    <p class="quiet caution">
      Keep the click at a safe volume. Rest five minutes in every half hour; stop at any pain or numbness.
    </p>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.whose {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  align-items: center;
}
h3 {
  margin: 14px 0 6px;
}
.refused {
  color: var(--rosin);
  margin: 12px 0;
}
.caution {
  font-size: 12.5px;
  margin-top: 14px;
}
</style>
