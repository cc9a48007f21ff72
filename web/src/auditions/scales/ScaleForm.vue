<script setup lang="ts">
import { InputNumber as AInputNumber } from 'ant-design-vue'
import { computed } from 'vue'
import { useInstruments } from '../../api/queries'
import PickMany from '../../common/PickMany.vue'
import PickOne from '../../common/PickOne.vue'
import { useScaleChoices, useScaleKeys } from '../queries'
import type { ScaleWish } from './wish'

/** Which scales, and how they are written. */
const wish = defineModel<ScaleWish>('wish', { required: true })
const choices = useScaleChoices()
const instruments = useInstruments()
const scales = useScaleKeys(
  computed(() => wish.value.instrument),
  computed(() => wish.value.kinds[0] ?? 'major'),
  computed(() => wish.value.level || undefined),
)
const options = (list: readonly { name: string; words: string }[] | undefined) =>
  (list ?? []).map((x) => ({ value: x.name, label: x.words }))
const levels = computed(() => [
  { value: '', label: `as the school says: ${choices.data.value?.level ?? ''}` },
  ...(choices.data.value?.levels ?? []).map((l) => ({ value: l, label: l })),
])
const tonics = computed(() =>
  (scales.data.value ?? []).map((k) => ({
    value: k.tonic,
    label: `${k.name}, ${k.signs}, ${octaveWords[k.octaves] ?? `${k.octaves} octaves`}${k.wider ? ` (${k.wider})` : ''}`,
  })),
)
const octaveWords: Record<number, string> = { 0: 'no whole octave', 1: '1 octave' }
const begins = [
  { value: 0, label: 'on the lowest of the range' },
  { value: 1, label: 'an octave higher' },
  { value: 2, label: 'two octaves higher' },
]
const signs = [
  { value: 'signature', label: 'in the signature' },
  { value: 'accidentals', label: 'at the notes' },
]
const fingerings = [
  { value: 'chosen', label: 'where a choice is better written in' },
  { value: 'all', label: 'at every note that has several' },
  { value: 'none', label: 'none' },
]
const positions = [
  { value: '', label: 'as the school numbers them' },
  { value: 'small-steps', label: 'many small steps' },
  { value: 'six', label: 'six larger ones' },
]
</script>

<template>
  <div class="form">
    <div class="field">
      <span>Instrument</span>
      <PickOne
        v-model:value="wish.instrument"
        :options="
          (instruments.data.value ?? []).filter((i) => i.id !== 'drums').map((i) => ({ value: i.id, label: i.name }))
        "
        label="Instrument"
      />
    </div>
    <div class="field">
      <span>Kinds</span>
      <PickMany
        v-model:value="wish.kinds"
        :options="options(choices.data.value?.kinds)"
        label="Kinds"
        placeholder="add a kind"
      />
    </div>
    <div class="field">
      <span>Keys, as the instrument reads them, in the usual order of learning</span>
      <PickMany v-model:value="wish.tonics" :options="tonics" label="Keys" placeholder="add a key" />
    </div>
    <label class="field"
      >Octaves
      <AInputNumber v-model:value="wish.octaves" :min="1" :max="7" placeholder="all it has" aria-label="Octaves"
    /></label>
    <div class="field"><span>Begins</span><PickOne v-model:value="wish.up" :options="begins" label="Begins" /></div>
    <div class="field">
      <span>Range of level</span><PickOne v-model:value="wish.level" :options="levels" label="Range of level" />
    </div>
    <div class="field">
      <span>Rhythm</span>
      <PickOne
        v-model:value="wish.rhythm"
        :options="(choices.data.value?.rhythms ?? []).map((r) => ({ value: r, label: r.replaceAll('-', ' ') }))"
        label="Rhythm"
      />
    </div>
    <div class="field">
      <span>Slurs</span
      ><PickOne v-model:value="wish.slurring" :options="options(choices.data.value?.slurrings)" label="Slurs" />
    </div>
    <div class="field"><span>Signs</span><PickOne v-model:value="wish.signs" :options="signs" label="Signs" /></div>
    <div class="field">
      <span>Fingerings</span><PickOne v-model:value="wish.fingerings" :options="fingerings" label="Fingerings" />
    </div>
    <div v-if="wish.instrument === 'contrabass'" class="field">
      <span>Positions</span><PickOne v-model:value="wish.positions" :options="positions" label="Positions" />
    </div>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 8px;
}
</style>
