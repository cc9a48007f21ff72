<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys, useInstruments } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import type { AuditionSet, Entry } from '../queries'

/** Another instrument takes this etude: how it is read, and whether it lies in range. */
const props = defineProps<{ set: AuditionSet; entry: Entry }>()
const emit = defineEmits<{ close: [] }>()
const instruments = useInstruments()
const instrument = ref<string>()
const reading = ref<'written' | 'sounding'>('written')
const octaves = ref<number | 'proposed'>('proposed')
const refused = ref('')
const busy = isBusy('borrow')
const path = { set: props.set.id, entry: props.entry.id }
const readings = [
  { value: 'written', label: 'the same written notes' },
  { value: 'sounding', label: 'the same sound, written anew' },
] as const
const shifts = [
  { value: 'proposed', label: 'as proposed' },
  { value: 1, label: 'an octave higher' },
  { value: 0, label: 'as it stands' },
  { value: -1, label: 'an octave lower' },
] as const
const query = computed(() => ({
  instrument: instrument.value,
  reading: reading.value,
  octaves: octaves.value === 'proposed' ? undefined : octaves.value,
}))
const plan = useQuery({
  queryKey: computed(() => keys.auditionsOf(props.set.id, 'borrow', props.entry.id, query.value)),
  enabled: computed(() => instrument.value !== undefined),
  queryFn: () =>
    fetched(api.GET('/api/auditions/{set}/entries/{entry}/borrow', { params: { path, query: query.value } })),
})
const options = computed(() =>
  (instruments.data.value ?? [])
    .filter((i) => i.id !== props.entry.instrument)
    .map((i) => ({ value: i.id, label: i.name })),
)
const beyond = computed(() => [...new Set((plan.data.value?.beyond ?? []).map((b) => `${b.pitch} in ${b.measure}`))])

async function save() {
  if (!instrument.value) {
    refused.value = 'Choose who borrows it.'
    return
  }
  const had = new Set(props.set.entries.map((e) => e.id))
  const kept = await doAct({
    key: 'borrow',
    run: () =>
      fetched(
        api.POST('/api/auditions/{set}/entries/{entry}/borrow', {
          params: { path },
          body: { instrument: instrument.value!, reading: reading.value, octaves: query.value.octaves ?? null },
        }),
      ),
    words: `${options.value.find((o) => o.value === instrument.value)?.label} borrows ${props.entry.title}.`,
    undo: (s) => ({ kind: 'auditionPieceIn', set: props.set.id, entry: s.entries.find((e) => !had.has(e.id))!.id }),
    fresh: [keys.auditions, keys.shelf],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (kept) emit('close')
}
</script>

<template>
  <FormDialog
    :title="`Lend ${entry.title}`"
    ok-text="Lend it"
    width="520px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <div class="field">
      <span>To</span>
      <PickOne
        v-model:value="instrument"
        :options="options"
        label="Who borrows it"
        placeholder="choose an instrument"
      />
    </div>
    <div class="field">
      <span>It plays</span><PickOne v-model:value="reading" :options="readings" label="How it is read" />
    </div>
    <div class="field"><span>Octave</span><PickOne v-model:value="octaves" :options="shifts" label="Octave" /></div>
    <p v-if="plan.data.value" class="plan" role="status">
      {{ plan.data.value.why }}
      <template v-if="beyond.length">
        Outside: {{ beyond.slice(0, 8).join(', ') }}{{ beyond.length > 8 ? ' …' : '' }}.</template
      >
    </p>
    <p v-if="plan.isError.value" role="alert">{{ plan.error.value?.message }}</p>
    <p class="quiet small">The borrowed etude is a piece of its own, for the borrower's fingerings and range.</p>
  </FormDialog>
</template>

<style scoped>
.plan {
  margin: 0;
}
.small {
  margin: 0;
  font-size: 12.5px;
}
</style>
