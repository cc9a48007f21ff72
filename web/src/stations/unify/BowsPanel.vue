<script setup lang="ts">
import { Button as AButton, Segmented as ASegmented } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Schemas, type Stroke } from '../../api/client'
import { useBowing } from '../../api/queries'
import { neighbour, useStationKeys } from '../../keys/useKeys'
import type { StationEvents, StationProps } from '..'
import BowStroke from './BowStroke.vue'
import { bowSign, byMeasure, otherWayWords, strokeWords, turnWords } from './bows'

/** The bowing of the string parts in the selection, with what each stroke spends of the bow. */
const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const which = ref<'first' | 'second'>('first')
const range = computed(() => ({
  part: props.selection ? props.shown.parts.join(',') : undefined,
  from: props.piece.measures[props.shown.from]!,
  to: props.piece.measures[props.shown.to]!,
  second: which.value === 'second' || undefined,
}))
const bowing = useBowing(id, range)
const names = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const plans = computed(() => (bowing.data.value ?? []).filter((p) => p.strokes.length > 0))
const troubles = computed(() => plans.value.flatMap((p) => p.strokes.filter((s) => s.trouble)))

const busy = isBusy('bows')
const writeIn = () =>
  doAct({
    key: 'bows',
    run: () =>
      fetched(api.POST('/api/pieces/{id}/bowing/mark', { params: { path: { id: id.value }, query: range.value } })),
    words: 'The bows are written in.',
    undo: (made) => ({ kind: 'decisions', piece: id.value, act: made.act }),
  })

const keyOf = (s: Stroke) => s.notes[0]!
/** Turned by hand: a fixed point that the rest follows. */
function turn(part: string, s: Stroke) {
  const other = s.direction === 'down' ? 'up-bow' : 'down-bow'
  const body: Partial<Schemas['DecisionRequest']> = {
    part,
    notes: [keyOf(s)],
    add: [other],
    remove: s.printed ? [`${s.direction}-bow`] : [],
    why: 'bow turned by hand',
  }
  return doAct({
    key: `turn ${keyOf(s)}`,
    run: () =>
      fetched(
        api.POST('/api/pieces/{id}/decisions', {
          params: { path: { id: id.value } },
          body: body as Schemas['DecisionRequest'],
        }),
      ),
    words: `${other} from beat ${s.beat} of measure ${s.measure}; the rest follows.`,
    undo: (made) => ({ kind: 'decisions', piece: id.value, act: made.act }),
  })
}
const all = computed(() =>
  plans.value.flatMap((p) => p.strokes.map((s) => ({ id: keyOf(s), part: p.part, stroke: s }))),
)
const step = (by: number) => emit('active', neighbour(all.value, props.active, by)?.id ?? null)
useStationKeys('bows', {
  next: () => step(1),
  previous: () => step(-1),
  turn: () => {
    const at = all.value.find((s) => s.id === props.active)
    if (at) void turn(at.part, at.stroke)
  },
  writeIn: () => void (plans.value.length && writeIn()),
})
const chosen = (strokes: readonly Stroke[]) => {
  const at = strokes.findIndex((s) => keyOf(s) === props.active)
  return at < 0 ? null : { stroke: strokes[at]!, before: strokes[at - 1] }
}

// The proposed bows stand over the notes; where the bow runs out a flag is numbered.
watch(
  [troubles, plans],
  () =>
    emit('flags', [
      ...troubles.value.map((s, i) => ({ id: keyOf(s), number: i + 1, notes: s.notes, label: s.advice })),
      ...plans.value.flatMap((p) =>
        p.strokes
          .filter((s) => s.marked && !s.printed)
          .map((s) => ({
            id: `bow ${keyOf(s)}`,
            number: 0,
            notes: [keyOf(s)],
            label: `${s.direction}-bow`,
            sign: bowSign(s),
          })),
      ),
    ]),
  { immediate: true },
)
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>Bows</h2>
      <ASegmented
        v-if="plans.length"
        v-model:value="which"
        size="small"
        :options="[
          { value: 'first', label: 'Proposed' },
          { value: 'second', label: 'The other way' },
        ]"
      />
      <AButton v-if="plans.length" size="small" type="primary" :loading="busy" @click="writeIn"
        >Write the bows in</AButton
      >
    </div>
    <p v-if="bowing.isError.value" class="empty">{{ bowing.error.value?.message }}</p>
    <p v-else-if="bowing.data.value && plans.length === 0" class="empty">
      No string part bows here. Select a string part on the strip.
    </p>
    <section v-for="p in plans" :key="p.part">
      <h3>{{ names.get(p.part) }}</h3>
      <template v-for="m in byMeasure(p.strokes)" :key="m.index">
        <div class="measure">
          <span class="label">{{ m.measure }}</span>
          <span class="strokes">
            <BowStroke
              v-for="s in m.strokes"
              :key="keyOf(s)"
              :stroke="s"
              :active="active === keyOf(s)"
              @open="emit('active', keyOf(s))"
            />
          </span>
        </div>
        <p class="other">{{ otherWayWords(m.strokes) }}</p>
        <p v-if="chosen(m.strokes)" class="chosen">
          Beat {{ chosen(m.strokes)!.stroke.beat }}: {{ strokeWords(chosen(m.strokes)!.stroke) }}.
          {{ chosen(m.strokes)!.stroke.advice }}
          <AButton size="small" @click="turn(p.part, chosen(m.strokes)!.stroke)">{{
            turnWords(chosen(m.strokes)!.stroke, chosen(m.strokes)!.before)
          }}</AButton>
        </p>
      </template>
    </section>
    <template v-if="troubles.length">
      <h3>Where the bow runs out</h3>
      <ol class="entries">
        <li v-for="(s, i) in troubles" :key="keyOf(s)" :class="{ on: active === keyOf(s) }">
          <button type="button" class="entry" @click="emit('active', keyOf(s))">
            <span class="number">{{ i + 1 }}</span>
            <span class="body">
              <strong>Measure {{ s.measure }}, beat {{ s.beat }}</strong>
              <span class="why">{{ s.advice }}</span>
            </span>
          </button>
        </li>
      </ol>
    </template>
    <p v-if="plans.length" class="legend">
      ⊓ down, V up; outlined strokes carry a sign. ⌣ hooked in one bow, ’ retaken. The line under a stroke is the part
      of the bow from frog to tip. Choose a stroke to turn, hook or retake it.
    </p>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped src="./bows.css"></style>
<style scoped>
.other {
  color: var(--slate);
  margin: -2px 0 4px 40px;
  font-size: 12px;
}
.chosen {
  margin: 0 0 6px 40px;
  font-size: 13px;
}
</style>
