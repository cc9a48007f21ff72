<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { undoLast } from '../../acts/useAct'
import type { Passage } from '../../api/client'
import AskFirst from '../../common/AskFirst.vue'
import { dayFromNow, shortDate } from '../../common/dates'
import DayField from '../../common/DayField.vue'
import { unitWords } from '../../common/units'
import type { StationEvents, StationProps } from '..'
import GridCell from './GridCell.vue'
import { actOf, isFix, letterOf, read, toggled } from './typed'
import { stepOf, useFixes, useHearing, usePieceReadiness } from './useHearing'

/** Players × passages, worked by keys: a tempo, Enter, the next player. */
const props = defineProps<StationProps>()
const emit = defineEmits<Pick<StationEvents, 'show' | 'active'>>()
const id = computed(() => props.piece.id)
const readiness = usePieceReadiness(id)
const { refused, asking, log } = useHearing()
const passages = computed(() => readiness.data.value ?? [])
const chosen = ref<number>()
const player = ref<number>()
const text = ref('')
const heard = ref(dayFromNow(0))
const field = ref<HTMLInputElement[]>()
const now = computed(() => passages.value.find((p) => p.passage.id === chosen.value))
const fixes = useFixes(chosen)
const players = computed(() => {
  const all = new Map(passages.value.flatMap((p) => p.players.map((r) => [r.player, r] as const)))
  const own = new Set(now.value?.players.map((r) => r.player))
  return [...all.values()].filter((r) => own.has(r.player))
})
const typed = computed(() => read(text.value, fixes.data.value?.length ?? 0))

watch(
  passages,
  (list) => {
    if (list.length && !now.value) fetched(list[0]!.passage)
  },
  { immediate: true },
)
function fetched(p: Passage) {
  chosen.value = p.id
  text.value = String(stepOf(p, dayFromNow(0)))
  const first = passages.value.find((x) => x.passage.id === p.id)?.players[0]
  if (!now.value?.players.some((r) => r.player === player.value)) player.value = first?.player
  emit('show', { parts: [...p.parts], from: p.fromIndex, to: p.toIndex })
}
async function focus() {
  await nextTick()
  field.value?.[0]?.focus()
  field.value?.[0]?.select()
}
function go(by: number) {
  const at = players.value.findIndex((r) => r.player === player.value)
  player.value = players.value[Math.min(Math.max(0, at + by), players.value.length - 1)]?.player
  // The tempo stays for the next one: whoever plays it clean costs one key.
  text.value = typed.value.bpm === null ? text.value : String(typed.value.bpm)
  void focus()
}
async function write(clean: boolean) {
  const p = now.value?.passage
  const r = players.value.find((x) => x.player === player.value)
  if (!p || !r || typed.value.bpm === null) {
    refused.value = 'Type a tempo first, as a number.'
    return
  }
  const note = typed.value.fixes.map((i) => fixes.data.value?.[i]?.words).filter(Boolean)
  const body = {
    passage: p.id,
    player: r.player,
    unit: p.goal.unit,
    bpm: typed.value.bpm,
    heard: heard.value,
    note: note.join('; ') || null,
    clean,
    version: null,
  }
  await log(body, r.name, () => go(1))
}
const doing: Record<string, () => void> = {
  clean: () => void write(true),
  missed: () => void write(false),
  next: () => go(1),
  previous: () => go(-1),
  undo: () => void undoLast().then(focus),
}
function key(e: KeyboardEvent) {
  const act = actOf(e.key)
  // A letter is added to the tempo, which is selected for the next one to be typed over it.
  if (isFix(e.key)) {
    e.preventDefault()
    text.value = toggled(text.value, e.key)
    return
  }
  if (!act || e.ctrlKey || e.metaKey || e.altKey) return
  e.preventDefault()
  e.stopPropagation()
  doing[act]!()
}
function open(passage: Passage, who: number) {
  fetched(passage)
  player.value = who
  emit('active', `player ${who}`)
  void focus()
}
const stateOf = (p: (typeof passages.value)[number], who: number) => p.players.find((r) => r.player === who)
defineExpose({ focus, go })
</script>

<template>
  <div>
    <p v-if="readiness.data.value && passages.length === 0" class="empty">
      No passage is handed out yet. Hand one out under Assign; then hear who plays it clean.
    </p>
    <template v-else-if="now">
      <p class="quiet how">
        Type the tempo once. <kbd>Enter</kbd> clean, <kbd>-</kbd> not clean, both go to the next player; <kbd>↓</kbd>
        <kbd>↑</kbd> pass over; <kbd>u</kbd> takes the last one back; letters say what to fix.
      </p>
      <div class="row">
        <label class="field">Heard on <DayField v-model="heard" required /></label>
        <span class="quiet goal"
          >Goal {{ unitWords(now.passage.goal.unit) }} = {{ now.passage.goal.bpm }} by
          {{ shortDate(now.passage.due) }}</span
        >
      </div>
      <div class="scroll" role="region" aria-label="Players and passages" tabindex="0">
        <table class="grid">
          <thead>
            <tr>
              <th scope="col">Player</th>
              <th
                v-for="p in passages"
                :key="p.passage.id"
                scope="col"
                :class="{ on: p.passage.id === chosen }"
                :title="p.passage.title"
              >
                <button type="button" :aria-pressed="p.passage.id === chosen" @click="(fetched(p.passage), focus())">
                  {{ p.passage.from }}–{{ p.passage.to }}<small>{{ p.passage.title }}</small>
                </button>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="r in players"
              :key="r.player"
              :aria-current="r.player === player"
              :class="{ on: r.player === player }"
            >
              <th scope="row">{{ r.name }}</th>
              <td v-for="p in passages" :key="p.passage.id">
                <input
                  v-if="r.player === player && p.passage.id === chosen"
                  ref="field"
                  v-model="text"
                  class="tempo"
                  autocomplete="off"
                  :aria-label="`Tempo of ${r.name}`"
                  @keydown="key"
                />
                <GridCell v-else :ready="stateOf(p, r.player)" :passage="p.passage" @open="open(p.passage, r.player)" />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
      <ol v-if="fixes.data.value?.length" class="fixes" aria-label="What to fix">
        <li v-for="(f, i) in fixes.data.value" :key="f.key" :class="{ chosen: typed.fixes.includes(i) }">
          <kbd>{{ letterOf(i) }}</kbd> {{ f.words }}<span v-if="typed.fixes.includes(i)"> ✓</span>
        </li>
      </ol>
    </template>
    <AskFirst
      v-if="asking"
      :questions="asking.questions"
      ok-text="Log it all the same"
      @yes="asking.go()"
      @no="((asking = null), focus())"
    />
  </div>
</template>

<style scoped src="./grid.css"></style>
