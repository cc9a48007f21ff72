<script setup lang="ts">
import type { Finding } from '../../api/client'

/** Before it prints: what is not reviewed yet. */
defineProps<{ waiting: readonly Finding[] }>()
const emit = defineEmits<{ all: [] }>()
</script>

<template>
  <p v-if="waiting.length" class="review-bar" role="status">
    {{ waiting.length }} {{ waiting.length === 1 ? 'finding is' : 'findings are' }} not reviewed and will not print.
    <button type="button" @click="emit('all')">Send all as they are</button>
  </p>
</template>

<style scoped>
.review-bar {
  max-width: 760px;
  margin: 0 auto 12px;
  padding: 8px 12px;
  border-left: 4px solid var(--rosin);
  background: var(--card);
}
.review-bar button {
  margin-left: 8px;
}
@media print {
  .review-bar {
    display: none;
  }
}
</style>
