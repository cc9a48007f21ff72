<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router'
import SheetBar from '../sheets/SheetBar.vue'
import type { Paper } from './papers'

/** A page to print: the bar above, which is not printed, and the sheets. */
defineProps<{ paper?: Paper; back: RouteLocationRaw; words: string; problem?: string }>()
</script>

<template>
  <main id="main" class="sheets">
    <SheetBar :paper="paper" :back="back" :words="words"><slot name="bar" /></SheetBar>
    <p v-if="problem" class="card empty" role="alert">{{ problem }}</p>
    <slot />
  </main>
</template>

<style src="../sheets/sheet.css"></style>
