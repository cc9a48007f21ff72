<script setup lang="ts">
import { Modal as AModal } from 'ant-design-vue'
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'

const open = ref(false)
const list = [
  ['?', 'This list'],
  ['Arrow keys', 'Move the selection on the strip'],
  ['Shift + left or right', 'Shorten or lengthen it'],
  ['+ and −, wheel', 'Zoom the strip'],
  ['Esc', 'Clear the selection'],
  ['Space', 'Play or stop the selection'],
  ['J and K', 'Next and previous entry of the station'],
  ['A', 'Unify: accept the proposal'],
  ['R', 'Unify: accept it wherever the music returns'],
  ['S', 'Unify: accept the sure ones, after a look at them'],
  ['O', 'Unify: take another reading'],
  ['E', 'Unify: keep the difference'],
]

function key(e: KeyboardEvent) {
  const typing = (e.target as HTMLElement).closest('input, textarea, select')
  if (e.key === '?' && !typing) open.value = true
  if (e.key === 'Escape') open.value = false
}
useEventListener(window, 'keydown', key)
</script>

<template>
  <AModal v-model:open="open" title="Keys" :footer="null" width="440px">
    <dl class="keys">
      <template v-for="[k, what] in list" :key="k">
        <dt>{{ k }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </AModal>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: 170px 1fr;
  gap: 6px 12px;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
