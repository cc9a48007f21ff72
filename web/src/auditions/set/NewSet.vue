<script setup lang="ts">
import { Button as AButton, Input as AInput, Spin as ASpin } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import type { Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { dayFromNow } from '../../common/dates'
import FormDialog from '../../common/FormDialog.vue'
import { isUnsure, joined, lacking, rowsOf, setBody, type FileRow, type RoundDraft } from './draft'
import FileTable from './FileTable.vue'
import RoundFields from './RoundFields.vue'
import { sendFiles } from './send'

/** A set from a folder of files dropped at once: proposed, corrected in one table, kept as one act. */
const emit = defineEmits<{ close: [set: number | null] }>()
const name = ref('')
const rounds = ref<RoundDraft[]>([
  { id: 0, name: 'First round', held: dayFromNow(28), way: 'one-take', screened: true },
])
const rows = ref<FileRow[]>([])
const reading = ref(false)
const over = ref(false)
const refused = ref('')
const input = ref<HTMLInputElement>()
const busy = isBusy('new set')
const looks = computed(() => rows.value.filter(isUnsure).length)

async function drop(list: FileList | null | undefined) {
  const files = [...(list ?? [])]
  over.value = false
  if (files.length === 0) return
  reading.value = true
  refused.value = ''
  try {
    const guesses = await sendFiles<Schemas['GuessView'][]>('/api/auditions/preview', files)
    rows.value = joined(rows.value, rowsOf(files, guesses))
  } catch (e) {
    refused.value = (e as Error).message
  }
  reading.value = false
  if (input.value) input.value.value = ''
}

async function save() {
  refused.value = lacking(name.value, rounds.value, rows.value)
  if (refused.value) return
  const files = rows.value.filter((r) => r.wanted).map((r) => r.file)
  const set = JSON.stringify(setBody(name.value, rounds.value, rows.value))
  const made = await doAct({
    key: 'new set',
    run: () => sendFiles<Schemas['AuditionView']>('/api/auditions', files, { set }),
    words: (s) => `${s.name} holds ${s.entries.length} pieces.`,
    undo: (s) => ({ kind: 'setMade', set: s.id }),
    fresh: [keys.auditions, keys.shelf],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (made) emit('close', made.id)
}
</script>

<template>
  <FormDialog
    title="New audition set"
    ok-text="Make the set"
    width="920px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close', null)"
  >
    <label class="field"
      >Name <AInput v-model:value="name" placeholder="as the audition is called" :maxlength="120"
    /></label>
    <RoundFields v-model:rounds="rounds" />
    <section
      class="drop"
      :class="{ over }"
      aria-label="Files of the set"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="drop($event.dataTransfer?.files)"
    >
      <AButton :disabled="reading" @click="input?.click()">Choose files</AButton>
      <span class="quiet">or drop all etudes, excerpts and scales here at once: MusicXML</span>
      <ASpin v-if="reading" size="small" />
      <input
        ref="input"
        type="file"
        multiple
        class="visually-hidden"
        accept=".musicxml,.xml,.mxl"
        tabindex="-1"
        aria-label="Audition files"
        @change="drop(input?.files)"
      />
    </section>
    <template v-if="rows.length">
      <p class="count" role="status">
        {{ rows.length }} {{ rows.length === 1 ? 'file' : 'files' }};
        {{ looks === 0 ? 'nothing needs a look' : `${looks} to look at` }}.
      </p>
      <FileTable :rows="rows" />
    </template>
  </FormDialog>
</template>

<style scoped>
.drop {
  display: flex;
  gap: 10px;
  align-items: center;
  border: 1px dashed var(--edge);
  border-radius: 4px;
  padding: 12px;
}
.drop.over {
  border-color: var(--plum);
  background: var(--paper);
}
.count {
  margin: 0;
}
</style>
