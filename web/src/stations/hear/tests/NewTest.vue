<script setup lang="ts">
import { Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { doAct, isBusy } from '../../../acts/useAct'
import { api, fetched, type Piece } from '../../../api/client'
import { keys, usePassages } from '../../../api/queries'
import { dayFromNow } from '../../../common/dates'
import DayField from '../../../common/DayField.vue'
import FormDialog from '../../../common/FormDialog.vue'
import PickOne from '../../../common/PickOne.vue'
import { unitWords } from '../../../common/units'
import { useCriteria } from './queries'

/** A test to hold: passage, tempo, day, and what it listens for. */
const props = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ close: [] }>()
const passages = usePassages(computed(() => props.piece.id))
const criteria = useCriteria()
const passage = ref<number>()
const title = ref('')
const bpm = ref<number>()
const held = ref(dayFromNow(0))
const list = ref<'passage' | 'scales'>('passage')
const asUsual = ref(true)
const weights = ref<Record<string, number>>({})
const refused = ref('')
const busy = isBusy('new test')
const chosen = computed(() => passages.data.value?.find((p) => p.id === passage.value))
const shown = computed(() => (criteria.data.value ?? []).filter((c) => c.forScales === (list.value === 'scales')))
watch(
  () => criteria.data.value,
  (all) => (weights.value = Object.fromEntries((all ?? []).map((c) => [c.name, c.weight]))),
  { immediate: true },
)
watch(chosen, (p) => (bpm.value = p?.goal.bpm))
watch(
  () => passages.data.value,
  (all) => (passage.value ??= all?.[0]?.id),
  { immediate: true },
)
const lists = [
  { value: 'passage', label: 'a passage' },
  { value: 'scales', label: 'scales' },
] as const
const own = () => shown.value.map((c) => ({ name: c.name, weight: weights.value[c.name] ?? 1 }))

async function save() {
  if (!chosen.value) {
    refused.value = 'Choose a passage. Hand one out under Assign first.'
    return
  }
  const body = {
    passage: chosen.value.id,
    title: title.value || null,
    unit: chosen.value.goal.unit,
    bpm: bpm.value ?? null,
    held: held.value,
    weights: own(),
    version: null,
  }
  const made = await doAct({
    key: 'new test',
    run: () => fetched(api.POST('/api/tests', { body })),
    words: (t) => `“${t.title}” is ready. Print its sheet, or enter marks.`,
    undo: (t) => ({ kind: 'testHeld', test: t.id }),
    fresh: [keys.tests],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (made && asUsual.value) await keepWeights()
  if (made) emit('close')
}
// The weights of this test are the school's from now on.
async function keepWeights() {
  const before = (criteria.data.value ?? []).map((c) => ({ name: c.name, weight: c.weight }))
  const after = own()
  if (after.every((w) => before.find((b) => b.name === w.name)?.weight === w.weight)) return
  await doAct({
    key: 'weights',
    run: () => fetched(api.PUT('/api/test-criteria', { body: after })),
    words: 'The school weighs its tests so from now on.',
    undo: () => ({ kind: 'weighed', before }),
    fresh: [keys.tests],
  })
}
</script>

<template>
  <FormDialog
    title="New test"
    ok-text="Make the test"
    width="520px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <div class="field">
      <span>Passage</span
      ><PickOne
        v-model:value="passage"
        label="Passage"
        :options="(passages.data.value ?? []).map((p) => ({ value: p.id, label: `${p.title}, ${p.from}–${p.to}` }))"
      />
    </div>
    <label class="field"
      >Title <AInput v-model:value="title" placeholder="made from the passage" :maxlength="120"
    /></label>
    <label class="field"
      >{{ unitWords(chosen?.goal.unit ?? 'quarter') }} =
      <AInputNumber v-model:value="bpm" :min="1" :max="1000" aria-label="Tempo of the test"
    /></label>
    <label class="field">Held on <DayField v-model="held" required /></label>
    <div class="field"><span>It hears</span><PickOne v-model:value="list" :options="lists" label="It hears" /></div>
    <table class="weights">
      <caption>
        Weights; 0 leaves one out
      </caption>
      <tbody>
        <tr v-for="c in shown" :key="c.name">
          <th scope="row">{{ c.words }}</th>
          <td>
            <AInputNumber v-model:value="weights[c.name]" :min="0" :max="10" :aria-label="`Weight of ${c.words}`" />
          </td>
        </tr>
      </tbody>
    </table>
    <label><input v-model="asUsual" type="checkbox" /> use these weights in later tests too</label>
  </FormDialog>
</template>

<style scoped>
.weights {
  border-collapse: collapse;
}
caption {
  text-align: left;
  font-size: 12.5px;
  color: var(--slate);
}
th {
  text-align: left;
  font-weight: 400;
  padding-right: 14px;
}
</style>
