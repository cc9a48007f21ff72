<script setup lang="ts">
import { computed } from 'vue'
import type { Finding } from '../../api/client'
import { placesOf } from '../../stations/study/findings'

/** A finding as players read it. What was not reviewed is marked, can be decided here, and does not print. */
const props = defineProps<{ finding: Finding; part: string }>()
const own = computed(() => props.finding.own.find((o) => o.parts.includes(props.part)) ?? props.finding)
const emit = defineEmits<{ send: []; hold: []; reword: [] }>()
</script>

<template>
  <li :class="{ unreviewed: finding.review !== 'sent' }">
    <b>{{ placesOf(finding) }}</b>: <template v-if="finding.words">{{ finding.words }}</template><template v-else
      >{{ own.title }}. {{ own.why }}</template
    >
    <span v-if="finding.review !== 'sent'" class="review">
      not reviewed, does not print
      <button type="button" @click="emit('send')">To the players</button>
      <button type="button" @click="emit('reword')">Reword</button>
      <button type="button" @click="emit('hold')">Hold back</button>
    </span>
  </li>
</template>

<style scoped>
.unreviewed {
  color: var(--slate-ink);
  border-left: 2px dashed var(--rosin);
  padding-left: 8px;
  margin-left: -10px;
}
.review {
  display: block;
  font-size: 12.5px;
  color: var(--rosin);
}
.review button {
  margin-left: 6px;
  border: 0;
  padding: 0;
  background: none;
  color: var(--plum);
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
}
@media print {
  .unreviewed {
    display: none;
  }
}
</style>
