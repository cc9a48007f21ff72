<script setup lang="ts">
import { App as AApp, Button as AButton, Segmented as ASegmented } from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import { api, take, type Finding } from '../api/client'
import { useFindings, usePieceChange } from '../api/queries'
import StateWord from '../common/StateWord.vue'
import type { StationEvents, StationProps } from '.'
import { neighbour, useListKeys } from './useListKeys'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const findings = useFindings(id)
const { message } = AApp.useApp()
const show = ref<'missed' | 'all' | 'dismissed'>('missed')
const list = ref<HTMLElement>()

const partNames = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const here = computed(() => (findings.data.value ?? []).filter((f) => inSelection(f)))
const entries = computed(() =>
  here.value.filter((f) =>
    show.value === 'dismissed' ? f.dismissed : !f.dismissed && (show.value === 'all' || f.severity !== 'note'),
  ),
)
const quiet = computed(() => here.value.filter((f) => f.dismissed).length)

function inSelection(f: Finding): boolean {
  const s = props.selection
  return !s || (f.toIndex >= s.from && f.fromIndex <= s.to && f.parts.some((p) => s.parts.includes(p)))
}

function partsWords(f: Finding): string {
  if (f.parts.length === props.piece.parts.length && f.parts.length > 1) return 'all parts'
  const names = f.parts.map((p) => partNames.value.get(p) ?? p)
  return names.length <= 3 ? names.join(', ') : `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
}

const measures = (f: Finding) => (f.from === f.to ? f.from : `${f.from}–${f.to}`)

async function open(f: Finding) {
  emit('active', f.id)
  const shownAlready =
    f.parts.some((p) => props.shown.parts.includes(p)) && f.fromIndex >= props.shown.from && f.toIndex <= props.shown.to
  if (!shownAlready)
    emit('select', {
      parts: f.parts.slice(0, 3),
      from: Math.max(0, f.fromIndex - 1),
      to: Math.min(props.piece.measures.length - 1, f.toIndex + 2),
    })
}

const change = usePieceChange(id, (f: Finding) => {
  const at = { params: { path: { id: id.value, finding: f.id } } }
  return f.dismissed
    ? take(api.DELETE('/api/pieces/{id}/study/{finding}/dismissal', at))
    : take(api.PUT('/api/pieces/{id}/study/{finding}/dismissal', at))
})

async function dismiss(f: Finding) {
  await change.mutateAsync(f)
  message.info(f.dismissed ? 'Brought back.' : 'Dismissed in this piece; it is listed under Dismissed.')
}

watch(
  [entries, () => props.shown],
  () => {
    const s = props.shown
    const seen = entries.value
      .map((f, i) => ({ f, number: i + 1 }))
      .filter(({ f }) => f.toIndex >= s.from && f.fromIndex <= s.to && f.notes.length > 0)
    emit(
      'flags',
      seen.map(({ f, number }) => ({ id: f.id, number, notes: f.notes, label: f.title })),
    )
  },
  { immediate: true },
)
watch(
  () => props.active,
  async () => {
    await nextTick()
    list.value?.querySelector('[aria-current=true]')?.scrollIntoView({ block: 'nearest' })
  },
)

const step = (by: number) => {
  const f = neighbour(entries.value, props.active, by)
  if (f) void open(f)
}
useListKeys({ j: () => step(1), k: () => step(-1) })
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>What hides here</h2>
      <ASegmented
        v-model:value="show"
        size="small"
        :options="[
          { value: 'missed', label: 'Often missed' },
          { value: 'all', label: 'All' },
          { value: 'dismissed', label: `Dismissed ${quiet}` },
        ]"
      />
    </div>
    <p v-if="findings.isError.value" class="empty">{{ findings.error.value?.message }}</p>
    <p v-else-if="findings.data.value && entries.length === 0" class="empty">
      Nothing of this kind in the selection. Choose All, or clear the selection with Esc.
    </p>
    <ol ref="list" class="entries">
      <li v-for="(f, i) in entries" :key="f.id" :aria-current="f.id === active" :class="{ on: f.id === active }">
        <button type="button" class="entry" @click="open(f)">
          <span class="number">{{ i + 1 }}</span>
          <span class="body">
            <strong>{{ f.title }}</strong>
            <span class="where">measure {{ measures(f) }} · {{ partsWords(f) }}</span>
            <span class="why">{{ f.why }}</span>
          </span>
        </button>
        <div class="side">
          <StateWord :state="f.severity" />
          <AButton size="small" type="text" @click="dismiss(f)">{{ f.dismissed ? 'Bring back' : 'Dismiss' }}</AButton>
        </div>
      </li>
    </ol>
  </div>
</template>

<style scoped src="./station.css"></style>
