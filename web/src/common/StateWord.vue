<script setup lang="ts">
import { computed } from 'vue'

const props = defineProps<{ state: string }>()

/** Each state has a shape, a word and a colour: never colour alone. */
const states: Record<string, { shape: string; word: string; tone: string }> = {
  open: { shape: '╱', word: 'to decide', tone: 'rosin' },
  accepted: { shape: '●', word: 'accepted', tone: 'moss' },
  other: { shape: '●', word: 'other reading', tone: 'moss' },
  agreed: { shape: '●', word: 'agreed', tone: 'moss' },
  kept: { shape: '=', word: 'kept as printed', tone: 'slate' },
  early: { shape: '▲', word: 'early', tone: 'moss' },
  'on-time': { shape: '●', word: 'on time', tone: 'moss' },
  late: { shape: '▼', word: 'late', tone: 'rosin' },
  'cannot-tell': { shape: '?', word: 'cannot tell', tone: 'slate' },
  stop: { shape: '■', word: 'stops the group', tone: 'rosin' },
  warn: { shape: '◆', word: 'often missed', tone: 'rosin' },
  tell: { shape: '▪', word: 'said first', tone: 'slate' },
  note: { shape: '○', word: 'good to know', tone: 'slate' },
}
const shown = computed(() => states[props.state] ?? { shape: '○', word: props.state, tone: 'slate' })
</script>

<template>
  <span class="state" :class="shown.tone"
    ><span aria-hidden="true">{{ shown.shape }}</span> {{ shown.word }}</span
  >
</template>

<style scoped>
.state {
  white-space: nowrap;
  font-weight: 500;
  font-size: 13px;
}
.moss {
  color: var(--moss-ink);
}
.rosin {
  color: var(--rosin);
}
.slate {
  color: var(--slate);
}
</style>
