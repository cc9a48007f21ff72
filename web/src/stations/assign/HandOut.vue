<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { isBusy } from '../../acts/useAct'
import type { Passage } from '../../api/client'
import { useEnsemble, usePassages } from '../../api/queries'
import AskFirst from '../../common/AskFirst.vue'
import { daysWords, shortDate } from '../../common/dates'
import { useDraft } from '../../common/useDraft'
import { neighbour, useStationKeys } from '../../keys/useKeys'
import PathDialog from '../../practice/PathDialog.vue'
import { selectionWords } from '../../selection'
import { unitWords } from '../../common/units'
import type { StationEvents, StationProps } from '..'
import LadderForm from '../tempo/LadderForm.vue'
import { useLadderAsk } from '../tempo/ladder'
import { useWindow } from '../tempo/useWindow'
import EditPassage from './EditPassage.vue'
import PassageFields from './PassageFields.vue'
import { freshPassage, requestOf } from './passageForm'
import { usePassageActs } from './usePassageActs'

const props = defineProps<StationProps>()
const emit = defineEmits<Pick<StationEvents, 'show' | 'active'>>()
const id = computed(() => props.piece.id)
const from = computed(() => props.piece.measures[props.shown.from]!)
const tempos = useLadderAsk(id, from)
// The first tempo and the goal are those of the window, as in Tempo.
const window = useWindow(
  computed(() => ({
    piece: id.value,
    part: props.shown.whole.parts[0]!,
    from: from.value,
    to: props.piece.measures[props.shown.whole.to]!,
  })),
)
watch(window.data, (w) => w && !window.isPlaceholderData.value && tempos.window(w), { immediate: true })
const ensemble = useEnsemble()
const passages = usePassages(id)
const { refused, asking, handOut, takeBack } = usePassageActs(id)
const busy = isBusy('hand out')
const { draft, clear } = useDraft(`passage ${props.piece.id}`, freshPassage)
const editing = ref<Passage | null>(null)
const pathOf = ref<Passage | null>(null)

const partNames = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const words = computed(() => selectionWords(props.selection, props.piece.measures, partNames.value))
const people = computed(() => ensemble.data.value ?? [])
const list = computed(() => (passages.data.value ?? []).map((p) => ({ ...p, key: p.id, id: `passage ${p.id}` })))

function whose(p: Passage) {
  const players = people.value.flatMap((s) => s.players)
  return [
    ...p.sections.map((s) => people.value.find((x) => x.id === s)?.name),
    ...p.players.map((x) => players.find((o) => o.id === x)?.name),
  ]
    .filter(Boolean)
    .join(', ')
}

async function give() {
  const s = props.selection
  if (!s || busy.value) return
  const { measures } = props.piece
  const place = { parts: s.parts, from: measures[s.from]!, to: measures[s.to]! }
  if (await handOut(requestOf(place, draft.value, tempos.ask, null))) clear()
}
function open(p: { id: string; parts: readonly string[]; fromIndex: number; toIndex: number }) {
  emit('active', p.id)
  emit('show', { parts: [...p.parts], from: p.fromIndex, to: p.toIndex })
}
const step = (by: number) => {
  const p = neighbour(list.value, props.active, by)
  if (p) open(p)
}
const current = () => passages.data.value?.find((p) => `passage ${p.id}` === props.active)
useStationKeys('assign', {
  next: () => step(1),
  previous: () => step(-1),
  handOut: () => void give(),
  edit: () => (editing.value = current() ?? null),
  takeBack: () => {
    const p = current()
    if (p) void takeBack(p)
  },
})
</script>

<template>
  <div>
    <div class="row head"><h2>Hand out a passage</h2></div>
    <p v-if="!selection" class="quiet">
      Drag over the strip to cut a passage: parts and measures. Then give it a date.
    </p>
    <form v-else @submit.prevent="give">
      <p class="what">{{ words }}</p>
      <LadderForm :ask="tempos.ask" @type="tempos.type" />
      <PassageFields v-model:form="draft" :ensemble="people" />
      <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
      <AButton type="primary" html-type="submit" :loading="busy">Hand out</AButton>
    </form>
    <h3 class="later">Handed out</h3>
    <p v-if="list.length === 0" class="quiet">Nothing yet. Begin with the hardest passage, months before the date.</p>
    <ul class="entries">
      <li
        v-for="(p, i) in passages.data.value"
        :key="p.id"
        :aria-current="list[i]!.id === active"
        :class="{ on: list[i]!.id === active }"
      >
        <button type="button" class="entry plain" @click="open(list[i]!)">
          <span class="body">
            <strong>{{ p.title }}</strong>
            <span class="where">measures {{ p.from }}–{{ p.to }} · {{ whose(p) }}</span>
            <span class="where"
              >{{ unitWords(p.start.unit) }} = {{ p.start.bpm }} to {{ unitWords(p.goal.unit) }} = {{ p.goal.bpm }} in
              {{ p.steps.length }} steps · by {{ shortDate(p.due) }}, {{ daysWords(p.daysLeft) }}</span
            >
          </span>
        </button>
        <div class="acts flat">
          <RouterLink :to="{ name: 'sheet', params: { passage: p.id } }">Section sheet</RouterLink>
          <AButton size="small" type="text" :aria-label="`Practice path of ${p.title}`" @click="pathOf = p"
            >Practice path</AButton
          >
          <AButton size="small" type="text" :aria-label="`Edit ${p.title}`" @click="editing = p">Edit</AButton>
          <AButton size="small" type="text" :aria-label="`Take back ${p.title}`" @click="takeBack(p)"
            >Take back</AButton
          >
        </div>
      </li>
    </ul>
    <AskFirst
      v-if="asking"
      :questions="asking.questions"
      ok-text="Hand out all the same"
      @yes="asking.go()"
      @no="asking = null"
    />
    <PathDialog v-if="pathOf" :passage="pathOf" @close="pathOf = null" />
    <EditPassage v-if="editing" :passage="editing" :piece="piece" :ensemble="people" @close="editing = null" />
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.what {
  font-weight: 600;
  margin: 0 0 8px;
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
</style>
