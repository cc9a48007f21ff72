<script setup lang="ts">
import { computed } from 'vue'
import { dayName, mostMinutes, type Work } from '../season/weeks'
import { palette } from '../theme'
import GraphBox from './GraphBox.vue'

/** Minutes of practice by day: what the plan asks of whoever has most, under what the day offers. */
const props = defineProps<{ work: readonly Work[]; minutes: ReadonlyMap<string, number> }>()
const days = computed(() =>
  [...new Set([...props.minutes.keys(), ...props.work.map((w) => w.day)])].sort().map((day) => ({
    day,
    asked: mostMinutes(props.work.filter((w) => w.day === day)),
    offered: props.minutes.get(day) ?? 0,
  })),
)
const option = computed(() => ({
  tooltip: { trigger: 'axis' },
  legend: { top: 0, right: 0 },
  xAxis: { type: 'category', data: days.value.map((d) => dayName(d.day)) },
  yAxis: { type: 'value', name: 'min', minInterval: 5 },
  series: [
    {
      name: 'asked of whoever has most',
      type: 'bar',
      data: days.value.map((d) => d.asked),
      itemStyle: { color: palette.plum },
      barMaxWidth: 14,
    },
    {
      name: 'a day has',
      type: 'line',
      step: 'middle',
      symbol: 'none',
      data: days.value.map((d) => d.offered),
      lineStyle: { color: palette.brass, type: 'dashed' },
      itemStyle: { color: palette.brass },
    },
  ],
}))
const rows = computed(() => days.value.map((d) => [d.day, d.asked, d.offered]))
</script>

<template>
  <GraphBox
    title="Minutes of practice by day"
    :option="option"
    :heads="['Day', 'Asked of whoever has most', 'The day has']"
    :rows="rows"
  />
</template>
