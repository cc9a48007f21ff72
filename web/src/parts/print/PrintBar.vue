<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import PickOne from '../../common/PickOne.vue'
import { papers } from './papers'

/** What is chosen before printing: paper and cues; it stands in the address, so that the same pages are made by the server. */
defineProps<{ back: { name: string; params: Record<string, string | number> }; backWords: string; ready: boolean }>()
const route = useRoute()
const router = useRouter()
const set = (change: Record<string, string | undefined>) => router.replace({ query: { ...route.query, ...change } })
const print = () => window.print()
</script>

<template>
  <p class="bar">
    <RouterLink :to="back">{{ backWords }}</RouterLink>
    <span class="paper"
      ><PickOne
        :value="String(route.query.paper ?? 'A4')"
        label="Paper"
        :options="papers.map((p) => ({ value: p.name, label: p.name }))"
        @update:value="set({ paper: $event })"
    /></span>
    <label
      ><input
        type="checkbox"
        :checked="route.query.cues === 'true'"
        @change="set({ cues: ($event.target as HTMLInputElement).checked ? 'true' : undefined })"
      />
      cues before entries after long rests</label
    >
    <button type="button" :disabled="!ready" @click="print">Print</button>
    <slot />
  </p>
</template>

<style scoped>
.paper {
  width: 110px;
}
</style>
