<script setup lang="ts">
import { computed } from 'vue'
import { quartersOf } from '../../common/units'
import { forecastPoints } from './forecastPoints'

const props = defineProps<{
  entries: readonly { heard: string; bpm: number; unit: string }[]
  goal: { unit: string; bpm: number }
  due: string
  atDate: number | null
  label: string
}>()

const drawn = computed(() =>
  forecastPoints(
    props.entries.map((e) => ({ day: e.heard, quarter: e.bpm * quartersOf(e.unit) })),
    props.goal.bpm * quartersOf(props.goal.unit),
    props.due,
    props.atDate,
  ),
)
</script>

<template>
  <svg viewBox="0 0 110 40" width="110" height="40" role="img" :aria-label="label" class="line">
    <line x1="2" x2="108" :y1="drawn.goalY" :y2="drawn.goalY" class="goal" />
    <line v-if="drawn.line" v-bind="drawn.line" class="trend" />
    <circle v-for="(p, i) in drawn.points" :key="i" :cx="p.x" :cy="p.y" r="2.4" class="dot" />
    <line x1="106" x2="106" y1="4" y2="36" class="due" />
  </svg>
</template>

<style scoped>
.line {
  flex: none;
}
.goal {
  stroke: var(--brass);
  stroke-dasharray: 3 2;
}
.trend {
  stroke: var(--plum);
  stroke-width: 1.4;
}
.dot {
  fill: var(--plum);
}
.due {
  stroke: var(--slate);
}
</style>
