<script setup lang="ts" generic="T extends string | number">
/** Several of a list: chosen ones as removable chips, the rest behind one control. */
import { computed, shallowRef } from 'vue'
import PickOne from './PickOne.vue'

const chosen = defineModel<T[]>('value', { required: true })
const props = defineProps<{
  options: readonly { value: T; label: string }[]
  label: string
  placeholder?: string
}>()
const next = shallowRef<T>()
const rest = computed(() => props.options.filter((o) => !chosen.value.includes(o.value)))
const name = (value: T) => props.options.find((o) => o.value === value)?.label ?? ''

function add(value: T | undefined) {
  if (value !== undefined) chosen.value = [...chosen.value, value]
  next.value = undefined
}
</script>

<template>
  <div>
    <PickOne :value="next" :options="rest" :label="label" :placeholder="placeholder" @update:value="add" />
    <ul v-if="chosen.length" class="chips">
      <li v-for="c in chosen" :key="c">
        {{ name(c) }}
        <button type="button" :aria-label="`Leave out ${name(c)}`" @click="chosen = chosen.filter((x) => x !== c)">
          ×
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.chips li {
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 1px 2px 1px 8px;
  color: var(--ink);
}
.chips button {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: 15px;
  color: var(--slate);
}
</style>
