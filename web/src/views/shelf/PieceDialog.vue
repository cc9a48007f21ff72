<script setup lang="ts">
import { Input as AInput } from 'ant-design-vue'
import { ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type ShelfPiece } from '../../api/client'
import DayField from '../../common/DayField.vue'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'

const props = defineProps<{ piece: ShelfPiece }>()
const emit = defineEmits<{ close: [] }>()
const title = ref(props.piece.title)
const kind = ref(props.piece.kind)
const etudeSet = ref(props.piece.etudeSet ?? '')
const due = ref(props.piece.due ?? '')
const refused = ref('')
const busy = isBusy('piece')

async function save() {
  const { title: t, kind: k, etudeSet: set, due: day, version } = props.piece
  const done = await doAct({
    key: 'piece',
    run: () =>
      fetched(
        api.PUT('/api/pieces/{id}', {
          params: { path: { id: props.piece.id } },
          body: {
            title: title.value,
            kind: kind.value,
            etudeSet: etudeSet.value || null,
            due: due.value || null,
            version: props.piece.version,
          },
        }),
      ),
    words: `${title.value} is changed.`,
    undo: () => ({
      kind: 'pieceEdited',
      piece: props.piece.id,
      before: { title: t, kind: k, etudeSet: set, due: day, version },
    }),
    refused: (e) => (refused.value = (e as Error).message),
    closes: true,
  })
  if (done) emit('close')
}
</script>

<template>
  <FormDialog title="Title and date" ok-text="Save" :busy="busy" :refused="refused" @save="save" @close="emit('close')">
    <label class="field">Title <AInput v-model:value="title" :maxlength="200" /></label>
    <div class="field">
      <span>Kind</span>
      <PickOne
        v-model:value="kind"
        label="Kind"
        :options="[
          { value: 'piece', label: 'ensemble piece' },
          { value: 'etude', label: 'audition etude' },
        ]"
      />
    </div>
    <label v-if="kind === 'etude'" class="field">Etude set <AInput v-model:value="etudeSet" :maxlength="120" /></label>
    <label class="field">Concert or audition <DayField v-model="due" /></label>
  </FormDialog>
</template>
