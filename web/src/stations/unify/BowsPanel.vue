<script setup lang="ts">
import { App as AApp, Button as AButton } from 'ant-design-vue'
import { computed, watch } from 'vue'
import { api, take, type Stroke } from '../../api/client'
import { useBowing, usePieceChange } from '../../api/queries'
import type { StationEvents, StationProps } from '..'
import { bowSign, byMeasure, otherWay, strokeWords } from './bows'
import { tellError } from '../../common/tell'

/** The bowing of the string parts in the selection, with what each stroke spends of the bow. */
const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const { message } = AApp.useApp()
const range = computed(() => ({
  part: props.selection ? props.shown.parts.join(',') : undefined,
  from: props.piece.measures[props.shown.from]!,
  to: props.piece.measures[props.shown.to]!,
}))
const bowing = useBowing(id, range)
const names = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const plans = computed(() => (bowing.data.value ?? []).filter((p) => p.strokes.length > 0))
const troubles = computed(() => plans.value.flatMap((p) => p.strokes.filter((s) => s.trouble)))

const write = usePieceChange(id, () =>
  take(api.POST('/api/pieces/{id}/bowing/mark', { params: { path: { id: id.value }, query: range.value } })),
)
async function writeIn() {
  try {
    await write.mutateAsync(undefined)
    message.success('The bows are written in; undo them in the decision list.')
  } catch (e) {
    tellError(e)
  }
}

const keyOf = (s: Stroke) => s.notes[0]!
watch(
  troubles,
  (list) =>
    emit(
      'flags',
      list.map((s, i) => ({ id: keyOf(s), number: i + 1, notes: s.notes, label: s.advice })),
    ),
  { immediate: true },
)
const percent = (share: number) => `${Math.round(share * 100)} %`
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>Bows</h2>
      <AButton v-if="plans.length" size="small" type="primary" @click="writeIn">Write the bows in</AButton>
    </div>
    <p v-if="bowing.isError.value" class="empty">{{ bowing.error.value?.message }}</p>
    <p v-else-if="bowing.data.value && plans.length === 0" class="empty">
      No string part bows here. Select a string part on the strip.
    </p>
    <section v-for="p in plans" :key="p.part">
      <h3>{{ names.get(p.part) }}</h3>
      <div v-for="m in byMeasure(p.strokes)" :key="m.index" class="measure">
        <span class="label">{{ m.measure }}</span>
        <span class="strokes">
          <button
            v-for="s in m.strokes"
            :key="keyOf(s)"
            type="button"
            class="stroke"
            :class="{ marked: s.marked || s.printed, on: active === keyOf(s), trouble: s.trouble }"
            :title="`beat ${s.beat}: ${strokeWords(s) || 'as a player would'}; ${percent(s.share)} of the bow`"
            :aria-label="`beat ${s.beat}, ${s.direction}-bow${strokeWords(s) ? ', ' + strokeWords(s) : ''}, ${percent(s.share)} of the bow`"
            @click="emit('active', keyOf(s))"
          >
            <span class="sign" aria-hidden="true">{{ bowSign(s) }}</span>
            <span class="hair" aria-hidden="true"
              ><i
                :style="{
                  left: `${100 * Math.min(s.from, s.to)}%`,
                  width: `${100 * Math.max(0.03, Math.abs(s.to - s.from))}%`,
                }"
              ></i
            ></span>
            <span v-if="s.join !== 'turn'" class="join">{{ s.join === 'hook' ? '⌣' : '’' }}</span>
          </button>
        </span>
        <span class="other" :title="'what it would cost to bow this measure the other way'"
          >+{{ otherWay(m.strokes).toFixed(1) }}</span
        >
      </div>
    </section>
    <template v-if="troubles.length">
      <h3>Where the bow runs out</h3>
      <ol class="entries">
        <li v-for="(s, i) in troubles" :key="keyOf(s)" :class="{ on: active === keyOf(s) }">
          <button type="button" class="entry" @click="emit('active', keyOf(s))">
            <span class="number">{{ i + 1 }}</span>
            <span class="body">
              <strong>Measure {{ s.measure }}, beat {{ s.beat }}: needs {{ percent(s.share) }} of the bow</strong>
              <span class="why">{{ s.advice }}</span>
            </span>
          </button>
        </li>
      </ol>
    </template>
    <p v-if="plans.length" class="legend">
      ⊓ down, V up; outlined strokes carry a sign. ⌣ hooked in one bow, ’ retaken. The line under a stroke is the part
      of the bow from frog to tip. The last figure is what the measure costs bowed the other way.
    </p>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped src="./bows.css"></style>
