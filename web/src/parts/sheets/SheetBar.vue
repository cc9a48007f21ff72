<script setup lang="ts">
import { useRoute, useRouter, type RouteLocationRaw } from 'vue-router'
import PickOne from '../../common/PickOne.vue'
import { papers, type Paper } from '../print/papers'

/** Above a page to print: the way back, the paper, print, and what the page adds; itself it is not printed. */
defineProps<{ paper?: Paper; back: RouteLocationRaw; words: string }>()
const route = useRoute()
const router = useRouter()
const options = papers.map((p) => ({ value: p.name, label: p.name }))
const choose = (name: string | undefined) => router.replace({ query: { ...route.query, paper: name } })
const print = () => window.print()
</script>

<template>
  <p class="bar">
    <RouterLink :to="back">{{ words }}</RouterLink>
    <span v-if="paper" class="paper"
      ><PickOne :value="paper.name" label="Paper" :options="options" @update:value="choose"
    /></span>
    <button type="button" @click="print">Print</button>
    <slot />
  </p>
</template>

<style scoped>
.paper {
  width: 110px;
}
</style>
