<script setup lang="ts">
/** A day: the browser's own control. */
const day = defineModel<string>({ required: true })
defineProps<{ required?: boolean; label?: string }>()
</script>

<template><input v-model="day" type="date" class="day" :required="required" :aria-label="label" /></template>

<style scoped>
.day {
  height: 32px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  padding: 0 8px;
}
</style>
