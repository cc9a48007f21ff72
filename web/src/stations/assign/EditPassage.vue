<script setup lang="ts">
import { computed, ref } from 'vue'
import { isBusy } from '../../acts/useAct'
import type { Passage, Piece, Section } from '../../api/client'
import AskFirst from '../../common/AskFirst.vue'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import type { LadderAsk } from '../tempo/ladder'
import LadderForm from '../tempo/LadderForm.vue'
import PassageFields from './PassageFields.vue'
import { formOf, ladderOf, requestOf } from './passageForm'
import { usePassageActs } from './usePassageActs'

/** A passage that is handed out already: measures, tempos, date, people and words; what was logged stays. */
const props = defineProps<{ passage: Passage; piece: Piece; ensemble: readonly Section[] }>()
const emit = defineEmits<{ close: [] }>()
const { refused, asking, edit } = usePassageActs(computed(() => props.piece.id))
const form = ref(formOf(props.passage))
const ask = ref<LadderAsk>(ladderOf(props.passage))
const from = ref(props.passage.from)
const to = ref(props.passage.to)
const busy = isBusy(`passage ${props.passage.id}`)
const measures = computed(() => props.piece.measures.map((m) => ({ value: m, label: m })))

async function save() {
  const place = { parts: props.passage.parts, from: from.value, to: to.value }
  if (await edit(props.passage, requestOf(place, form.value, ask.value, props.passage.version))) emit('close')
}
</script>

<template>
  <FormDialog
    :title="passage.title"
    ok-text="Save"
    width="520px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <div class="measures">
      <div class="field">
        <span>From measure</span><PickOne v-model:value="from" label="From measure" :options="measures" />
      </div>
      <div class="field">
        <span>To measure</span><PickOne v-model:value="to" label="To measure" :options="measures" />
      </div>
    </div>
    <LadderForm :ask="ask" @type="ask = { ...ask, ...$event }" />
    <PassageFields v-model:form="form" :ensemble="ensemble" />
    <AskFirst
      v-if="asking"
      :questions="asking.questions"
      ok-text="Save all the same"
      @yes="asking.go()"
      @no="asking = null"
    />
  </FormDialog>
</template>

<style scoped>
.measures {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
