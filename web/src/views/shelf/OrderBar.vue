<script setup lang="ts">
/** The played order as a bar: each stretch as wide as it is long. */
defineProps<{ runs: readonly { from: string; to: string; measures: number }[]; played: number }>()
</script>

<template>
  <ol class="order" :aria-label="`Played order, ${played} measures in all`">
    <li v-for="(r, i) in runs" :key="i" :style="{ flexGrow: r.measures }" :class="{ odd: i % 2 === 1 }">
      {{ r.from === r.to ? r.from : `${r.from}–${r.to}` }}
    </li>
  </ol>
</template>

<style scoped>
.order {
  display: flex;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.order li {
  flex-basis: 34px;
  min-width: 0;
  overflow: hidden;
  padding: 2px 6px;
  background: var(--lilac);
  border-radius: 3px;
  font: 12px var(--title);
  white-space: nowrap;
}
.order li.odd {
  background: var(--lilac-edge);
}
</style>
