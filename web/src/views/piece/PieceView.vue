<script setup lang="ts">
import { Spin as ASpin } from 'ant-design-vue'
import { refDebounced, useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useDifferences, useHeat, useLines, usePiece } from '../../api/queries'
import { warmUp } from '../../engraving/engraver'
import { quartersOf } from '../../common/units'
import type { Flagged } from '../../engraving/flags'
import { isInDialog, isInside, isTyping, useStationKeys } from '../../keys/useKeys'
import MarkDialog from '../../marks/MarkDialog.vue'
import { selectionWords, useSelection, type Selection } from '../../selection'
import TitleBand from '../../shell/TitleBand.vue'
import { stationOf } from '../../stations'
import { usePieceReadiness } from '../../stations/hear/useHearing'
import { useTempos } from '../../stations/tempo/ladder'
import StripCanvas from '../../strip/StripCanvas.vue'
import { useTransport } from '../../transport/store'
import TransportBar from '../../transport/TransportBar.vue'
import CannotOpen from './CannotOpen.vue'
import PartsPicker from './PartsPicker.vue'
import PieceMusic from './PieceMusic.vue'
import { shownRange } from './shownRange'
import { keysOf, keyWords, transposes } from './ownKeys'
import { useStrip } from './useStrip'

const route = useRoute()
const router = useRouter()
warmUp()
const id = computed(() => Number(route.params.id))
const piece = usePiece(id)
// Of a piece that cannot be opened nothing else is asked: it says once what is wrong.
const opened = computed(() => piece.data.value !== undefined)
const heat = useHeat(id, opened)
const differences = useDifferences(id, opened)
const unifying = computed(() => route.params.station === 'unify')
const lines = useLines(id, unifying)
// Passages stand on the strip with their readiness where they are heard or handed out.
const hearing = computed(() => opened.value && ['hear', 'assign'].includes(String(route.params.station)))
const readiness = usePieceReadiness(id, hearing)
const concert = ref(false)
const bar = ref<InstanceType<typeof TransportBar>>()
const stripBox = ref<InstanceType<typeof StripCanvas>>()
const flags = ref<Flagged[]>([])
const active = ref<string | null>(null)
const dialog = ref<'parts' | 'mark' | null>(null)
// What an entry of a list shows: the director's selection, and the list that it filters, stay.
const focus = ref<Selection | null>(null)

const labels = computed(() => piece.data.value?.measures ?? [])
const partIds = computed(() => piece.data.value?.parts.map((p) => p.id) ?? [])
const partNames = computed(() => new Map(piece.data.value?.parts.map((p) => [p.id, p.name || p.id]) ?? []))
const { selection, select, query, problem } = useSelection(
  () => labels.value,
  () => partIds.value,
)
// The strip and the words follow at the screen's pace; what is fetched waits until the selection has come to rest.
const atRest = refDebounced(selection, 90)
const wanted = computed(() => shownRange(focus.value ?? selection.value, partIds.value, labels.value.length))
const shown = computed(() => shownRange(focus.value ?? atRest.value, partIds.value, labels.value.length))
const words = computed(() =>
  selectionWords(focus.value ?? selection.value ?? wanted.value, labels.value, partNames.value),
)
const station = computed(() => stationOf(String(route.params.station)))
const remaining = computed(
  () => differences.data.value?.filter((d) => d.state === 'open' && d.rank === 'difference').length ?? 0,
)
const keyed = computed(() =>
  piece.data.value
    ? keysOf(piece.data.value, selection.value?.parts ?? partIds.value, concert.value)
    : { keys: [], concert: true },
)
const keys = computed(() => keyed.value.keys)
const reads = computed(() => piece.data.value && keyWords(keyed.value, piece.data.value, wanted.value))
const hasConcert = computed(
  () => unifying.value || (piece.data.value ? transposes(piece.data.value, shown.value.parts) : false),
)
const { strip, reasons } = useStrip(
  id,
  piece.data,
  heat.data,
  differences.data,
  lines.data,
  unifying,
  readiness.data,
  keys,
)

