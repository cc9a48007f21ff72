<script setup lang="ts">
import { Button as AButton, InputNumber as AInputNumber } from 'ant-design-vue'
import { ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import PickOne from '../../common/PickOne.vue'
import { units, unitWords } from '../../common/units'

/** Where no tempo is printed the page asks once: the answer is written over the first note, as a decision of the piece. */
const props = defineProps<{ piece: number; part: string; unit: string }>()
const unit = ref(props.unit)
const bpm = ref<number>()
const key = `tempo of ${props.piece}`
const busy = isBusy(key)
// As it is printed where the fonts have a sign; the other units are written out.
const printed: Record<string, string> = {
  quarter: '♩',
  eighth: '♪',
  'dotted-quarter': '♩.',
  'dotted-eighth': '♪.',
}
const options = units.map((u) => ({ value: u, label: unitWords(u) }))

async function write() {
  const path = { id: props.piece, part: props.part }
  const notes = await fetched(api.GET('/api/pieces/{id}/parts/{part}/notes', { params: { path } }))
  const first = notes.find((n) => !n.rest && !n.grace)
  if (!first) throw new Error('This part plays nothing: choose another one.')
  return fetched(
    api.POST('/api/pieces/{id}/decisions', {
      params: { path: { id: props.piece } },
      body: {
        keep: false,
        alike: false,
        part: props.part,
        notes: [first.id],
        add: [`words:${printed[unit.value] ?? unitWords(unit.value)} = ${bpm.value}`],
      },
    }),
  )
}

const keep = () =>
  doAct({
    key,
    run: write,
    words: `${unitWords(unit.value)} = ${bpm.value} is the tempo of this piece.`,
    undo: (made) => ({ kind: 'decisions', piece: props.piece, act: made.act }),
  })
</script>

<template>
  <form class="ask" aria-label="Tempo of the piece" @submit.prevent="bpm && keep()">
    <p>No tempo is printed here. At which one will it be played?</p>
    <div class="row">
      <PickOne v-model:value="unit" :options="options" label="Unit of the tempo" />
      <AInputNumber v-model:value="bpm" :min="20" :max="400" aria-label="Beats per minute of the piece" />
      <AButton html-type="submit" :disabled="busy">Keep it</AButton>
    </div>
  </form>
</template>

<style scoped>
.ask {
  margin: 8px 0;
  padding: 8px 10px;
  background: var(--paper);
  border-left: 3px solid var(--brass);
}
.ask p {
  margin: 0 0 6px;
}
.row {
  display: grid;
  grid-template-columns: 1fr 92px auto;
  gap: 8px;
}
</style>
