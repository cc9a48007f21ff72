<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { nextTick, ref } from 'vue'

/** A button that opens a few acts; arrow keys walk them, Esc closes and gives the focus back. */
defineProps<{ label: string; items: readonly { words: string; run: () => void }[] }>()
const open = ref(false)
const box = ref<HTMLElement>()
const shown = () => [...(box.value?.querySelectorAll<HTMLElement>('[role=menuitem]') ?? [])]

async function show() {
  open.value = true
  await nextTick()
  shown()[0]?.focus()
}
function close() {
  open.value = false
  box.value?.querySelector('button')?.focus()
}
function escape(e: KeyboardEvent) {
  if (!open.value) return
  e.stopPropagation()
  close()
}
function walk(by: number) {
  const all = shown()
  const at = all.indexOf(document.activeElement as HTMLElement)
  all[(at + by + all.length) % all.length]?.focus()
}
function choose(run: () => void) {
  close()
  run()
}
onClickOutside(box, () => (open.value = false))
</script>

<template>
  <span
    ref="box"
    class="menu-button"
    @keydown.esc="escape"
    @keydown.down.prevent.stop="open ? walk(1) : show()"
    @keydown.up.prevent.stop="open && walk(-1)"
    @keydown.tab="open = false"
  >
    <button
      type="button"
      class="dots"
      aria-haspopup="menu"
      :aria-expanded="open"
      :aria-label="label"
      @click="open ? close() : show()"
    >
      …
    </button>
    <span v-if="open" role="menu" class="menu" :aria-label="label">
      <button v-for="i in items" :key="i.words" type="button" role="menuitem" tabindex="-1" @click="choose(i.run)">
        {{ i.words }}
      </button>
    </span>
  </span>
</template>

<style scoped>
.menu-button {
  position: relative;
}
.dots {
  border: 0;
  padding: 0 7px;
  background: none;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.menu {
  position: absolute;
  right: 0;
  top: 100%;
  z-index: 15;
  display: grid;
  width: max-content;
  padding: 4px;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 4px;
  box-shadow: 0 4px 14px rgb(43 39 51 / 18%);
}
.menu button {
  border: 0;
  padding: 6px 10px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.menu button:hover,
.menu button:focus {
  background: var(--paper);
}
</style>
