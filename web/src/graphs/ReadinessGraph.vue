<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { palette } from '../theme'
import GraphBox from './GraphBox.vue'

/** Readiness over the piece: the chance of the least sure section of each passage, in the order of the music. */
const props = defineProps<{ passages: readonly Schemas['PassageReadinessView'][] }>()
const told = computed(() =>
  [...props.passages]
    .sort((a, b) => a.passage.fromIndex - b.passage.fromIndex)
    .map((p) => {
      const least = p.sections.filter((s) => s.chance !== null).sort((a, b) => a.chance! - b.chance!)[0]
      return {
        name: `${p.passage.from}–${p.passage.to}`,
        title: p.passage.title,
        section: least?.name ?? 'nobody heard',
        chance: least?.chance ?? null,
      }
    }),
)
const percent = (chance: number | null) => (chance === null ? null : Math.round(chance * 100))
const option = computed(() => ({
  tooltip: { trigger: 'axis' },
  grid: { left: 44, right: 44, top: 22, bottom: 28 },
  xAxis: { type: 'category', data: told.value.map((t) => t.name) },
  yAxis: { type: 'value', min: 0, max: 100, name: '% chance' },
  series: [
    {
      name: 'chance',
      type: 'bar',
      barMaxWidth: 34,
      data: told.value.map((t) => percent(t.chance)),
      itemStyle: { color: palette.plum },
      label: { show: true, position: 'top', formatter: '{c}' },
      markLine: {
        symbol: 'none',
        silent: true,
        data: [{ name: 'ready', yAxis: 80, lineStyle: { color: palette.brass } }],
        label: { formatter: '{b}' },
      },
    },
  ],
}))
const rows = computed(() => told.value.map((t) => [t.name, t.title, t.section, percent(t.chance) ?? 'cannot tell']))
</script>

<template>
  <GraphBox
    title="Readiness over the piece: the least sure section of each passage"
    :option="option"
    :height="170"
    :heads="['Measures', 'Passage', 'Section', 'Chance in percent']"
    :rows="rows"
  />
</template>
