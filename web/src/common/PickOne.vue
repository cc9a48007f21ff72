<script setup lang="ts" generic="T extends string | number">
/** One of a list: the browser's own control, so that every keyboard and screen reader knows it. */
const chosen = defineModel<T | undefined>('value')
defineProps<{ options: readonly { value: T; label: string }[]; label: string; placeholder?: string }>()
</script>

<template>
  <select v-model="chosen" class="pick" :aria-label="label">
    <option v-if="placeholder" :value="undefined" disabled>{{ placeholder }}</option>
    <option v-for="o in options" :key="o.value" :value="o.value">{{ o.label }}</option>
  </select>
</template>

<style scoped>
.pick {
  height: 32px;
  width: 100%;
  min-width: 0;
  padding: 0 6px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
}
</style>
