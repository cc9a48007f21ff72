<script setup lang="ts">
import { Button as AButton, Input as AInput } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { isBusy } from '../../acts/useAct'
import { dayFromNow } from '../../common/dates'
import DayField from '../../common/DayField.vue'
import PickOne from '../../common/PickOne.vue'
import type { StationEvents, StationProps } from '..'
import { after, join, moveEnd, split, toggle, type CutPiece } from './cutDraft'
import CutEntry from './CutEntry.vue'
import CutRuler from './CutRuler.vue'
import { useCut } from './useCut'

/** Passages proposed from form and heat, shaped by hand, and handed out all at once to those who are seated. */
const props = defineProps<StationProps>()
const emit = defineEmits<Pick<StationEvents, 'show'>>()
const cut = useCut(
  computed(() => props.piece),
  computed(() => props.selection),
)
const { pieces, kept, asking, history } = cut
const longest = ref(16)
const lengths = [1, 2, 3, 4, 6, 8, 12, 16, 24].map((n) => ({
  value: n,
  label: n === 1 ? 'measure by measure' : `at most ${n} measures`,
}))
const due = ref(props.piece.due ?? dayFromNow(28))
const note = ref('Count the first measure aloud, then play.')
const refused = ref('')
const active = ref<string | null>(null)
const busy = isBusy('hand out many')
const nameOf = (id: string) => props.piece.parts.find((p) => p.id === id)?.name || id

// The ruler shows one part, with all that it has to learn.
const part = ref('')
const inCut = computed(() => props.piece.parts.filter((p) => pieces.value.some((x) => x.parts.includes(p.id))))
watch(inCut, (all) => part.value && !all.some((p) => p.id === part.value) && (part.value = ''))
const options = computed(() => [
  { value: '', label: 'All parts' },
  ...inCut.value.map((p) => ({ value: p.id, label: nameOf(p.id) })),
])
const shownPieces = computed(() => pieces.value.filter((p) => !part.value || p.parts.includes(part.value)))
const minutes = computed(() => kept.value.reduce((sum, p) => sum + p.minutes, 0))

function open(p: CutPiece) {
  active.value = p.key
  emit('show', { parts: [...p.parts], from: p.from, to: p.to })
}
let dragging = false
function move(key: string, to: number) {
  if (!dragging) cut.remember()
  dragging = true
  cut.change(moveEnd(pieces.value, key, to), false)
}
async function give() {
  refused.value = ''
  await cut.handOut(due.value, note.value, (e) => (refused.value = (e as Error).message))
}
</script>

<template>
  <div>
    <div class="row ask">
      <span class="long"><PickOne v-model:value="longest" :options="lengths" label="Longest passage" /></span>
      <AButton type="primary" :loading="asking" @click="cut.propose(longest)">Propose passages</AButton>
      <AButton v-if="history.length" @click="cut.back()">Back one step</AButton>
    </div>
    <p v-if="pieces.length === 0" class="quiet">
      {{ selection ? 'The selection' : 'The whole piece' }} is cut at phrases, letters and breaths: hard stretches
      short, one passage for all who share the line, and what returns only once.
    </p>
    <template v-else>
      <PickOne v-model:value="part" :options="options" label="Passages of" />
      <CutRuler
        v-if="part"
        :pieces="shownPieces"
        :measures="piece.measures"
        :active="active"
        @move="move"
        @done="dragging = false"
        @open="open"
      />
      <ul class="entries">
        <CutEntry
          v-for="p in shownPieces"
          :key="p.key"
          :passage="p"
          :measures="piece.measures"
          :name-of="nameOf"
          :on="p.key === active"
          :can-join="after(pieces, p) !== undefined"
          @open="open(p)"
          @join="cut.change(join(pieces, p.key))"
          @split="cut.change(split(pieces, p.key, $event))"
          @toggle="cut.change(toggle(pieces, p.key))"
        />
      </ul>
      <form class="form give" @submit.prevent="give">
        <p class="wide sum">
          {{ kept.length }} passages, about {{ minutes }} minutes of practice, each to those who are seated at its
          parts.
        </p>
        <label class="field">Ready by <DayField v-model="due" required /></label>
        <label class="field">A word to the players <AInput v-model:value="note" :maxlength="200" /></label>
        <p v-if="refused" class="refused wide" role="alert">{{ refused }}</p>
        <AButton class="wide" type="primary" html-type="submit" :loading="busy" :disabled="kept.length === 0"
          >Hand out {{ kept.length }} passages</AButton
        >
      </form>
    </template>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.ask {
  margin-bottom: 8px;
}
.long {
  width: 170px;
}
.give {
  position: sticky;
  bottom: 0;
  background: var(--card);
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
.sum {
  margin: 0;
  font-weight: 600;
}
.refused {
  color: var(--rosin);
  margin: 0;
}
</style>
