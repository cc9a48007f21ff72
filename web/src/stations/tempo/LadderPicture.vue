<script setup lang="ts">
import { computed } from 'vue'
import { place, spanOf, type Drawn } from './picture'

/** The ladder as a picture: a step a dot over its day, the window behind it, and what was heard clean. */
const props = defineProps<{
  steps: readonly { quarterBpm: number; day: number }[]
  days: number
  window: Drawn | undefined
  heard: readonly number[]
  active: number
}>()
const emit = defineEmits<{ choose: [number] }>()
const size = { width: 390, height: 150, edge: 14 }
const none = { slowest: null, fastest: null, printed: null }
const span = computed(() => spanOf(props.window ?? none, [...props.steps.map((s) => s.quarterBpm), ...props.heard]))
const at = computed(() => place(span.value, props.days, size))
const line = computed(() => props.steps.map((s) => `${at.value.x(s.day)},${at.value.y(s.quarterBpm)}`).join(' '))
const works = computed(() => {
  const { slowest, fastest } = props.window ?? none
  const top = at.value.y(fastest?.quarterBpm ?? span.value.to)
  const bottom = at.value.y(slowest?.quarterBpm ?? span.value.from)
  return bottom > top ? { y: top, height: bottom - top } : null
})
const words = computed(
  () =>
    `${props.steps.length} steps from ${Math.round(props.steps[0]?.quarterBpm ?? 0)} to ` +
    `${Math.round(props.steps.at(-1)?.quarterBpm ?? 0)} quarters a minute over ${props.days} days`,
)
</script>

<template>
  <svg class="ladder" :viewBox="`0 0 ${size.width} ${size.height}`" role="img" :aria-label="words">
    <rect v-if="works" class="works" x="0" :width="size.width" :y="works.y" :height="works.height" />
    <line v-for="(h, i) in heard" :key="i" class="heard" x1="0" :x2="size.width" :y1="at.y(h)" :y2="at.y(h)" />
    <polyline class="way" :points="line" />
    <circle
      v-for="(s, i) in steps"
      :key="i"
      :class="{ on: i === active }"
      :cx="at.x(s.day)"
      :cy="at.y(s.quarterBpm)"
      :r="i === active ? 6 : 4"
      @click="emit('choose', i)"
    />
    <text x="4" :y="size.height - 2">{{ span.from }}</text>
    <text x="4" y="11">{{ span.to }}</text>
    <text :x="size.width - 4" :y="size.height - 2" text-anchor="end">day {{ days }}</text>
  </svg>
</template>

<style scoped>
.ladder {
  display: block;
  width: 100%;
  margin-top: 10px;
  background: var(--paper);
  border: 1px solid var(--line);
}
.works {
  fill: var(--moss);
  opacity: 0.22;
}
.way {
  fill: none;
  stroke: var(--plum);
  stroke-width: 1.5;
}
.heard {
  stroke: var(--brass);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
circle {
  fill: var(--plum);
  cursor: pointer;
}
circle.on {
  fill: var(--brass);
  stroke: var(--plum);
}
text {
  font-size: 11px;
  fill: var(--slate);
}
</style>
