<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, onMounted } from 'vue'
import { tellError } from '../../common/tell'
import { neighbour, useStationKeys } from '../../keys/useKeys'
import { unitWords, useTransport } from '../../transport/store'
import type { StationEvents, StationProps } from '..'
import LadderForm from './LadderForm.vue'
import { climb, useLadderAsk } from './ladder'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const transport = useTransport()
const id = computed(() => props.piece.id)
const labels = computed(() => props.piece.measures)
const from = computed(() => labels.value[props.shown.from]!)
const tempos = useLadderAsk(id, from)
const ask = computed(() => tempos.ask)

const ladder = useQuery({
  queryKey: computed(() => ['ladder', JSON.stringify(ask.value)]),
  queryFn: ({ signal }) => climb(ask.value, signal),
  retry: false,
  placeholderData: (before) => before,
  meta: { shown: true },
})
const steps = computed(() => (ladder.data.value?.steps ?? []).map((s, i) => ({ ...s, id: `step ${i}` })))

async function hear(step: { unit: string; bpm: number }) {
  try {
    await transport.stop()
    transport.choose(step)
    const s = props.shown
    await transport.start({
      piece: props.piece.id,
      parts: s.parts,
      from: labels.value[s.from]!,
      to: labels.value[s.to]!,
      fromIndex: s.from,
      toIndex: s.to,
    })
  } catch (e) {
    tellError(e)
  }
}
const step = (by: number) => emit('active', neighbour(steps.value, props.active, by)?.id ?? null)
useStationKeys('tempo', {
  next: () => step(1),
  previous: () => step(-1),
  hear: () => {
    const chosen = steps.value.find((s) => s.id === props.active) ?? steps.value[0]
    if (chosen) void hear(chosen)
  },
})
onMounted(() => emit('flags', []))
</script>

<template>
  <div class="station">
    <div class="row head"><h2>Tempo steps</h2></div>
    <LadderForm :ask="ask" with-days @type="tempos.type" />
    <p v-if="ladder.isError.value" class="refused" role="alert">{{ ladder.error.value?.message }}</p>
    <table v-else class="table steps" data-testid="ladder">
      <caption class="quiet">
        {{
          steps.length
        }}
        steps over
        {{
          ask.days
        }}
        days. Move on only when a step is clean.
      </caption>
      <thead>
        <tr>
          <th scope="col">Step</th>
          <th scope="col">Tempo</th>
          <th scope="col">Day</th>
          <th scope="col"><span class="visually-hidden">Play</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(s, i) in steps"
          :key="s.id"
          :aria-current="s.id === active"
          :class="{
            on: s.id === active || (transport.playing && transport.bpm === s.bpm && transport.unit === s.unit),
          }"
        >
          <td>{{ i + 1 }}</td>
          <td>{{ unitWords(s.unit) }} = {{ Math.round(s.bpm * 10) / 10 }}</td>
          <td>{{ s.day }}</td>
          <td><AButton size="small" :aria-label="`Play step ${i + 1}`" @click="hear(s)">Play</AButton></td>
        </tr>
      </tbody>
    </table>
    <p class="quiet caution">
      Keep the click at a safe volume. Rest five minutes in every half hour; stop at any pain or numbness.
    </p>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.steps {
  margin-top: 10px;
}
.steps caption {
  text-align: left;
  padding: 6px 0;
}
.steps td {
  padding: 3px 10px;
}
.steps tr.on td {
  background: rgb(169 121 28 / 16%);
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
