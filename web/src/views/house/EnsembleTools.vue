<script setup lang="ts">
import { Button as AButton, Input as AInput } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, sentenceOf, fetched, type Schemas, type Section } from '../../api/client'
import { keys, useShelf } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import { tellError } from '../../common/tell'
import RosterDialog from './RosterDialog.vue'

/** Sections and players, one by one, from a list or from a score. */
const props = defineProps<{ sections: readonly Section[] }>()
const shelf = useShelf()
const name = ref('')
const piece = ref<number>()
const input = ref<HTMLInputElement>()
const roster = ref<{ file: string; preview: Schemas['RosterPreview'] } | null>(null)
const busy = isBusy('section')
const pieces = computed(() =>
  (shelf.data.value ?? [])
    .filter((p) => p.kind === 'piece' && !p.problem)
    .map((p) => ({ value: p.id, label: p.title })),
)
const twin = computed(() =>
  props.sections.some((s) => s.name.toLowerCase() === name.value.trim().toLowerCase())
    ? `There is a section ${name.value.trim()} already.`
    : '',
)

async function add() {
  if (!name.value.trim()) return
  const known = new Set(props.sections.map((s) => s.id))
  const made = await doAct({
    key: 'section',
    run: () => fetched(api.POST('/api/ensemble/sections', { body: { name: name.value } })),
    words: `${name.value.trim()} is a section now.`,
    undo: (all) => ({ kind: 'joined', players: [], sections: all.filter((s) => !known.has(s.id)).map((s) => s.id) }),
    fresh: [keys.ensemble],
  })
  if (made) name.value = ''
}

const fromScore = (id: number | undefined) =>
  id &&
  doAct({
    key: 'section',
    run: () => fetched(api.POST('/api/ensemble/sections/of-piece/{id}', { params: { path: { id } } })),
    words: (p) =>
      p.sections?.length
        ? `${p.sections.length} sections made from the parts of the score.`
        : 'The sections of this score are all there.',
    undo: (p) => (p.sections?.length ? { kind: 'joined', players: [], sections: [...p.sections] } : null),
    fresh: [keys.ensemble],
  })

async function read(file: File | undefined) {
  if (!file) return
  const form = new FormData()
  form.append('file', file)
  try {
    const response = await fetch('/api/ensemble/roster/preview', { method: 'POST', body: form })
    const answer: unknown = await response.json().catch(() => null)
    if (!response.ok) throw new Error(sentenceOf(answer) ?? `${file.name} was refused.`)
    roster.value = { file: file.name, preview: answer as Schemas['RosterPreview'] }
  } catch (e) {
    tellError(e)
  }
  if (input.value) input.value.value = ''
}
</script>

<template>
  <div class="tools">
    <form class="row" @submit.prevent="add">
      <AInput v-model:value="name" placeholder="a new section" aria-label="Name of a new section" :maxlength="80" />
      <AButton html-type="submit" :loading="busy">Add section</AButton>
    </form>
    <AButton @click="input?.click()">Players from a list</AButton>
    <span class="pick"
      ><PickOne
        v-model:value="piece"
        :options="pieces"
        label="Sections from a score"
        placeholder="sections from a score"
        @update:value="fromScore($event)"
    /></span>
    <input
      ref="input"
      type="file"
      class="visually-hidden"
      accept=".csv,.tsv,.txt,text/csv"
      tabindex="-1"
      aria-label="List of players"
      @change="read(input?.files?.[0])"
    />
    <p v-if="twin" class="told" role="status">{{ twin }}</p>
    <p class="quiet hint">A list is CSV with the columns name, section, instrument, chair.</p>
    <RosterDialog v-if="roster" :file="roster.file" :preview="roster.preview" @close="roster = null" />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-bottom: 14px;
}
.row {
  flex-wrap: nowrap;
}
.pick {
  width: 210px;
}
.told,
.hint {
  margin: 0;
  font-size: 13px;
}
.told {
  color: var(--rosin);
}
</style>
