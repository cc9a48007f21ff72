<script setup lang="ts">
import { Button as AButton, Segmented as ASegmented } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, fetched, type Schemas } from '../../api/client'
import { doAct, isBusy } from '../../acts/useAct'
import { keys } from '../../api/queries'
import { neighbour, useStationKeys } from '../../keys/useKeys'
import type { StationEvents, StationProps } from '..'
import TechniqueEntry from './TechniqueEntry.vue'
import TechniqueNotes from './TechniqueNotes.vue'

/** The hands: what is decided in the passage for one part, where it stays awkward, and how to practice it. */
const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const show = ref<'marked' | 'all'>('marked')
const part = computed(() => props.selection?.parts[0] ?? props.piece.parts[0]!.id)
const partName = computed(() => props.piece.parts.find((p) => p.id === part.value)?.name ?? part.value)
const range = computed(() => ({
  from: props.piece.measures[props.shown.from]!,
  to: props.piece.measures[props.shown.to]!,
}))
const query = computed(() => ({ part: part.value, ...range.value }))
const plan = useQuery({
  queryKey: computed(() => keys.of(id.value, 'technique', query.value)),
  queryFn: ({ signal }) =>
    fetched(api.GET('/api/pieces/{id}/technique', { params: { path: { id: id.value }, query: query.value }, signal })),
  retry: false,
  meta: { shown: true },
})
const entries = computed(() =>
  (plan.data.value?.choices ?? [])
    .filter((c) => (show.value === 'all' ? c.alternatives.length > 0 : c.marked))
    .map((c) => ({ ...c, id: c.note })),
)
const slurs = computed(() => plan.data.value?.slurs.filter((s) => s.kind === 'legato-tongue').length ?? 0)

const busy = isBusy('fingerings')
const undoable = (made: Schemas['DecisionView']) => ({ kind: 'decisions', piece: id.value, act: made.act }) as const
const writeIn = () =>
  doAct({
    key: 'fingerings',
    run: () =>
      fetched(api.POST('/api/pieces/{id}/technique/mark', { params: { path: { id: id.value }, query: query.value } })),
    words: `The fingerings are written into ${partName.value}.`,
    undo: undoable,
  })
function fix(note: string, way: Schemas['AlternativeView']) {
  const { words, marks } = way
  const body = { part: part.value, notes: [note], add: [...marks], why: `${words}, chosen by hand` }
  return doAct({
    key: `fix ${note}`,
    run: () =>
      fetched(
        api.POST('/api/pieces/{id}/decisions', {
          params: { path: { id: id.value } },
          body: body as unknown as Schemas['DecisionRequest'],
        }),
      ),
    words: `${words} stays here now; the rest is worked out around it.`,
    undo: undoable,
  })
}

watch(
  entries,
  () =>
    emit(
      'flags',
      entries.value.map((c, i) => ({
        id: c.note,
        number: i + 1,
        notes: [c.note],
        label: `${c.written}: ${c.words}`,
        sign: c.sign,
      })),
    ),
  { immediate: true },
)
const step = (by: number) => emit('active', neighbour(entries.value, props.active, by)?.note ?? null)
useStationKeys('technique', {
  next: () => step(1),
  previous: () => step(-1),
  take: () => {
    const c = entries.value.find((x) => x.note === props.active)
    const way = c?.alternatives[0]
    if (c && way) void fix(c.note, way)
    else if (!c) step(1)
  },
  writeIn: () => void (entries.value.length && show.value === 'marked' && writeIn()),
})
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>Fingerings ({{ partName }})</h2>
      <ASegmented
        v-model:value="show"
        size="small"
        :options="[
          { value: 'marked', label: 'To write in' },
          { value: 'all', label: 'Every choice' },
        ]"
      />
    </div>
    <p v-if="plan.isError.value" class="empty">{{ plan.error.value?.message }}</p>
    <template v-else-if="plan.data.value">
      <p class="quiet">
        {{ plan.data.value.instrument }}, measures {{ range.from }}–{{ range.to }}, worked out for the whole passage,
        not note by note.<template v-if="slurs"> {{ slurs }} slurred pairs need a legato tongue.</template>
      </p>
      <p v-if="entries.length === 0" class="empty">
        Every note has its usual fingering. Choose another part or more measures.
      </p>
      <AButton
        v-else-if="show === 'marked'"
        class="write"
        size="small"
        type="primary"
        :loading="busy"
        @click="writeIn"
        >{{ entries.length === 1 ? 'Write it in' : `Write these ${entries.length} in` }}</AButton
      >
      <ol class="entries">
        <TechniqueEntry
          v-for="(c, i) in entries"
          :key="c.note"
          :choice="c"
          :number="i + 1"
          :active="c.note === active"
          :kind="plan.data.value.kind"
          :layout="plan.data.value.layout"
          @active="emit('active', c.note)"
          @take="(a) => fix(c.note, a)"
        />
      </ol>
      <TechniqueNotes :plan="plan.data.value" />
      <p class="links">
        <RouterLink :to="{ name: 'crib', params: { id, part }, query: range }">Fingering crib to print</RouterLink>
        <RouterLink v-if="plan.data.value.chart" :to="{ name: 'charts', params: { instrument: plan.data.value.chart } }"
          >Chart of the {{ plan.data.value.instrument.toLowerCase() }}</RouterLink
        >
      </p>
      <p class="quiet small">Curved relaxed fingers. Pain, numbness or locked fingers: stop, and ask the teacher.</p>
    </template>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.write {
  margin-bottom: 8px;
}
.links {
  display: flex;
  gap: 16px;
  margin: 10px 0 4px;
}
.small {
  font-size: 12px;
}
</style>
