<script setup lang="ts">
import { computed } from 'vue'
import type { Passage, Schemas } from '../../api/client'
import { quartersOf } from '../../common/units'

/** How far one player is with one passage: the last clean tempo and a shape for the state. */
const props = defineProps<{ ready: Schemas['ReadyView'] | undefined; passage: Passage }>()
const emit = defineEmits<{ open: [] }>()
const shapes: Record<string, { shape: string; word: string }> = {
  early: { shape: '▲', word: 'early' },
  'on-time': { shape: '●', word: 'on time' },
  late: { shape: '▼', word: 'late' },
  'cannot-tell': { shape: '?', word: 'cannot tell' },
}
const state = computed(() => shapes[props.ready?.state ?? ''] ?? { shape: '', word: '' })
const last = computed(() => {
  const quarter = props.ready?.lastQuarterBpm
  return quarter === null || quarter === undefined
    ? '–'
    : String(Math.round(quarter / quartersOf(props.passage.goal.unit)))
})
</script>

<template>
  <button
    v-if="ready"
    type="button"
    class="cell"
    :class="ready.state"
    :title="ready.why"
    :aria-label="`${ready.name}, ${passage.title}: ${last}, ${state.word}`"
    @click="emit('open')"
  >
    {{ last }} <span aria-hidden="true">{{ state.shape }}</span>
  </button>
</template>

<style scoped>
.cell {
  border: 0;
  background: none;
  font: inherit;
  padding: 2px 4px;
  cursor: pointer;
  color: var(--ink);
  min-width: 50px;
  text-align: left;
}
.late span {
  color: var(--rosin);
}
.early span,
.on-time span {
  color: var(--moss-ink);
}
.cannot-tell span {
  color: var(--slate);
}
</style>
