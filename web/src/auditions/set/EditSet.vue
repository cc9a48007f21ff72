<script setup lang="ts">
import { Input as AInput } from 'ant-design-vue'
import { ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import type { AuditionSet } from '../queries'
import type { RoundDraft } from './draft'
import RoundFields from './RoundFields.vue'

/** Name and rounds of a set. */
const props = defineProps<{ set: AuditionSet }>()
const emit = defineEmits<{ close: [] }>()
const name = ref(props.set.name)
const rounds = ref<RoundDraft[]>(
  props.set.rounds.map((r) => ({
    id: r.id ?? 0,
    name: r.name ?? '',
    held: r.held,
    way: r.way ?? 'live',
    screened: r.screened ?? false,
  })),
)
const refused = ref('')
const busy = isBusy('edit set')

async function save() {
  const before = { name: props.set.name, rounds: props.set.rounds, version: null }
  const kept = await doAct({
    key: 'edit set',
    run: () =>
      fetched(
        api.PUT('/api/auditions/{set}', {
          params: { path: { set: props.set.id } },
          body: { name: name.value, rounds: rounds.value, version: props.set.version },
        }),
      ),
    words: (s) => `${s.name} is changed.`,
    undo: () => ({ kind: 'setEdited', set: props.set.id, before }),
    fresh: [keys.auditions],
    refused: (e) => (refused.value = (e as Error).message),
    closes: true,
  })
  if (kept) emit('close')
}
</script>

<template>
  <FormDialog
    title="Name and rounds"
    ok-text="Keep"
    width="760px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <label class="field">Name <AInput v-model:value="name" :maxlength="120" /></label>
    <RoundFields v-model:rounds="rounds" />
  </FormDialog>
</template>
