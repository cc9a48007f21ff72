<script setup lang="ts" generic="T extends string">
/** Views of one place, one at a time: arrow keys choose. */
const chosen = defineModel<T>('value', { required: true })
const props = defineProps<{ tabs: readonly { value: T; label: string }[]; label: string }>()

function move(e: KeyboardEvent, by: number) {
  const at = props.tabs.findIndex((t) => t.value === chosen.value)
  const next = props.tabs[(at + by + props.tabs.length) % props.tabs.length]
  if (!next) return
  e.preventDefault()
  chosen.value = next.value
  const row = (e.currentTarget as HTMLElement).children
  ;(row[props.tabs.indexOf(next)] as HTMLElement).focus()
}
</script>

<template>
  <div
    class="tabs"
    role="tablist"
    :aria-label="label"
    @keydown.left="move($event, -1)"
    @keydown.right="move($event, 1)"
  >
    <button
      v-for="t in tabs"
      :key="t.value"
      type="button"
      role="tab"
      :aria-selected="t.value === chosen"
      :tabindex="t.value === chosen ? 0 : -1"
      @click="chosen = t.value"
    >
      {{ t.label }}
    </button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 2px;
  border-bottom: 1px solid var(--line);
  margin: 0 0 10px;
}
button {
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  padding: 6px 10px 5px;
  font: inherit;
  font-weight: 500;
  color: var(--slate);
  cursor: pointer;
}
button[aria-selected='true'] {
  color: var(--ink);
  border-bottom-color: var(--brass);
}
</style>
