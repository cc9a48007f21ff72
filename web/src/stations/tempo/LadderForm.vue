<script setup lang="ts">
import PickOne from '../../common/PickOne.vue'
import { InputNumber as AInputNumber } from 'ant-design-vue'
import { units, unitWords } from '../../common/units'
import type { LadderAsk } from './ladder'

const props = defineProps<{ ask: LadderAsk; withDays?: boolean }>()
const emit = defineEmits<{ type: [Partial<LadderAsk>] }>()
const tempo = (which: 'start' | 'goal', change: { unit?: string; bpm?: number }) =>
  emit('type', { [which]: { ...props.ask[which], ...change } })
const isNumber = (v: unknown): v is number => typeof v === 'number'
const sizeWords: Record<string, string> = {
  step: 'Beats a step',
  percent: 'Percent',
  marks: 'Marks a step',
  count: 'Steps',
}
const unitOptions = units.map((u) => ({ value: u, label: unitWords(u) }))
const byOptions = [
  { value: 'step', label: 'a fixed step (beats)' },
  { value: 'percent', label: 'a percentage' },
  { value: 'marks', label: 'traditional marks' },
  { value: 'count', label: 'a number of steps' },
]
const ways = [
  { value: 'straight', label: 'straight up' },
  { value: 'two-up-one-back', label: 'two up, one back' },
]
</script>

<template>
  <div class="form">
    <div class="field">
      <span>Start</span>
      <div class="pair">
        <PickOne
          :value="ask.start.unit"
          :options="unitOptions"
          label="Unit of the start"
          @update:value="tempo('start', { unit: $event })"
        />
        <AInputNumber
          :value="ask.start.bpm"
          :min="1"
          :max="1000"
          aria-label="Beats per minute of the start"
          @update:value="isNumber($event) && tempo('start', { bpm: $event })"
        />
      </div>
    </div>
    <div class="field">
      <span>Goal</span>
      <div class="pair">
        <PickOne
          :value="ask.goal.unit"
          :options="unitOptions"
          label="Unit of the goal"
          @update:value="tempo('goal', { unit: $event })"
        />
        <AInputNumber
          :value="ask.goal.bpm"
          :min="1"
          :max="1000"
          aria-label="Beats per minute of the goal"
          @update:value="isNumber($event) && tempo('goal', { bpm: $event })"
        />
      </div>
    </div>
    <div class="field">
      <span>Climb by</span>
      <PickOne
        :value="ask.by"
        :options="byOptions"
        label="How the ladder climbs"
        @update:value="$event && emit('type', { by: $event })"
      />
    </div>
    <div class="field two">
      <label
        >{{ sizeWords[ask.by] ?? 'Size' }}
        <AInputNumber
          :value="ask.value"
          :min="1"
          :max="400"
          aria-label="Size of a step"
          @update:value="isNumber($event) && emit('type', { value: $event })"
      /></label>
      <label v-if="withDays"
        >Days
        <AInputNumber
          :value="ask.days"
          :min="1"
          :max="366"
          aria-label="Days"
          @update:value="isNumber($event) && emit('type', { days: $event })"
      /></label>
    </div>
    <div v-if="withDays" class="field">
      <span>Way</span>
      <PickOne
        :value="ask.way"
        :options="ways"
        label="Way over the steps"
        @update:value="$event && emit('type', { way: $event })"
      />
    </div>
    <div v-if="withDays" class="field two">
      <label
        >Past the goal, percent
        <AInputNumber
          :value="ask.past"
          :min="0"
          :max="25"
          aria-label="Percent past the goal and back"
          @update:value="isNumber($event) && emit('type', { past: $event })"
      /></label>
    </div>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.form {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 68px;
  gap: 4px;
}
.pair :deep(.ant-input-number) {
  width: 68px;
}
.two {
  flex-direction: row;
  gap: 12px;
  align-items: end;
}
.two label {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
</style>
