<script setup lang="ts">
import type { Stroke } from '../../api/client'
import { bowSign, strokeWords } from './bows'

/** One stroke: its sign, the part of the bow that it takes, and how the bow gets there. */
const props = defineProps<{ stroke: Stroke; active: boolean }>()
defineEmits<{ open: [] }>()
const told = () => `beat ${props.stroke.beat}, ${props.stroke.direction}-bow: ${strokeWords(props.stroke)}`
</script>

<template>
  <button
    type="button"
    class="stroke"
    :class="{ marked: stroke.marked || stroke.printed, on: active, trouble: stroke.trouble }"
    :title="told()"
    :aria-label="told()"
    @click="$emit('open')"
  >
    <span class="sign" aria-hidden="true">{{ bowSign(stroke) }}</span>
    <span class="hair" aria-hidden="true"
      ><i
        :style="{
          left: `${100 * Math.min(stroke.from, stroke.to)}%`,
          width: `${100 * Math.max(0.03, Math.abs(stroke.to - stroke.from))}%`,
        }"
      ></i
    ></span>
    <span v-if="stroke.join !== 'turn'" class="join">{{ stroke.join === 'hook' ? '⌣' : '’' }}</span>
  </button>
</template>

<style scoped src="./bows.css"></style>
