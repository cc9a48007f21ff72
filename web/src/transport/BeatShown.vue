<script setup lang="ts">
import { computed } from 'vue'
import type { Now } from './player'

/** The beat, large enough to be read from the chair. */
const props = defineProps<{ now: Now | null; playing: boolean }>()
const words = computed(() => {
  if (!props.now) return props.playing ? '' : 'stopped'
  return props.now.countOff ? 'count-off' : `measure ${props.now.measure}`
})
</script>

<template>
  <span class="now" aria-live="off" data-testid="now">
    <b :class="{ first: now?.accent, off: now?.countOff }">{{ now?.beat ?? '–' }}</b>
    <span>{{ words }}</span>
  </span>
</template>

<style scoped>
.now {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 132px;
  font-family: var(--title);
}
b {
  min-width: 38px;
  font-size: 32px;
  line-height: 1;
  text-align: center;
  color: var(--slate);
}
b.first {
  color: var(--plum);
}
b.off {
  color: var(--brass);
}
</style>
