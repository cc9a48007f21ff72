<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys, useEnsemble } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import type { AuditionSet } from '../queries'
import { choices, wanted, type Choice } from './pick'

/** Who auditions on which instrument of the set. */
const props = defineProps<{ set: AuditionSet }>()
const emit = defineEmits<{ close: [] }>()
const ensemble = useEnsemble()
const all = ref<Choice[]>([])
const refused = ref('')
const busy = isBusy('candidates')
const instruments = computed(() =>
  [...new Map(props.set.entries.map((e) => [e.instrument, e.instrumentName]))].map(([value, label]) => ({
    value,
    label,
  })),
)
watch(
  () => ensemble.data.value,
  (sections) => sections && (all.value = choices(sections, props.set)),
  { immediate: true },
)
const mark = (to: boolean) => all.value.forEach((c) => (c.wanted = to))

async function save() {
  const before = props.set.candidates.map((c) => ({ player: c.player, instrument: c.instrument }))
  const kept = await doAct({
    key: 'candidates',
    run: () =>
      fetched(
        api.PUT('/api/auditions/{set}/candidates', {
          params: { path: { set: props.set.id } },
          body: { candidates: wanted(all.value), version: props.set.version },
        }),
      ),
    words: (s) => `${s.candidates.length} audition.`,
    undo: () => ({ kind: 'candidates', set: props.set.id, before }),
    fresh: [keys.auditions],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (kept) emit('close')
}
</script>

<template>
  <FormDialog
    title="Who auditions"
    ok-text="Keep"
    width="620px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <p v-if="all.length === 0" class="quiet">
      Nobody in the ensemble plays an instrument of this set. Add players under Ensemble.
    </p>
    <ul v-else class="people">
      <li v-for="c in all" :key="c.player">
        <label
          ><input v-model="c.wanted" type="checkbox" /> {{ c.name }} <small class="quiet">{{ c.section }}</small></label
        >
        <PickOne v-model:value="c.instrument" :options="instruments" :label="`${c.name} auditions on`" />
      </li>
    </ul>
    <template #left>
      <span class="marks"
        ><AButton size="small" @click="mark(true)">All</AButton>
        <AButton size="small" @click="mark(false)">None</AButton></span
      >
    </template>
  </FormDialog>
</template>

<style scoped>
.people {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 420px;
  overflow: auto;
}
.people li {
  display: grid;
  grid-template-columns: 1fr 200px;
  gap: 10px;
  align-items: center;
  padding: 2px 0;
}
.marks {
  margin-right: auto;
}
</style>
