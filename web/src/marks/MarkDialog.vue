<script setup lang="ts">
import { Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../acts/useAct'
import { api, fetched, type Piece } from '../api/client'
import FormDialog from '../common/FormDialog.vue'
import PickOne from '../common/PickOne.vue'
import { useDraft } from '../common/useDraft'
import type { Shown } from '../views/piece/shownRange'
import { freshMark, markOf, markWords, whatToWrite, whoseWords } from './freeMark'

/** A mark or a remark of the director's own, written once for as many parts as wished, from any station. */
const props = defineProps<{ piece: Piece; shown: Shown }>()
const emit = defineEmits<{ close: [] }>()
const { draft, clear } = useDraft(`mark ${props.piece.id}`, freshMark)
const parts = ref(new Set(props.shown.parts))
const from = ref(props.piece.measures[props.shown.from]!)
const to = ref(props.piece.measures[props.shown.to]!)
const refused = ref('')
const busy = isBusy('mark')
const measures = computed(() => props.piece.measures.map((m) => ({ value: m, label: m })))
const choice = computed(() => whatToWrite.find((w) => w.value === draft.value.what)!)

function toggle(part: string) {
  const next = new Set(parts.value)
  if (!next.delete(part)) next.add(part)
  parts.value = next
}

async function write() {
  refused.value = ''
  const chosen = props.piece.parts.filter((p) => parts.value.has(p.id))
  const mark = markOf(draft.value)
  if (!mark) {
    refused.value = `Write ${choice.value.asks} first.`
    return
  }
  const isOne = draft.value.place === 'note'
  const done = await doAct({
    key: 'mark',
    run: () =>
      fetched(
        api.POST('/api/pieces/{id}/marks', {
          params: { path: { id: props.piece.id } },
          body: {
            parts: chosen.map((p) => p.id),
            from: from.value,
            fromBeat: isOne ? draft.value.beat : null,
            to: isOne ? null : to.value,
            [draft.value.act]: [mark],
          },
        }),
      ),
    words: `${markWords(draft.value)} ${draft.value.act === 'add' ? 'written into' : 'taken out of'} ${whoseWords(chosen)}.`,
    undo: (made) => ({ kind: 'decisions', piece: props.piece.id, act: made.act }),
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (!done) return
  clear()
  emit('close')
}
</script>

<template>
  <FormDialog
    title="Mark or remark"
    ok-text="Write it"
    width="560px"
    :busy="busy"
    :refused="refused"
    :disabled="parts.size === 0"
    @save="write"
    @close="emit('close')"
  >
    <div class="two">
      <div class="field">
        <span>What</span><PickOne v-model:value="draft.what" label="What to write" :options="whatToWrite" />
      </div>
      <div class="field">
        <span>Do</span>
        <PickOne
          v-model:value="draft.act"
          label="Add or take away"
          :options="[
            { value: 'add', label: 'add' },
            { value: 'remove', label: 'take away' },
          ]"
        />
      </div>
    </div>
    <label v-if="choice.asks" class="field"
      >{{ choice.label === 'remark' ? 'Remark, printed in letters and on sheets of these parts' : 'Words' }}
      <AInput v-model:value="draft.text" :maxlength="180" :placeholder="choice.example"
    /></label>
    <div class="three">
      <div class="field">
        <span>Where</span>
        <PickOne
          v-model:value="draft.place"
          label="Where"
          :options="[
            { value: 'range', label: 'the measures' },
            { value: 'note', label: 'one beat' },
          ]"
        />
      </div>
      <div class="field">
        <span>{{ draft.place === 'note' ? 'Measure' : 'From measure' }}</span>
        <PickOne v-model:value="from" label="From measure" :options="measures" />
      </div>
      <div v-if="draft.place === 'range'" class="field">
        <span>To measure</span><PickOne v-model:value="to" label="To measure" :options="measures" />
      </div>
      <label v-else class="field"
        >Beat <AInputNumber v-model:value="draft.beat" :min="1" :max="64" :step="0.5" aria-label="Beat"
      /></label>
    </div>
    <fieldset>
      <legend>Into</legend>
      <label v-for="p in piece.parts" :key="p.id">
        <input type="checkbox" :checked="parts.has(p.id)" @change="toggle(p.id)" /> {{ p.name || p.id }}
      </label>
    </fieldset>
  </FormDialog>
</template>

<style scoped>
.two,
.three {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.three {
  grid-template-columns: 1fr 1fr 1fr;
}
fieldset {
  border: 1px solid var(--line);
  border-radius: 3px;
  margin: 0;
  padding: 4px 10px 8px;
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 2px 10px;
  max-height: 180px;
  overflow: auto;
}
</style>
