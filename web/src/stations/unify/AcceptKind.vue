<script setup lang="ts">
import { Button as AButton, Checkbox as ACheckbox } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useActs } from '../../acts/store'
import { doAct, isBusy, undoAct } from '../../acts/useAct'
import { api, fetched, type Difference } from '../../api/client'
import FormDialog from '../../common/FormDialog.vue'
import { isMeant, kindWords, readingWords } from './readings'

/** The sure ones of the list at once: shows what will change, lets a line be left out, and is one act with one undo. */
const props = defineProps<{
  piece: number
  entries: readonly Difference[]
  kind: string
  names: ReadonlyMap<string, string>
}>()
const acts = useActs()
const shown = ref(false)
const leftOut = ref(new Set<string>())
const busy = isBusy('sure ones')
const sure = computed(() =>
  props.entries.filter(
    (d) => d.state === 'open' && d.rank === 'difference' && d.proposal.sure === 'sure' && !isMeant(d),
  ),
)
const wanted = computed(() => sure.value.filter((d) => !leftOut.value.has(d.id)))
const made = ref<{ act: number; count: number } | null>(null)
const inList = computed(() =>
  acts.list.find((d) => d.undo?.kind === 'decisions' && d.undo.piece === props.piece && d.undo.act === made.value?.act),
)

function open() {
  leftOut.value = new Set()
  shown.value = sure.value.length > 0
}
function mark(difference: string, isTaken: boolean) {
  const next = new Set(leftOut.value)
  if (isTaken) next.delete(difference)
  else next.add(difference)
  leftOut.value = next
}

async function accept() {
  const asked = wanted.value.map((d) => d.id)
  shown.value = false
  const done = await doAct({
    key: 'sure ones',
    run: () =>
      fetched(
        api.POST('/api/pieces/{id}/decisions/all', {
          params: { path: { id: props.piece } },
          body: { kind: props.kind || null, differences: asked },
        }),
      ),
    words: (list) => {
      const left = asked.length - list.length
      return `${list.length} settled as proposed.${left > 0 ? ` ${left} contradict another and wait for you.` : ''}`
    },
    undo: (list) => ({ kind: 'decisions', piece: props.piece, act: list[0]!.act }),
  })
  if (done) made.value = { act: done[0]!.act, count: done.length }
}
defineExpose({ open })
</script>

<template>
  <AButton v-if="made && inList" size="small" @click="undoAct(inList)">Undo these {{ made.count }}</AButton>
  <AButton v-if="sure.length > 0" size="small" :loading="busy" @click="open"
    >Accept the {{ sure.length }} sure ones</AButton
  >
  <FormDialog
    v-if="shown"
    width="660px"
    :title="`Accept ${wanted.length} of ${sure.length} sure proposals`"
    :ok-text="`Accept ${wanted.length}`"
    :disabled="wanted.length === 0"
    start="save"
    @save="accept"
    @close="shown = false"
  >
    <ul tabindex="0" aria-label="What will change">
      <li v-for="d in sure" :key="d.id">
        <ACheckbox :checked="!leftOut.has(d.id)" @update:checked="mark(d.id, $event)">
          <b>{{ d.from === d.to ? d.from : `${d.from}–${d.to}` }}</b>
          {{ d.kind === 'slur' ? '' : `${kindWords(d.kind)}: ` }}{{ readingWords(d.kind, d.proposal.mark) }} into
          {{ d.proposal.parts.map((p) => names.get(p) ?? p).join(', ') }}
        </ACheckbox>
      </li>
    </ul>
  </FormDialog>
</template>

<style scoped>
ul {
  max-height: 360px;
  overflow: auto;
  padding-left: 0;
  list-style: none;
}
</style>
