<script setup lang="ts">
import PickMany from '../common/PickMany.vue'
import { App as AApp, Button as AButton, Input as AInput } from 'ant-design-vue'
import { computed, onMounted, ref } from 'vue'
import { api, take, type Passage } from '../api/client'
import { useEnsemble, usePassages, usePieceChange } from '../api/queries'
import { dayFromNow, daysWords, shortDate } from '../common/dates'
import { selectionWords } from '../selection'
import { unitWords } from '../transport/store'
import type { StationEvents, StationProps } from '.'
import LadderForm from './tempo/LadderForm.vue'
import { useLadderAsk } from './tempo/ladder'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const from = computed(() => props.piece.measures[props.shown.from]!)
const ask = useLadderAsk(id, from)
const ensemble = useEnsemble()
const passages = usePassages(id)
const { message } = AApp.useApp()

const title = ref('')
const due = ref(dayFromNow(14))
const sections = ref<number[]>([])
const players = ref<number[]>([])
const note = ref('Count the first measure aloud, then play.')
const refused = ref('')

const partNames = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const words = computed(() => selectionWords(props.selection, props.piece.measures, partNames.value))
const sectionOptions = computed(() => ensemble.data.value?.map((s) => ({ value: s.id, label: s.name })) ?? [])
const playerOptions = computed(
  () =>
    ensemble.data.value?.flatMap((s) => s.players.map((p) => ({ value: p.id, label: `${p.name}, ${s.name}` }))) ?? [],
)
const groupWords = (p: Passage) =>
  [
    ...p.sections.map((s) => sectionOptions.value.find((o) => o.value === s)?.label),
    ...p.players.map((x) => playerOptions.value.find((o) => o.value === x)?.label.split(',')[0]),
  ]
    .filter(Boolean)
    .join(', ')

const change = usePieceChange(id, (act: () => Promise<unknown>) => act())

async function handOut() {
  const s = props.selection
  refused.value = ''
  if (!s) return
  try {
    await change.mutateAsync(() =>
      take(
        api.POST('/api/pieces/{id}/passages', {
          params: { path: { id: id.value } },
          body: {
            title: title.value || null,
            parts: s.parts,
            from: props.piece.measures[s.from]!,
            to: props.piece.measures[s.to]!,
            start: ask.value.start,
            goal: ask.value.goal,
            by: ask.value.by,
            value: ask.value.value,
            due: due.value,
            sections: sections.value,
            players: players.value,
            note: note.value || null,
          },
        }),
      ),
    )
    message.success('Handed out. The section sheet is ready to print.')
    title.value = ''
  } catch (e) {
    refused.value = (e as Error).message
  }
}

async function takeBack(p: Passage) {
  await change.mutateAsync(() => take(api.DELETE('/api/passages/{passage}', { params: { path: { passage: p.id } } })))
  removed.value = p
}

const removed = ref<Passage | null>(null)
async function restore() {
  const p = removed.value!
  removed.value = null
  await change.mutateAsync(() =>
    take(api.POST('/api/passages/{passage}/restore', { params: { path: { passage: p.id } } })),
  )
}
onMounted(() => emit('flags', []))
</script>

<template>
  <div class="station">
    <div class="row head"><h2>Hand out a passage</h2></div>
    <p v-if="!selection" class="quiet">
      Drag over the strip to cut a passage: parts and measures. Then give it a date.
    </p>
    <form v-else @submit.prevent="handOut">
      <p class="what">{{ words }}</p>
      <LadderForm v-model="ask" />
      <div class="form more">
        <label class="field">Ready by <input v-model="due" type="date" class="date" required /></label>
        <label class="field"
          >Title <AInput v-model:value="title" placeholder="made from the measures" :maxlength="120"
        /></label>
        <div class="field wide">
          <span>Sections</span>
          <PickMany v-model:value="sections" :options="sectionOptions" label="Sections" placeholder="add a section" />
        </div>
        <div class="field wide">
          <span>Single players</span>
          <PickMany
            v-model:value="players"
            :options="playerOptions"
            label="Single players"
            placeholder="add a player"
          />
        </div>
        <label class="field wide">A word to the players <AInput v-model:value="note" :maxlength="200" /></label>
      </div>
      <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
      <AButton type="primary" html-type="submit" :loading="change.isPending.value">Hand out</AButton>
    </form>
    <h3 class="later">Handed out</h3>
    <p v-if="removed" class="undo">
      “{{ removed.title }}” was taken back. <AButton size="small" @click="restore">Undo</AButton>
    </p>
    <p v-if="passages.data.value?.length === 0" class="quiet">
      Nothing yet. Begin with the hardest passage, months before the date.
    </p>
    <ul class="entries">
      <li v-for="p in passages.data.value" :key="p.id">
        <button
          type="button"
          class="entry plain"
          @click="emit('select', { parts: p.parts, from: p.fromIndex, to: p.toIndex })"
        >
          <span class="body">
            <strong>{{ p.title }}</strong>
            <span class="where">measures {{ p.from }}–{{ p.to }} · {{ groupWords(p) }}</span>
            <span class="where"
              >{{ unitWords(p.start.unit) }} = {{ p.start.bpm }} to {{ unitWords(p.goal.unit) }} = {{ p.goal.bpm }} in
              {{ p.steps.length }} steps · by {{ shortDate(p.due) }}, {{ daysWords(p.daysLeft) }}</span
            >
          </span>
        </button>
        <div class="acts flat">
          <RouterLink :to="{ name: 'sheet', params: { passage: p.id } }">Section sheet</RouterLink>
          <AButton size="small" type="text" @click="takeBack(p)">Take back</AButton>
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped src="./station.css"></style>
<style scoped>
.what {
  font-weight: 600;
  margin: 0 0 8px;
}
.more {
  margin: 8px 0 12px;
}
.date {
  height: 32px;
  border: 1px solid #cfc4b2;
  border-radius: 3px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  padding: 0 8px;
}
.refused {
  color: var(--rosin);
}
.later {
  margin: 20px 0 6px;
}
.plain {
  grid-template-columns: 1fr;
}
.flat {
  padding-left: 0;
  align-items: center;
}
.undo {
  background: var(--paper);
  padding: 6px 10px;
}
</style>
