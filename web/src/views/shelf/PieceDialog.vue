<script setup lang="ts">
import PickOne from '../../common/PickOne.vue'
import { Input as AInput, Modal as AModal } from 'ant-design-vue'
import { ref } from 'vue'
import { api, isStale, take, type ShelfPiece } from '../../api/client'

const props = defineProps<{ piece: ShelfPiece }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const title = ref(props.piece.title)
const kind = ref(props.piece.kind)
const etudeSet = ref(props.piece.etudeSet ?? '')
const due = ref(props.piece.due ?? '')
const refused = ref('')

async function save() {
  try {
    await take(
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
    )
    emit('saved')
    emit('close')
  } catch (e) {
    refused.value = (e as Error).message
    // What stands now is behind the dialog, to be opened anew.
    if (isStale(e)) emit('saved')
  }
}
</script>

<template>
  <AModal open title="Title and date" ok-text="Save" width="420px" @ok="save" @cancel="emit('close')">
    <div class="grid">
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
      <label v-if="kind === 'etude'" class="field"
        >Etude set <AInput v-model:value="etudeSet" :maxlength="120"
      /></label>
      <label class="field">Concert or audition <input v-model="due" type="date" class="date" /></label>
      <p v-if="refused" role="alert">{{ refused }}</p>
    </div>
  </AModal>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 10px;
}
.date {
  height: 32px;
  border: 1px solid #cfc4b2;
  border-radius: 3px;
  background: var(--card);
  font: inherit;
  padding: 0 8px;
}
</style>
