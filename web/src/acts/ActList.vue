<script setup lang="ts">
import { onClickOutside, useEventListener } from '@vueuse/core'
import { nextTick, ref } from 'vue'
import { isWriting } from '../keys/useKeys'
import { useActs } from './store'
import { undoAct, undoLast } from './useAct'

/** Undo, and the list of all that was done in this session. */
const acts = useActs()
const open = ref(false)
const box = ref<HTMLElement>()
const button = ref<HTMLButtonElement>()

async function toggle() {
  open.value = !open.value
  await nextTick()
  if (open.value) box.value?.querySelector<HTMLElement>('.list button')?.focus()
}
function close(e: KeyboardEvent) {
  if (!open.value) return
  e.stopPropagation()
  open.value = false
  button.value?.focus()
}
onClickOutside(box, () => (open.value = false))
useEventListener(window, 'keydown', (e: KeyboardEvent) => {
  if ((e.ctrlKey || e.metaKey) && !e.shiftKey && e.key.toLowerCase() === 'z' && !isWriting(e)) {
    e.preventDefault()
    void undoLast()
  }
})
</script>

<template>
  <div ref="box" class="acts-list" @keydown.esc="close">
    <button type="button" class="plain" :disabled="!acts.last" :title="acts.last?.words" @click="undoLast">Undo</button>
    <button ref="button" type="button" class="plain" :aria-expanded="open" aria-haspopup="true" @click="toggle">
      Done<span class="visually-hidden"> in this session</span> {{ acts.list.length }}
    </button>
    <div v-if="open" class="list" role="region" aria-label="Done in this session">
      <p v-if="acts.list.length === 0" class="quiet">Nothing was changed in this session yet.</p>
      <ol v-else>
        <li v-for="d in acts.newest" :key="d.id">
          <span>{{ d.words }}</span>
          <button v-if="d.undo" type="button" class="plain" :aria-label="`Undo ${d.words}`" @click="undoAct(d)">
            Undo
          </button>
        </li>
      </ol>
    </div>
  </div>
</template>

<style scoped>
.acts-list {
  position: relative;
  display: flex;
  gap: 10px;
  white-space: nowrap;
}
.plain {
  border: 0;
  padding: 2px 0;
  background: none;
  color: var(--plum);
  font: inherit;
  font-size: 13px;
  text-decoration: underline;
  cursor: pointer;
}
.plain:disabled {
  color: var(--slate);
  text-decoration: none;
  cursor: default;
}
.list {
  position: absolute;
  right: 0;
  top: 100%;
  z-index: 20;
  width: 380px;
  max-height: 60vh;
  overflow: auto;
  padding: 8px 14px;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 4px;
  box-shadow: 0 4px 16px rgb(43 39 51 / 18%);
  white-space: normal;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
}
</style>
