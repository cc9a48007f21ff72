<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { Schemas } from '../api/client'
import FingerDiagram from './FingerDiagram.vue'

/** A note of a chart: its fingerings with their diagrams, the usual one first, and its trills. */
const props = defineProps<{
  note: Schemas['ChartNoteView']
  kind: string
  layout: readonly Schemas['ChartKeyView'][]
}>()
const emit = defineEmits<{ correct: [Schemas['FingeringView'] | null] }>()
const few = 4
const all = ref(false)
const shown = computed(() => (all.value ? props.note.fingerings : props.note.fingerings.slice(0, few)))
const hidden = computed(() => props.note.fingerings.length - shown.value.length)
const cents = (c: number | null | undefined) =>
  c && Math.abs(c) >= 5 ? `${c > 0 ? '+' : '−'}${Math.abs(Math.round(c))} cents` : ''
</script>

<template>
  <section class="card note" :aria-label="note.written">
    <h2>{{ note.written }}</h2>
    <ul>
      <li v-for="(f, i) in shown" :key="f.code">
        <FingerDiagram :kind="kind" :layout="layout" :pressed="f.keys" :scale="0.72" />
        <div>
          <strong>{{ f.code === 'only' ? 'The one fingering' : f.code }}</strong>
          <span v-if="i === 0 && note.fingerings.length > 1" class="quiet"> usual</span>
          <p v-if="f.name">{{ f.name }}</p>
          <p v-if="f.when" class="quiet">{{ f.when }}</p>
          <p v-if="cents(f.cents) && !f.when.includes('cents')" class="quiet">{{ cents(f.cents) }}</p>
          <p v-if="f.standing" class="standing">{{ f.standing }}, as this school has it</p>
          <AButton size="small" type="link" @click="emit('correct', f)">Correct</AButton>
        </div>
      </li>
      <li v-for="f in note.struck" :key="f.code" class="struck">
        <div>
          <s>{{ f.code }}</s> <span class="quiet">never, as this school has it</span>
          <AButton size="small" type="link" @click="emit('correct', f)">Correct</AButton>
        </div>
      </li>
    </ul>
    <AButton v-if="hidden > 0" size="small" type="link" @click="all = true">{{ hidden }} more</AButton>
    <AButton v-if="kind === 'keys'" size="small" type="link" @click="emit('correct', null)">Add a fingering</AButton>
    <details v-if="note.trills.length">
      <summary>Trills</summary>
      <p v-for="t in note.trills" :key="t.upper">
        To {{ t.upper }}, {{ t.quality }}: {{ t.how.replace(/^poor: /, '') }}
      </p>
    </details>
  </section>
</template>

<style scoped>
.note {
  padding: 10px 14px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 12px;
  padding: 6px 0;
}
li.struck {
  grid-template-columns: 1fr;
}
p {
  margin: 0;
  font-size: 13px;
}
li :deep(.ant-btn-link) {
  display: block;
}
.note :deep(.ant-btn-link) {
  padding: 0;
  height: 24px;
}
.note > :deep(.ant-btn-link) {
  margin-right: 12px;
}
.standing {
  color: var(--rosin);
}
details {
  color: var(--slate);
  border-top: 1px solid var(--line);
  padding-top: 3px;
  margin-top: 3px;
}
summary {
  cursor: pointer;
  font-size: 13px;
}
</style>
