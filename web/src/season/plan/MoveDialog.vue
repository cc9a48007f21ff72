<script setup lang="ts">
import { ref } from 'vue'
import { isBusy } from '../../acts/useAct'
import DayField from '../../common/DayField.vue'
import FormDialog from '../../common/FormDialog.vue'
import { usePlanning } from './usePlanning'
import { dayName, type Work } from '../weeks'

/** Moves one session to another day; plans to come go around it. */
const props = defineProps<{ work: Work; version: number }>()
const emit = defineEmits<{ close: [] }>()
const { move } = usePlanning()
const day = ref(props.work.day)
const busy = isBusy(`session ${props.work.session}`)

async function save() {
  if (day.value === props.work.day) {
    emit('close')
    return
  }
  const words = `“${props.work.title}” moved from ${dayName(props.work.day)} to ${dayName(day.value)}. Plan anew to lay the rest around it.`
  if (await move(props.work, day.value, props.version, words)) emit('close')
}
</script>

<template>
  <FormDialog title="Move this session" ok-text="Move" :busy="busy" @save="save" @close="emit('close')">
    <p class="what">
      <strong>{{ work.title }}</strong>, {{ work.measures }}: {{ work.tempo }}, {{ work.minutes }} minutes,
      {{ work.players.length }}
      {{ work.players.length === 1 ? 'player' : 'players' }}
    </p>
    <label class="field">To the day <DayField v-model="day" required /></label>
  </FormDialog>
</template>

<style scoped>
.what {
  margin: 0;
}
</style>
