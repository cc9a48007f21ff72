<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, onMounted } from 'vue'
import { unitWords, useTransport } from '../../transport/store'
import type { StationEvents, StationProps } from '..'
import LadderForm from './LadderForm.vue'
import { climb, useLadderAsk } from './ladder'
import { tellError } from '../../common/tell'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const transport = useTransport()
const id = computed(() => props.piece.id)
const labels = computed(() => props.piece.measures)
const from = computed(() => labels.value[props.shown.from]!)
const ask = useLadderAsk(id, from)

const ladder = useQuery({
  queryKey: computed(() => ['ladder', JSON.stringify(ask.value)]),
  queryFn: () => climb(ask.value),
  retry: false,
  placeholderData: (before) => before,
})

async function hear(step: { unit: string; bpm: number }) {
  try {
    await transport.stop()
    Object.assign(transport, { unit: step.unit, bpm: step.bpm })
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
onMounted(() => emit('flags', []))
</script>

<template>
  <div class="station">
    <div class="row head"><h2>Tempo steps</h2></div>
    <LadderForm v-model="ask" with-days />
    <p v-if="ladder.isError.value" class="refused" role="alert">{{ ladder.error.value?.message }}</p>
    <table v-else class="table steps" data-testid="ladder">
      <caption class="quiet">
        {{
          ladder.data.value?.steps.length ?? 0
        }}
        steps over
        {{
          ask.days
        }}
        days; each is left only when clean.
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
          v-for="(s, i) in ladder.data.value?.steps"
          :key="i"
          :class="{ on: transport.playing && transport.bpm === s.bpm && transport.unit === s.unit }"
        >
          <td>{{ i + 1 }}</td>
          <td>{{ unitWords(s.unit) }} = {{ Math.round(s.bpm * 10) / 10 }}</td>
          <td>{{ s.day }}</td>
          <td><AButton size="small" :aria-label="`Play step ${i + 1}`" @click="hear(s)">Play</AButton></td>
        </tr>
      </tbody>
    </table>
    <p class="quiet caution">
      Keep the click at a safe loudness. Five minutes off in every half hour; stop at any pain or numbness.
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
