<script setup lang="ts">
import { App as AApp, Button as AButton, Modal as AModal } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, take, type Difference } from '../../api/client'
import { usePieceChange, useUndoAct } from '../../api/queries'
import { kindWords, readingWords } from './readings'
import { tellError } from '../../common/tell'

/** All open differences of one kind at once, with a preview of what will change. */
const props = defineProps<{
  piece: number
  entries: readonly Difference[]
  kind: string
  names: ReadonlyMap<string, string>
}>()
const id = computed(() => props.piece)
const shown = ref(false)
const { message } = AApp.useApp()
const wanted = computed(() => props.entries.filter((d) => d.state === 'open' && d.rank === 'difference'))
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

async function accept() {
  shown.value = false
  try {
    const made = await decide.mutateAsync(undefined)
    act.value = { act: made[0]!.act, count: made.length }
    message.success(`${made.length} settled as proposed.`)
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
</script>

<template>
  <AButton v-if="act" size="small" @click="takeBack">Undo these {{ act.count }}</AButton>
  <AButton v-if="wanted.length > 1" size="small" @click="shown = true">Accept these {{ wanted.length }}</AButton>
  <AModal
    v-model:open="shown"
    width="620px"
    :title="`Accept ${wanted.length} proposals`"
    ok-text="Accept all"
    @ok="accept"
  >
    <ul tabindex="0" aria-label="What will change">
      <li v-for="d in wanted" :key="d.id">
        <b>{{ d.from === d.to ? d.from : `${d.from}–${d.to}` }}</b> {{ kindWords(d.kind) }}:
        {{ readingWords(d.kind, d.proposal.mark) }} into
        {{ d.proposal.parts.map((p) => names.get(p) ?? p).join(', ') }}
      </li>
    </ul>
  </AModal>
</template>

<style scoped>
ul {
  max-height: 360px;
  overflow: auto;
  padding-left: 18px;
}
</style>
