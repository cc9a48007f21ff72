<script setup lang="ts">
import { Segmented as ASegmented } from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import type { Difference } from '../../api/client'
import { useDifferences } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import { neighbour, useStationKeys } from '../../keys/useKeys'
import type { StationEvents, StationProps } from '..'
import AcceptKind from './AcceptKind.vue'
import DifferenceEntry from './DifferenceEntry.vue'
import { isMeant, isOfOnePart, kindWords, readingGroups } from './readings'
import { useDecisions } from './useDecisions'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const differences = useDifferences(id)
const show = ref<'open' | 'settled' | 'notes'>('open')
const list = ref<HTMLElement>()
const sureOnes = ref<InstanceType<typeof AcceptKind>>()

const all = computed(() => differences.data.value ?? [])
const counted = computed(() => all.value.filter((d) => d.rank === 'difference'))
const settled = computed(() => counted.value.filter((d) => d.state !== 'open').length)
const kind = ref('')
const here = computed(() =>
  all.value.filter((d) =>
    show.value === 'notes'
      ? d.rank === 'note'
      : d.rank === 'difference' && (d.state === 'open') === (show.value === 'open') && inSelection(d),
  ),
)
const ofPart = ref('')
const entries = computed(() =>
  here.value.filter(
    (d) => (!kind.value || d.kind === kind.value) && (!ofPart.value || d.parts.some((p) => p.part === ofPart.value)),
  ),
)
const partsHere = computed(() => [
  { value: '', label: 'every part' },
  ...props.piece.parts
    .map((p) => ({ p, n: here.value.filter((d) => d.parts.some((x) => x.part === p.id)).length }))
    .filter(({ n }) => n > 0)
    .map(({ p, n }) => ({ value: p.id, label: `${p.name || p.id} ${n}` })),
])
const kindsHere = computed(() => {
  const counts = new Map<string, number>()
  for (const d of here.value) counts.set(d.kind, (counts.get(d.kind) ?? 0) + 1)
  return [
    { value: '', label: 'every kind' },
    ...[...counts].map(([k, n]) => ({ value: k, label: `${kindWords(k)} ${n}` })),
  ]
})
const partNames = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const names = (ids: readonly string[]) => ids.map((p) => partNames.value.get(p) ?? p).join(', ')

function inSelection(d: Difference): boolean {
  const s = props.selection
  return !s || (d.toIndex >= s.from && d.fromIndex <= s.to && d.parts.some((p) => s.parts.includes(p.part)))
}

function open(d: Difference) {
  emit('active', d.id)
  const ids = d.parts.map((p) => p.part)
  if (!ids.every((p) => props.shown.parts.includes(p)) || d.fromIndex < props.shown.from || d.toIndex > props.shown.to)
    emit('show', {
      parts: ids,
      from: d.fromIndex,
      to: Math.min(props.piece.measures.length - 1, Math.max(d.toIndex, d.fromIndex + 1)),
    })
}

const decisions = useDecisions(id, names)

// The next entry and its music come at once; keys pressed meanwhile act on it. What is refused comes back into hand.
function settle(d: Difference, act: (refused: () => void) => Promise<unknown>) {
  const next = neighbour(entries.value, d.id, 1)
  if (next && next.id !== d.id) open(next)
  void act(() => open(d))
}
const accept = (d: Difference, alike = false) => settle(d, (refused) => decisions.accept(d, alike, refused))
const keep = (d: Difference) => settle(d, (refused) => decisions.keep(d, refused))
const other = (d: Difference, has: string) => settle(d, (refused) => decisions.other(d, has, refused))
const takeBack = (d: Difference) => void decisions.takeBack(d)

watch(
  [entries, () => props.shown],
  () => {
    const s = props.shown
    const seen = entries.value
      .map((d, i) => ({ d, number: i + 1 }))
      .filter(({ d }) => d.toIndex >= s.from && d.fromIndex <= s.to)
    emit(
      'flags',
      seen.map(({ d, number }) => ({
        id: d.id,
        number,
        notes: d.parts.flatMap((p) => p.notes),
        label: `${kindWords(d.kind)} differs`,
      })),
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
  const d = neighbour(entries.value, props.active, by)
  if (d) open(d)
}
const current = () => entries.value.find((d) => d.id === props.active && d.state === 'open')
const withCurrent = (act: (d: Difference) => void) => () => {
  const d = current()
  if (d) act(d)
  else step(1)
}
// Nothing is counted before it is there: a nought would say that all is done.
const told = (count: number) => (differences.data.value ? ` ${count}` : '')

useStationKeys('unify', {
  next: () => step(1),
  previous: () => step(-1),
  accept: withCurrent((d) => isMeant(d) || accept(d)),
  returns: withCurrent((d) => isMeant(d) || accept(d, d.alike.length > 0)),
  keep: withCurrent((d) => keep(d)),
  other: withCurrent((d) => {
    const next = readingGroups(d)[1]
    if (next && !isOfOnePart(d)) other(d, next.has)
  }),
  sure: () => sureOnes.value?.open(),
  undo: () => {
    const d = entries.value.find((x) => x.id === props.active)
    if (d) takeBack(d)
  },
})
const emptyWords = computed(() => {
  if (all.value.length === 0) return 'No two parts of this piece share a line and disagree.'
  return show.value === 'open' ? 'Everything in the selection is settled.' : 'Nothing is settled here yet.'
})
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>Where the line disagrees</h2>
      <ASegmented
        v-model:value="show"
        size="small"
        :options="[
          { value: 'open', label: `To decide${told(counted.length - settled)}` },
          { value: 'settled', label: `Settled${told(settled)}` },
          { value: 'notes', label: `Meant${told(all.length - counted.length)}` },
        ]"
      />
    </div>
    <div
      class="bar"
      role="progressbar"
      aria-label="Settled differences"
      :aria-valuenow="settled"
      aria-valuemin="0"
      :aria-valuemax="counted.length"
    >
      <span :style="{ width: `${counted.length ? (100 * settled) / counted.length : 0}%` }"></span>
    </div>
    <div class="row kinds">
      <span class="kind"><PickOne v-model:value="kind" label="Kind of difference" :options="kindsHere" /></span>
      <span class="kind"><PickOne v-model:value="ofPart" label="Part" :options="partsHere" /></span>
      <AcceptKind
        v-if="show === 'open'"
        ref="sureOnes"
        :piece="piece.id"
        :entries="entries"
        :kind="kind"
        :names="partNames"
      />
      <RouterLink :to="{ name: 'errata', params: { id: piece.id } }">Errata list</RouterLink>
    </div>
    <p v-if="differences.isError.value" class="empty">{{ differences.error.value?.message }}</p>
    <p v-else-if="differences.data.value && entries.length === 0" class="empty">
      {{ emptyWords }}
    </p>
    <ol ref="list" class="entries" :aria-busy="differences.isPending.value">
      <DifferenceEntry
        v-for="(d, i) in entries"
        :key="d.id"
        :difference="d"
        :number="i + 1"
        :names="partNames"
        :active="d.id === active"
        @open="open(d)"
        @accept="accept(d, $event)"
        @take="other(d, $event)"
        @keep="keep(d)"
        @undo="takeBack(d)"
      />
    </ol>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.kinds {
  margin-bottom: 6px;
}
.kind {
  flex: 1;
  min-width: 120px;
}
</style>
