<script setup lang="ts">
import { Button as AButton, Input as AInput } from 'ant-design-vue'
import DayField from '../../common/DayField.vue'
import PickOne from '../../common/PickOne.vue'
import { ways, type RoundDraft } from './draft'

/** Rounds with their days, and how they are heard. */
const rounds = defineModel<RoundDraft[]>('rounds', { required: true })
const names = ['First round', 'Second round', 'Final round']
const add = () =>
  (rounds.value = [
    ...rounds.value,
    {
      id: 0,
      name: names[rounds.value.length] ?? `Round ${rounds.value.length + 1}`,
      held: '',
      way: 'live',
      screened: false,
    },
  ])
const leaveOut = (at: number) => (rounds.value = rounds.value.filter((_, i) => i !== at))
</script>

<template>
  <fieldset>
    <legend>Rounds</legend>
    <div v-for="(r, i) in rounds" :key="i" class="round">
      <AInput v-model:value="r.name" :aria-label="`Name of round ${i + 1}`" :maxlength="80" />
      <DayField v-model="r.held" :label="`Day of ${r.name}`" />
      <PickOne v-model:value="r.way" :options="ways" :label="`How ${r.name} is heard`" />
      <label><input v-model="r.screened" type="checkbox" /> screened</label>
      <AButton
        size="small"
        type="text"
        :disabled="rounds.length === 1"
        :aria-label="`Leave out ${r.name}`"
        @click="leaveOut(i)"
        >Leave out</AButton
      >
    </div>
    <AButton size="small" :disabled="rounds.length > 7" @click="add">Add a round</AButton>
    <p class="quiet">Screened: listeners do not know who plays.</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
  justify-items: start;
}
legend {
  padding: 0 0 4px;
  font-weight: 600;
}
.round {
  display: grid;
  grid-template-columns: 170px 150px 210px auto auto;
  gap: 8px;
  align-items: center;
}
p {
  margin: 0;
  font-size: 12.5px;
}
</style>
