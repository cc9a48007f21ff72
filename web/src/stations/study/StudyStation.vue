<script setup lang="ts">
import {
  App as AApp,
  Button as AButton,
  Dropdown as ADropdown,
  Menu as AMenu,
  MenuItem as AMenuItem,
} from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import { api, take, type Finding } from '../../api/client'
import { useFindings, usePieceChange } from '../../api/queries'
import StateWord from '../../common/StateWord.vue'
import type { StationEvents, StationProps } from '..'
import FindingFilters from './FindingFilters.vue'
import { inSelection, listed, noFilter, type FindingFilter } from './findings'
import { neighbour, useListKeys } from '../useListKeys'
import { tellError } from '../../common/tell'

const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const findings = useFindings(id)
const { message } = AApp.useApp()
const filter = ref<FindingFilter>({ ...noFilter })
const list = ref<HTMLElement>()

const partNames = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const here = computed(() => (findings.data.value ?? []).filter((f) => inSelection(f, props.selection)))
const entries = computed(() => listed(here.value, filter.value))
const letter = computed(() => props.selection?.parts[0] ?? props.piece.parts[0]?.id)

function partsWords(f: Finding): string {
  if (f.parts.length === props.piece.parts.length && f.parts.length > 1) return 'all parts'
  const names = f.parts.map((p) => partNames.value.get(p) ?? p)
  return names.length <= 3 ? names.join(', ') : `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
}

const measures = (f: Finding) => (f.from === f.to ? `measure ${f.from}` : `measures ${f.from}–${f.to}`)

async function open(f: Finding) {
  emit('active', f.id)
  const shownAlready =
    f.parts.some((p) => props.shown.parts.includes(p)) && f.fromIndex >= props.shown.from && f.toIndex <= props.shown.to
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
  return own.length > 0 ? own : [{ parts: f.parts, why: f.why }]
}

type Scope = 'here' | 'piece' | 'everywhere'
const at = (f: Finding) => ({ path: { id: id.value, finding: f.id } })
const change = usePieceChange(id, ({ f, scope }: { f: Finding; scope: Scope }) =>
  f.dismissed
    ? take(api.DELETE('/api/pieces/{id}/study/{finding}/dismissal', { params: at(f) }))
    : take(api.PUT('/api/pieces/{id}/study/{finding}/dismissal', { params: { ...at(f), query: { scope } } })),
)
const said: Record<Scope, string> = {
  here: 'Dismissed here; it is listed under Dismissed.',
  piece: 'This kind of finding stays quiet in this piece.',
  everywhere: 'This kind of finding stays quiet in every piece.',
}

async function dismiss(f: Finding, scope: Scope = 'here') {
  await change.mutateAsync({ f, scope })
  message.info(f.dismissed ? 'Brought back.' : said[scope])
}

const mark = usePieceChange(id, (f: Finding) =>
  take(api.POST('/api/pieces/{id}/study/{finding}/mark', { params: at(f) })),
)
async function writeIn(f: Finding) {
  try {
    await mark.mutateAsync(f)
    message.success(`Written into ${partsWords(f)}; undo it in the decision list under Unify.`)
  } catch (e) {
    tellError(e)
  }
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
      <RouterLink v-if="letter" :to="{ name: 'letter', params: { id: piece.id, part: letter } }"
        >Part letter</RouterLink
      >
    </div>
    <FindingFilters v-model:filter="filter" :findings="here" :part-names="partNames" />
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
            <span class="where">{{ measures(f) }} · {{ partsWords(f) }}</span>
            <span v-for="o in ownWords(f)" :key="o.why" class="why"
              ><template v-if="f.own.length">{{ o.parts.map((p) => partNames.get(p) ?? p).join(', ') }}: </template
              >{{ o.why }}</span
            >
          </span>
        </button>
        <div class="side">
          <StateWord :state="f.severity" />
          <span>
            <AButton v-if="f.canWriteIn && !f.dismissed" size="small" type="text" @click="writeIn(f)"
              >Write it in</AButton
            >
            <AButton size="small" type="text" @click="dismiss(f)">{{ f.dismissed ? 'Bring back' : 'Dismiss' }}</AButton>
            <ADropdown v-if="!f.dismissed" :trigger="['click']">
              <AButton size="small" type="text" :aria-label="`More ways to dismiss ${f.title}`">…</AButton>
              <template #overlay>
                <AMenu>
                  <AMenuItem @click="dismiss(f, 'piece')">Dismiss this kind in this piece</AMenuItem>
                  <AMenuItem @click="dismiss(f, 'everywhere')">Dismiss this kind everywhere</AMenuItem>
                </AMenu>
              </template>
            </ADropdown>
          </span>
        </div>
      </li>
    </ol>
  </div>
</template>

<style scoped src="../station.css"></style>
