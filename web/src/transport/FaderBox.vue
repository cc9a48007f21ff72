<script setup lang="ts">
/** One of the things that sound: on or off, and how loud. */
defineProps<{ label: string; on: boolean; volume: number; title?: string }>()
const emit = defineEmits<{ 'update:on': [boolean]; 'update:volume': [number] }>()
const checked = (e: Event) => (e.target as HTMLInputElement).checked
const number = (e: Event) => Number((e.target as HTMLInputElement).value)
</script>

<template>
  <span class="fader" :title="title">
    <label><input type="checkbox" :checked="on" @change="emit('update:on', checked($event))" /> {{ label }}</label>
    <input
      type="range"
      min="0"
      max="1"
      step="0.05"
      :value="volume"
      :disabled="!on"
      :aria-label="`Volume of ${label}`"
      @input="emit('update:volume', number($event))"
    />
  </span>
</template>

<style scoped>
.fader {
  display: grid;
  grid-template-columns: auto;
  line-height: 1.15;
  font-size: 13px;
}
input[type='range'] {
  width: 84px;
  height: 14px;
  accent-color: var(--plum);
}
input[type='checkbox'] {
  accent-color: var(--plum);
}
</style>
