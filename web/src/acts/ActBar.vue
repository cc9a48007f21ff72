<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { setSayer, type Said } from '../common/tell'
import { useActs } from './store'
import { undoAct } from './useAct'

/** What happened last, read out politely, with the way back beside it; the only place of the page that speaks by itself. */
const acts = useActs()
const said = ref<Said | null>(null)
const told = ref('')
const stays = { done: 6000, error: 9000 }
let gone: ReturnType<typeof setTimeout> | undefined

function hideLater() {
  clearTimeout(gone)
  gone = setTimeout(() => (said.value = null), said.value?.isError ? stays.error : stays.done)
}

setSayer((next) => {
  said.value = next
  // The same sentence twice is read out twice.
  told.value = told.value === next.sentence ? `${next.sentence} ` : next.sentence
  hideLater()
})
const stay = () => clearTimeout(gone)
const last = () => (said.value && acts.last?.words === said.value.sentence ? acts.last : null)
onBeforeUnmount(() => clearTimeout(gone))
</script>

<template>
  <div>
    <p class="visually-hidden" role="status" aria-live="polite" data-testid="told">{{ told }}</p>
    <div
      v-if="said"
      class="act-bar"
      :class="{ error: said.isError }"
      data-testid="said"
      @mouseenter="stay"
      @mouseleave="hideLater"
      @focusin="stay"
      @focusout="hideLater"
    >
      <span aria-hidden="true">{{ said.sentence }}</span>
      <button v-if="last()" type="button" @click="undoAct(last()!)">Undo</button>
      <button type="button" aria-label="Close this message" @click="said = null">×</button>
    </div>
  </div>
</template>

<style scoped>
.act-bar {
  position: fixed;
  left: 16px;
  bottom: 58px;
  z-index: 30;
  display: flex;
  gap: 12px;
  align-items: center;
  max-width: min(640px, 60vw);
  padding: 7px 8px 7px 14px;
  border-left: 4px solid var(--moss);
  border-radius: 3px;
  background: var(--ink);
  color: var(--paper);
  box-shadow: 0 2px 10px rgb(43 39 51 / 25%);
}
.act-bar.error {
  border-left-color: var(--rosin-edge);
}
button {
  border: 0;
  background: none;
  color: var(--brass-light);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
@media print {
  .act-bar {
    display: none;
  }
}
</style>
