<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Finding } from '../../api/client'
import { useFindings } from '../../api/queries'
import { neighbour, useStationKeys } from '../../keys/useKeys'
import type { StationEvents, StationProps } from '..'
import FindingEntry from './FindingEntry.vue'
import FindingFilters from './FindingFilters.vue'
import { inSelection, listed, noFilter, type FindingFilter } from './findings'
import RewordDialog from './RewordDialog.vue'
import { useFindingActs, type Scope } from './useFindingActs'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const findings = useFindings(id)
const filter = ref<FindingFilter>({ ...noFilter })
const list = ref<HTMLElement>()
const rewording = ref<Finding | null>(null)

const partNames = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const names = (ids: readonly string[]) => ids.map((p) => partNames.value.get(p) ?? p).join(', ')
const here = computed(() => (findings.data.value ?? []).filter((f) => inSelection(f, props.selection)))
const entries = computed(() => listed(here.value, filter.value))
const letter = computed(() => props.selection?.parts[0] ?? props.piece.parts[0]?.id)
const waiting = computed(() => entries.value.filter((f) => f.review === null))

function whose(f: Finding): string {
  if (f.parts.length === props.piece.parts.length && f.parts.length > 1) return 'all parts'
  if (f.parts.length <= 3) return names(f.parts)
  return `${names(f.parts.slice(0, 2))} and ${f.parts.length - 2} more`
}
const acts = useFindingActs(id, whose)

function open(f: Finding) {
  emit('active', f.id)
  const { from, to, parts } = props.shown
  const isInside = f.fromIndex >= from && f.toIndex <= to
  // What holds for more than is shown is seen from anywhere in it.
  const isAllOver = f.fromIndex <= from && f.toIndex >= to
  const shownAlready = f.parts.some((p) => parts.includes(p)) && (isInside || isAllOver)
  if (!shownAlready)
    emit('show', {
      parts: f.parts.filter((p) => props.selection?.parts.includes(p) ?? true).slice(0, 3),
      from: Math.max(0, f.fromIndex - 1),
      to: Math.min(props.piece.measures.length - 1, f.toIndex + 2),
    })
}

// Where several parts share a finding in notes of their own, those that are selected read theirs.
function ownWords(f: Finding) {
  const chosen = props.selection?.parts
  const own = f.own.filter((o) => !chosen || o.parts.some((p) => chosen.includes(p)))
  return own.length > 0 ? own.map((o) => ({ parts: names(o.parts), why: o.why })) : [{ parts: '', why: f.why }]
}

// What leaves the list hands its place to the next one.
function leave(f: Finding, act: () => Promise<unknown>) {
  const next = neighbour(entries.value, f.id, 1)
  if (f.id === props.active && next && next.id !== f.id) open(next)
  return act()
}
const dismiss = (f: Finding, scope: Scope) => leave(f, () => acts.dismiss(f, scope))
const writeIn = (f: Finding) => leave(f, () => acts.writeIn(f))

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
  if (f) open(f)
}
const withCurrent = (act: (f: Finding) => unknown) => () => {
  const f = entries.value.find((x) => x.id === props.active)
  if (f) act(f)
  else step(1)
}
useStationKeys('study', {
  next: () => step(1),
  previous: () => step(-1),
  writeIn: withCurrent((f) => f.canWriteIn && writeIn(f)),
  dismiss: withCurrent((f) => dismiss(f, 'here')),
  send: withCurrent((f) => acts.review(f, 'sent')),
  hold: withCurrent((f) => acts.review(f, 'held')),
  reword: withCurrent((f) => (rewording.value = f)),
})
function reworded(words: string | null) {
  const f = rewording.value!
  rewording.value = null
  void acts.review(f, 'sent', words)
}
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>What hides here</h2>
      <RouterLink v-if="letter" :to="{ name: 'letter', params: { id: piece.id, part: letter } }"
        >Part letter</RouterLink
      >
    </div>
    <FindingFilters v-model:filter="filter" :findings="here" :part-names="partNames" />
    <p v-if="waiting.length && filter.show !== 'done'" class="quiet reviews">
      {{ waiting.length }} not reviewed: players do not read them yet.
      <button type="button" @click="acts.reviewAll(waiting, 'sent')">Send all {{ waiting.length }}</button>
    </p>
    <p v-if="findings.isError.value" class="empty">{{ findings.error.value?.message }}</p>
    <p v-else-if="findings.data.value && entries.length === 0" class="empty">
      Nothing of this kind in the selection. Choose All, or clear the selection with Esc.
    </p>
    <ol ref="list" class="entries" :aria-busy="findings.isPending.value">
      <FindingEntry
        v-for="(f, i) in entries"
        :key="f.id"
        :finding="f"
        :number="i + 1"
        :active="f.id === active"
        :whose="whose(f)"
        :words="ownWords(f)"
        @open="open(f)"
        @write-in="writeIn(f)"
        @dismiss="dismiss(f, $event)"
        @send="acts.review(f, 'sent')"
        @hold="acts.review(f, 'held')"
        @reword="rewording = f"
      />
    </ol>
    <RewordDialog v-if="rewording" :finding="rewording" @save="reworded" @close="rewording = null" />
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.reviews {
  margin: 0 0 8px;
  font-size: 13px;
}
.reviews button {
  border: 0;
  padding: 0;
  background: none;
  color: var(--plum);
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
}
</style>
