<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, fetched } from '../api/client'
import { keys } from '../api/queries'
import { shortDate } from '../common/dates'
import { quartersOf, unitWords } from '../common/units'
import { palette } from '../theme'
import { fanSeries, type HeardPoint } from './fan'
import GraphBox from './GraphBox.vue'

/** Tempos of one player over the days, and the fan of what is expected to the date. */
const props = defineProps<{
  passage: number
  player: number
  entries: readonly HeardPoint[]
  due: string
  unit: string
}>()
const fan = useQuery({
  queryKey: computed(() => keys.logOf('fan', props.passage, props.player, props.entries.length)),
  queryFn: () =>
    fetched(
      api.GET('/api/passages/{passage}/players/{player}/fan', {
        params: { path: { passage: props.passage, player: props.player } },
      }),
    ),
})
// Tempos come in quarters a minute and are told in the unit of the goal.
const told = (quarter: number) => Math.round((quarter / quartersOf(props.unit)) * 10) / 10
const heard = computed(() => props.entries.map((e) => ({ ...e, quarter: told(e.quarter) })))
const days = computed(() =>
  (fan.data.value?.fan ?? []).map((f) => ({
    day: f.day,
    low: told(f.low),
    middle: told(f.middle),
    high: told(f.high),
  })),
)
const option = computed(() => fanSeries(heard.value, days.value, told(fan.data.value?.goal ?? 0), props.due, palette))
const rows = computed(() => [
  ...heard.value.map((e) => [shortDate(e.day), `${e.quarter}${e.clean ? '' : ' (not clean)'}`, '', '']),
  ...days.value.map((f) => [shortDate(f.day), f.middle, f.low, f.high]),
])
</script>

<template>
  <GraphBox
    v-if="fan.data.value"
    :title="`${fan.data.value.ready.name}: ${unitWords(unit)}s a minute`"
    :option="option"
    :heads="['Day', 'Heard, then expected', 'In 1 of 10 cases below', 'In 1 of 10 cases above']"
    :rows="rows"
  />
</template>
