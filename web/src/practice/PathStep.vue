<script setup lang="ts">
import { computed } from 'vue'
import PickOne from '../common/PickOne.vue'

/** The ways to practice at one step: taken off by a press, added from what suits the passage. */
const recipes = defineModel<string[]>('recipes', { required: true })
const props = defineProps<{ titles: ReadonlyMap<string, string>; label: string; advice: string }>()
const most = 6
const left = computed(() =>
  [...props.titles].filter(([recipe]) => !recipes.value.includes(recipe)).map(([value, label]) => ({ value, label })),
)
const take = (recipe: string | undefined) => {
  if (recipe) recipes.value = [...recipes.value, recipe]
}
</script>

<template>
  <div class="step">
    <span class="chips">
      <button
        v-for="r in recipes"
        :key="r"
        type="button"
        class="chip"
        :aria-label="`Leave out ${titles.get(r)} at ${label}`"
        @click="recipes = recipes.filter((x) => x !== r)"
      >
        {{ titles.get(r) }} <span aria-hidden="true">×</span>
      </button>
      <span v-if="recipes.length === 0" class="quiet">as printed</span>
    </span>
    <span v-if="advice" class="quiet">{{ advice }}</span>
    <PickOne
      v-if="left.length && recipes.length < most"
      :key="recipes.length"
      :value="undefined"
      :options="left"
      :label="`Add at ${label}`"
      placeholder="add a way to practice"
      @update:value="take"
    />
  </div>
</template>

<style scoped>
.step {
  display: grid;
  gap: 4px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.chip {
  padding: 1px 8px;
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 10px;
  color: var(--ink);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
.quiet {
  font-size: 13px;
}
</style>
