<script setup lang="ts">
import { Input as AInput } from 'ant-design-vue'
import { computed } from 'vue'
import type { Section } from '../../api/client'
import DayField from '../../common/DayField.vue'
import PickMany from '../../common/PickMany.vue'
import type { PassageForm } from './passageForm'

/** Date, title, people and a word to them. */
const form = defineModel<PassageForm>('form', { required: true })
const props = defineProps<{ ensemble: readonly Section[] }>()
const sections = computed(() => props.ensemble.map((s) => ({ value: s.id, label: s.name })))
const players = computed(() =>
  props.ensemble.flatMap((s) => s.players.map((p) => ({ value: p.id, label: `${p.name}, ${s.name}` }))),
)
</script>

<template>
  <div class="form more">
    <label class="field">Ready by <DayField v-model="form.due" required /></label>
    <label class="field"
      >Title <AInput v-model:value="form.title" placeholder="made from the measures" :maxlength="120"
    /></label>
    <div class="field wide">
      <span>Sections</span>
      <PickMany v-model:value="form.sections" :options="sections" label="Sections" placeholder="add a section" />
    </div>
    <div class="field wide">
      <span>Single players</span>
      <PickMany v-model:value="form.players" :options="players" label="Single players" placeholder="add a player" />
    </div>
    <label class="field wide">A word to the players <AInput v-model:value="form.note" :maxlength="200" /></label>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.more {
  margin: 8px 0 12px;
}
</style>
