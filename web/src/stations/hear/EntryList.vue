<script setup lang="ts">
import { Button as AButton, Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { shortDate } from '../../common/dates'
import DayField from '../../common/DayField.vue'
import FormDialog from '../../common/FormDialog.vue'
import { unitWords } from '../../common/units'

/** What was logged of one player in one passage: each entry is corrected or taken back. */
type Entry = Schemas['LogView']
defineProps<{ entries: readonly Entry[] }>()
const fresh = [keys.log, keys.shelf, keys.season, keys.pieces] as const
const editing = ref<Entry | null>(null)
const form = ref({ bpm: 0, heard: '', note: '', clean: true })
const refused = ref('')
const busy = isBusy('correct entry')
const asRequest = (e: Entry): Schemas['LogRequest'] => ({
  passage: e.passage,
  player: e.player,
  unit: e.unit,
  bpm: e.bpm,
  heard: e.heard,
  note: e.note || null,
  clean: e.clean,
  version: e.version,
})
function edit(e: Entry) {
  form.value = { bpm: e.bpm, heard: e.heard, note: e.note, clean: e.clean }
  refused.value = ''
  editing.value = e
}
async function save() {
  const e = editing.value!
  const body = { ...asRequest(e), ...form.value, note: form.value.note || null }
  const done = await doAct({
    key: 'correct entry',
    run: () => fetched(api.PUT('/api/log/{entry}', { params: { path: { entry: e.id } }, body })),
    words: `The entry of ${e.playerName} is corrected.`,
    undo: () => ({ kind: 'logEdited', entry: e.id, before: asRequest(e) }),
    fresh,
    refused: (x) => (refused.value = (x as Error).message),
  })
  if (done) editing.value = null
}
const remove = (e: Entry) =>
  doAct({
    key: `entry ${e.id}`,
    run: async () => {
      await fetched(api.DELETE('/api/log/{entry}', { params: { path: { entry: e.id } } }))
      return true
    },
    words: `The entry of ${e.playerName} is taken back.`,
    undo: () => ({ kind: 'logRemoved', entry: e.id }),
    fresh,
  })
</script>

<template>
  <ul class="log">
    <li v-for="e in entries" :key="e.id">
      {{ shortDate(e.heard) }}: {{ unitWords(e.unit) }} = {{ e.bpm }}{{ e.clean ? '' : ', not clean' }}
      <span v-if="e.note" class="quiet">{{ e.note }}</span>
      <AButton size="small" type="text" :aria-label="`Correct the entry of ${shortDate(e.heard)}`" @click="edit(e)"
        >Correct</AButton
      >
      <AButton size="small" type="text" :aria-label="`Take back the entry of ${shortDate(e.heard)}`" @click="remove(e)"
        >Take back</AButton
      >
    </li>
  </ul>
  <FormDialog
    v-if="editing"
    :title="`Correct an entry of ${editing.playerName}`"
    ok-text="Save"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="editing = null"
  >
    <label class="field"
      >{{ unitWords(editing.unit) }} =
      <AInputNumber v-model:value="form.bpm" :min="1" :max="1000" aria-label="Beats a minute"
    /></label>
    <label><input v-model="form.clean" type="checkbox" /> it was clean</label>
    <label class="field">Heard on <DayField v-model="form.heard" required /></label>
    <label class="field">What to fix next <AInput v-model:value="form.note" :maxlength="200" /></label>
  </FormDialog>
</template>

<style scoped>
.log {
  list-style: none;
  margin: 2px 0 0;
  padding: 0;
  font-size: 13px;
}
</style>