function clear() {
  if (selection.value) select(null)
  focus.value = null
}
const transport = useTransport()
const isFree = (e: KeyboardEvent) => !isTyping(e) && !isInDialog(e)
const arrows = '.strip, [role=listbox], [role=slider], input[type=range]'
const choosing = 'input[type=radio], input[type=checkbox], [role=radio], [role=checkbox], [role=switch]'

// Space plays wherever no text is typed and nothing is ticked with it; Enter presses a button.
function space(e: KeyboardEvent) {
  if (e.key !== ' ' || !isFree(e) || isInside(e, choosing)) return
  e.preventDefault()
  if (e.type === 'keydown' && !e.repeat) void bar.value?.toggle()
}
useEventListener(window, 'keydown', space)
useEventListener(window, 'keyup', space)
// While music plays, up and down are its tempo; the strip and lists that have the focus keep their arrows.
const steps: Record<string, number> = { ArrowUp: 1, ArrowDown: -1 }
useEventListener(window, 'keydown', (e: KeyboardEvent) => {
  const by = steps[e.key]
  if (!by || !transport.playing || e.defaultPrevented || !isFree(e) || isInside(e, arrows)) return
  e.preventDefault()
  bar.value?.nudge(by * (e.shiftKey ? 5 : 1))
})
useStationKeys('everywhere', {
  help: null,
  play: null,
  faster: null,
  slower: null,
  undo: null,
  clear,
  mark: () => (dialog.value = 'mark'),
  parts: () => (dialog.value = 'parts'),
  strip: () => stripBox.value?.focus(),
  list: () => document.querySelector<HTMLElement>('aside.list')?.focus(),
})

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
watch(id, (now) => useTempos().open(now), { immediate: true })
watch(
  () => piece.data.value?.frames[shown.value.from],
  (f) => f && transport.suggest({ unit: f.unit, bpm: Math.round((f.quarterBpm / quartersOf(f.unit)) * 10) / 10 }),
  { immediate: true },
)
watch([() => piece.data.value?.title, () => route.path], ([t]) => t && (document.title = `${t} · Mellow Stand`), {
  immediate: true,
})

const chosen = (parts: string[]) =>
  select({ parts, from: wanted.value.from, to: selection.value ? selection.value.to : wanted.value.to })
</script>

<template>
  <div v-if="piece.data.value && labels.length" class="piece">
    <TitleBand :piece="piece.data.value" :remaining="remaining" :query="query" />
    <StripCanvas ref="stripBox" :data="strip" :selection="selection" :reasons="reasons" @select="select" />
    <main id="main" class="work">
      <PieceMusic
        v-model:concert="concert"
        :piece="piece.data.value"
        :shown="shown"
        :words="words"
        :problem="problem"
        :is-selected="selection !== null"
        :is-shown="focus !== null"
        :flags="flags"
        :active="active"
        :has-concert="hasConcert"
        :reads="reads ?? ''"
        @flag="active = $event"
        @clear="clear"
        @parts="dialog = 'parts'"
        @mark="dialog = 'mark'"
      />
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
        parts: shown.whole.parts,
        from: labels[shown.whole.from]!,
        to: labels[shown.whole.to]!,
        fromIndex: shown.whole.from,
        toIndex: shown.whole.to,
      }"
      :words="words"
    />
    <PartsPicker
      v-if="dialog === 'parts'"
      :piece="piece.data.value"
      :chosen="selection?.parts ?? []"
      :from="wanted.from"
      :to="wanted.to"
      @choose="chosen"
      @close="dialog = null"
    />
    <MarkDialog v-if="dialog === 'mark'" :piece="piece.data.value" :shown="wanted" @close="dialog = null" />
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
.list {
  position: relative;
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
