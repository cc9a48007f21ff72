<script setup lang="ts">
import { App as AApp, Button as AButton, Checkbox as ACheckbox, Modal as AModal } from 'ant-design-vue'
import { computed, nextTick, ref } from 'vue'
import { api, take, type Difference } from '../../api/client'
import { usePieceChange, useUndoAct } from '../../api/queries'
import { isMeant, kindWords, readingWords } from './readings'
import { tellError } from '../../common/tell'

/** The sure ones of the list at once: shows what will change, lets a line be left out, and is one act with one undo. */
const props = defineProps<{
  piece: number
  entries: readonly Difference[]
  kind: string
  names: ReadonlyMap<string, string>
}>()
const id = computed(() => props.piece)
const shown = ref(false)
const leftOut = ref(new Set<string>())
const { message } = AApp.useApp()
const sure = computed(() =>
  props.entries.filter(
    (d) => d.state === 'open' && d.rank === 'difference' && d.proposal.sure === 'sure' && !isMeant(d),
  ),
)
const wanted = computed(() => sure.value.filter((d) => !leftOut.value.has(d.id)))
const undo = useUndoAct(id)
const act = ref<{ act: number; count: number } | null>(null)
const decide = usePieceChange(id, () =>
  take(
    api.POST('/api/pieces/{id}/decisions/all', {
      params: { path: { id: id.value } },
      body: { kind: props.kind || null, differences: wanted.value.map((d) => d.id) },
    }),
  ),
)

function open() {
  leftOut.value = new Set()
  shown.value = sure.value.length > 0
  // Enter takes what is shown.
  void nextTick(() => setTimeout(() => document.querySelector<HTMLElement>('.sure-ones .ant-btn-primary')?.focus(), 60))
}
function mark(difference: string, isTaken: boolean) {
  const next = new Set(leftOut.value)
  if (isTaken) next.delete(difference)
  else next.add(difference)
  leftOut.value = next
}

async function accept() {
  const asked = wanted.value.length
  shown.value = false
  try {
    const made = await decide.mutateAsync(undefined)
    act.value = { act: made[0]!.act, count: made.length }
    const left = asked - made.length
    message.success(
      `${made.length} settled as proposed.${left > 0 ? ` ${left} contradict another and wait for you.` : ''}`,
    )
  } catch (e) {
    tellError(e)
  }
}

async function takeBack() {
  const last = act.value!
  await undo.mutateAsync(last.act)
  act.value = null
  message.info(`${last.count} undone: the parts print again what the edition has.`)
}
defineExpose({ open })
</script>

<template>
  <AButton v-if="act" size="small" @click="takeBack">Undo these {{ act.count }}</AButton>
  <AButton v-if="sure.length > 0" size="small" @click="open">Accept the {{ sure.length }} sure ones</AButton>
  <AModal
    v-model:open="shown"
    width="660px"
    :title="`Accept ${wanted.length} of ${sure.length} sure proposals`"
    :ok-text="`Accept ${wanted.length}`"
    :ok-button-props="{ disabled: wanted.length === 0 }"
    wrap-class-name="sure-ones"
    @ok="accept"
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
  </AModal>
</template>

<style scoped>
ul {
  max-height: 360px;
  overflow: auto;
  padding-left: 0;
  list-style: none;
}
</style>
