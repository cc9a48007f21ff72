<script setup lang="ts">
import { Spin as ASpin } from 'ant-design-vue'
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take } from '../../api/client'
import { useDifferences, useHeat, useLines, usePiece } from '../../api/queries'
import EngravedPage from '../../engraving/EngravedPage.vue'
import type { Flagged } from '../../engraving/flags'
import { selectionWords, useSelection, type Selection } from '../../selection'
import TitleBand from '../../shell/TitleBand.vue'
import { stationOf } from '../../stations'
import { bandsOf } from '../../strip/bands'
import StripCanvas from '../../strip/StripCanvas.vue'
import type { StripData } from '../../strip/draw'
import { useTransport } from '../../transport/store'
import TransportBar from '../../transport/TransportBar.vue'
import CannotOpen from './CannotOpen.vue'
import { shownRange } from './shownRange'

const route = useRoute()
const router = useRouter()
const id = computed(() => Number(route.params.id))
const piece = usePiece(id)
// Of a piece that cannot be opened nothing else is asked: it says once what is wrong.
const opened = computed(() => piece.data.value !== undefined)
const heat = useHeat(id, opened)
const differences = useDifferences(id, opened)
const unifying = computed(() => route.params.station === 'unify')
const lines = useLines(id, unifying)
const concert = ref(false)
const bar = ref<InstanceType<typeof TransportBar>>()
const flags = ref<Flagged[]>([])
const active = ref<string | null>(null)
// What an entry of a list shows: the director's selection, and the list that it filters, stay.
const focus = ref<Selection | null>(null)

const labels = computed(() => piece.data.value?.measures ?? [])
const partIds = computed(() => piece.data.value?.parts.map((p) => p.id) ?? [])
const partNames = computed(() => new Map(piece.data.value?.parts.map((p) => [p.id, p.name || p.id]) ?? []))
const { selection, select } = useSelection(
  () => labels.value,
  () => partIds.value,
)
const shown = computed(() => shownRange(focus.value ?? selection.value, partIds.value, labels.value.length))
const words = computed(() =>
  selectionWords(focus.value ?? selection.value ?? shown.value, labels.value, partNames.value),
)
const station = computed(() => stationOf(String(route.params.station)))
const remaining = computed(
  () => differences.data.value?.filter((d) => d.state === 'open' && d.rank === 'difference').length ?? 0,
)

const strip = computed<StripData>(() => ({
  parts: piece.data.value?.parts.map((p) => ({ id: p.id, name: p.name || p.id })) ?? [],
  labels: labels.value,
  rehearsals: piece.data.value?.frames.map((f) => f.rehearsal ?? null) ?? [],
  keys: piece.data.value?.frames.map((f) => f.key) ?? [],
  heat: new Map(heat.data.value?.map((r) => [r.part, r.heat]) ?? []),
  open: cells((s) => s === 'open'),
  settled: cells((s) => s !== 'open'),
  bands: unifying.value ? bandsOf(lines.data.value ?? []) : [],
}))

function cells(is: (state: string) => boolean): Set<string> {
  const out = new Set<string>()
  for (const d of differences.data.value ?? [])
    if (d.rank === 'difference' && is(d.state))
      // A level is in force for long: its tick stands where it begins.
      for (const p of d.parts)
        for (let m = d.fromIndex; m <= (d.kind === 'dynamic' ? d.fromIndex : d.toIndex); m++) out.add(`${p.part}:${m}`)
  return out
}

async function reasons(part: string, index: number): Promise<string> {
  const list = await take(
    api.GET('/api/pieces/{id}/heat/reasons', { params: { path: { id: id.value }, query: { part, index } } }),
  )
  return list.length === 0 ? 'nothing to do' : list.map((r) => r.words).join('; ')
}

function key(e: KeyboardEvent) {
  const busy = (e.target as HTMLElement).closest('input, textarea, select, button, a, [role=dialog]')
  if (e.key === ' ' && !busy) {
    e.preventDefault()
    void bar.value?.toggle()
  }
}
watch(
  () => route.params.station,
  (s) => {
    if (!s) void router.replace({ name: 'piece', params: { id: id.value, station: 'study' }, query: route.query })
    flags.value = []
    active.value = null
    focus.value = null
  },
  { immediate: true },
)
watch(selection, () => (focus.value = null))
const transport = useTransport()
watch(
  () => piece.data.value?.frames[shown.value.from]?.quarterBpm,
  (bpm) => bpm && !transport.playing && Object.assign(transport, { unit: 'quarter', bpm }),
  { immediate: true },
)
watch(
  () => piece.data.value?.title,
  (t) => t && (document.title = `${t} · Mellow Stand`),
)
useEventListener(window, 'keydown', key)
</script>

<template>
  <div v-if="piece.data.value && labels.length" class="piece">
    <TitleBand :piece="piece.data.value" :remaining="remaining" />
    <StripCanvas :data="strip" :selection="selection" :reasons="reasons" @select="select" />
    <main id="main" class="work">
      <section class="music" :aria-label="`Music: ${words}`" tabindex="0">
        <div class="row top">
          <h2>{{ words }}</h2>
          <span v-if="shown.cut" class="quiet"
            >the first {{ shown.to - shown.from + 1 }} measures of {{ shown.parts.length }} parts are shown; select less
            to see the rest</span
          >
          <span v-else-if="!selection && !focus" class="quiet">drag over the strip to choose parts and measures</span>
          <label v-if="unifying" class="quiet concert"
            ><input v-model="concert" type="checkbox" /> at concert pitch</label
          >
        </div>
        <EngravedPage
          :piece="id"
          :parts="shown.parts"
          :from="labels[shown.from]!"
          :to="labels[shown.to]!"
          :flags="flags"
          :active="active"
          :concert="unifying && concert"
          :label="words"
          @flag="active = $event"
        />
      </section>
      <aside class="list" aria-label="Station" tabindex="0">
        <component
          :is="station"
          :key="String(route.params.station)"
          :piece="piece.data.value"
          :selection="selection"
          :shown="shown"
          :active="active"
          @select="select"
          @show="focus = $event"
          @flags="flags = $event"
          @active="active = $event"
        />
      </aside>
    </main>
    <TransportBar
      ref="bar"
      :what="{
        piece: id,
        parts: shown.parts,
        from: labels[shown.from]!,
        to: labels[shown.to]!,
        fromIndex: shown.from,
        toIndex: shown.to,
      }"
      :words="words"
      :labels="labels"
    />
  </div>
  <main v-else id="main" class="page">
    <CannotOpen v-if="piece.isError.value" :id="id" :error="piece.error.value" />
    <ASpin v-else tip="Reading the score" />
  </main>
</template>

<style scoped>
.piece {
  display: flex;
  flex-direction: column;
  height: 100vh;
}
.work {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 430px;
}
.music {
  overflow: auto;
  padding: 10px 14px 10px 8px;
  outline-offset: -2px;
}
.music .top {
  padding-left: 30px;
}
.concert {
  margin-left: auto;
  white-space: nowrap;
}
.music h2 {
  font-size: 15px;
}
.list {
  overflow: auto;
  border-left: 1px solid var(--line);
  background: var(--card);
  outline-offset: -2px;
}
@media (max-width: 1100px) {
  .work {
    grid-template-columns: minmax(0, 1fr) 390px;
  }
}
</style>
