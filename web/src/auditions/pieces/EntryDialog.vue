<script setup lang="ts">
import { Button as AButton, Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys, useInstruments } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import { useKinds, type AuditionSet, type Entry } from '../queries'

/** A piece of the set: for whom, what kind, what each round asks, at which tempo, and the errata. */
const props = defineProps<{ set: AuditionSet; entry: Entry }>()
const emit = defineEmits<{ close: [] }>()
const instruments = useInstruments()
const kinds = useKinds()
const fresh = [keys.auditions, keys.pieces, keys.shelf]
const instrument = ref(props.entry.instrument)
const kind = ref(props.entry.kind)
const slowest = ref(props.entry.slowest ?? undefined)
const quickest = ref(props.entry.quickest ?? undefined)
const errata = ref(props.entry.errata)
const asked = ref(
  props.set.rounds.map((r) => {
    const there = props.entry.asked.find((a) => a.round === r.id)
    return {
      round: r.id ?? 0,
      name: r.name ?? '',
      wanted: there !== undefined,
      from: there?.from ?? '',
      to: there?.to ?? '',
    }
  }),
)
const refused = ref('')
const busy = isBusy('audition piece')
const path = { params: { path: { set: props.set.id, entry: props.entry.id } } }
const before: Schemas['EntryEdit'] = { ...props.entry, version: null }
const options = computed(() => (instruments.data.value ?? []).map((i) => ({ value: i.id, label: i.name })))

async function save() {
  const body: Schemas['EntryEdit'] = {
    instrument: instrument.value,
    kind: kind.value,
    unit: props.entry.unit,
    slowest: slowest.value ?? null,
    quickest: quickest.value ?? null,
    errata: errata.value,
    asked: asked.value.filter((a) => a.wanted).map((a) => ({ round: a.round, from: a.from, to: a.to })),
    version: props.entry.version,
  }
  const kept = await doAct({
    key: 'audition piece',
    run: () => fetched(api.PUT('/api/auditions/{set}/entries/{entry}', { ...path, body })),
    words: `${props.entry.title} is changed.`,
    undo: () => ({ kind: 'auditionPiece', set: props.set.id, entry: props.entry.id, before }),
    fresh,
    refused: (e) => (refused.value = (e as Error).message),
    closes: true,
  })
  if (kept) emit('close')
}
async function leaveOut() {
  const done = await doAct({
    key: 'audition piece',
    run: async () => {
      await fetched(api.DELETE('/api/auditions/{set}/entries/{entry}', path))
      return true
    },
    words: `${props.entry.title} is out of the set; it stays on the shelf.`,
    undo: () => ({ kind: 'auditionPieceOut', set: props.set.id, entry: props.entry.id }),
    fresh,
  })
  if (done) emit('close')
}
</script>

<template>
  <FormDialog
    :title="entry.title"
    ok-text="Keep"
    width="560px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <div class="pair">
      <div class="field">
        <span>Instrument</span><PickOne v-model:value="instrument" :options="options" label="Instrument" />
      </div>
      <div class="field">
        <span>Kind</span>
        <PickOne
          v-model:value="kind"
          :options="(kinds.data.value ?? []).map((k) => ({ value: k.name, label: k.words }))"
          label="Kind"
        />
      </div>
    </div>
    <fieldset>
      <legend>Measures asked</legend>
      <div v-for="a in asked" :key="a.round" class="asked">
        <label><input v-model="a.wanted" type="checkbox" /> {{ a.name }}</label>
        <template v-if="a.wanted">
          <AInput
            v-model:value="a.from"
            placeholder="first"
            :aria-label="`First measure in ${a.name}`"
            :maxlength="8"
          />
          <span>to</span>
          <AInput v-model:value="a.to" placeholder="last" :aria-label="`Last measure in ${a.name}`" :maxlength="8" />
        </template>
        <span v-else class="quiet">does not ask for it</span>
      </div>
    </fieldset>
    <div class="pair">
      <label class="field"
        >From ♩ = <AInputNumber v-model:value="slowest" :min="1" :max="400" aria-label="Slowest tempo asked"
      /></label>
      <label class="field"
        >to ♩ = <AInputNumber v-model:value="quickest" :min="1" :max="400" aria-label="Quickest tempo asked"
      /></label>
    </div>
    <label class="field"
      >Errata <AInput v-model:value="errata" placeholder="what the organisers corrected" :maxlength="300"
    /></label>
    <template #left><AButton class="out" @click="leaveOut">Leave out of the set</AButton></template>
  </FormDialog>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
legend {
  padding: 0 0 4px;
  font-weight: 600;
}
.asked {
  display: grid;
  grid-template-columns: 170px 90px auto 90px;
  gap: 8px;
  align-items: center;
}
.out {
  margin-right: auto;
}
</style>
