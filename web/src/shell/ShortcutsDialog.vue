<script setup lang="ts">
import { Modal as AModal } from 'ant-design-vue'
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { keymap, placeTitles, stripKeys, type KeyPlace } from '../keys/keymap'
import { isTyping } from '../keys/useKeys'

/** The page of keys: made from the table that the stations serve. */
const open = ref(false)
const places = Object.keys(placeTitles) as KeyPlace[]
const rows = (place: KeyPlace) =>
  Object.values(keymap[place] as Record<string, { key: string; words: string; shown?: string }>).map((k) => ({
    key: k.shown ?? k.key.toUpperCase(),
    words: k.words,
  }))

useEventListener(window, 'keydown', (e: KeyboardEvent) => {
  if (e.key === keymap.everywhere.help.key && !isTyping(e)) open.value = true
  if (e.key === 'Escape') open.value = false
})
</script>

<template>
  <AModal v-model:open="open" title="Keys" :footer="null" width="760px">
    <div class="columns" tabindex="0" role="region" aria-label="All keys">
      <section v-for="p in places" :key="p">
        <h3>{{ placeTitles[p] }}</h3>
        <dl>
          <template v-for="r in rows(p)" :key="r.key">
            <dt>{{ r.key }}</dt>
            <dd>{{ r.words }}</dd>
          </template>
        </dl>
      </section>
      <section>
        <h3>On the strip</h3>
        <dl>
          <template v-for="[k, what] in stripKeys" :key="k">
            <dt>{{ k }}</dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </AModal>
</template>

<style scoped>
.columns {
  columns: 2;
  column-gap: 28px;
  max-height: 66vh;
  overflow: auto;
}
section {
  break-inside: avoid;
  margin-bottom: 12px;
}
dl {
  display: grid;
  grid-template-columns: 96px 1fr;
  gap: 3px 10px;
  margin: 4px 0 0;
  font-size: 13px;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
