<script setup lang="ts">
import PickOne from '../../common/PickOne.vue'
import { InputNumber as AInputNumber } from 'ant-design-vue'
import { units, unitWords } from '../../transport/store'
import type { LadderAsk } from './ladder'

const ask = defineModel<LadderAsk>({ required: true })
defineProps<{ withDays?: boolean }>()
const unitOptions = units.map((u) => ({ value: u, label: unitWords(u) }))
const byOptions = [
  { value: 'step', label: 'a fixed step (beats)' },
  { value: 'percent', label: 'a percentage' },
  { value: 'marks', label: 'traditional marks' },
  { value: 'count', label: 'a number of steps' },
]
</script>

<template>
  <div class="form">
    <div class="field">
      <span>Start</span>
      <div class="pair">
        <PickOne v-model:value="ask.start.unit" :options="unitOptions" label="Unit of the start" />
        <AInputNumber v-model:value="ask.start.bpm" :min="1" :max="1000" aria-label="Beats per minute of the start" />
      </div>
    </div>
    <div class="field">
      <span>Goal</span>
      <div class="pair">
        <PickOne v-model:value="ask.goal.unit" :options="unitOptions" label="Unit of the goal" />
        <AInputNumber v-model:value="ask.goal.bpm" :min="1" :max="1000" aria-label="Beats per minute of the goal" />
      </div>
    </div>
    <div class="field">
      <span>Climb by</span>
      <PickOne v-model:value="ask.by" :options="byOptions" label="How the ladder climbs" />
    </div>
    <div class="field two">
      <label>Size <AInputNumber v-model:value="ask.value" :min="1" :max="400" aria-label="Size of a step" /></label>
      <label v-if="withDays"
        >Days <AInputNumber v-model:value="ask.days" :min="1" :max="366" aria-label="Days"
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
