<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { unitWords } from '../../common/units'

export interface Step {
  id: string
  unit: string
  bpm: number
  quarterBpm: number
  day: number
}
defineProps<{ steps: readonly Step[]; days: number; moveOn: string; active: string | null; sounding: string | null }>()
const emit = defineEmits<{ hear: [Step] }>()
</script>

<template>
  <table class="table steps" data-testid="ladder">
    <caption class="quiet">
      {{
        steps.length
      }}
      steps over
      {{
        days
      }}
      days.
      {{
        moveOn
      }}
    </caption>
    <thead>
      <tr>
        <th scope="col">Step</th>
        <th scope="col">Tempo</th>
        <th scope="col">Day</th>
        <th scope="col"><span class="visually-hidden">Play</span></th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="(s, i) in steps"
        :key="s.id"
        :aria-current="s.id === active"
        :class="{ on: s.id === active || s.id === sounding }"
      >
        <td>{{ i + 1 }}</td>
        <td>{{ unitWords(s.unit) }} = {{ Math.round(s.bpm * 10) / 10 }}</td>
        <td>{{ s.day }}</td>
        <td><AButton size="small" :aria-label="`Play step ${i + 1}`" @click="emit('hear', s)">Play</AButton></td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.steps {
  margin-top: 10px;
}
.steps caption {
  text-align: left;
  padding: 6px 0;
}
.steps td {
  padding: 3px 10px;
}
.steps tr.on td {
  background: rgb(169 121 28 / 16%);
}
</style>
