<script setup lang="ts">
import { api, fetched } from '../../api/client'
import PdfJob from '../../parts/print/PdfJob.vue'
import type { AuditionSet } from '../queries'

/** Style sheet, part letters and practice sheets of all players as PDFs in one zip. */
const props = defineProps<{ set: AuditionSet }>()
const start = () =>
  fetched(api.POST('/api/auditions/{set}/prints', { params: { path: { set: props.set.id } }, body: { paper: null } }))
</script>

<template><PdfJob class="plain" words="PDFs for all players (zip)" :start="start" /></template>

<style scoped>
button.plain {
  border: 0;
  background: none;
  padding: 0;
  font: inherit;
  color: var(--plum);
  text-decoration: underline;
  cursor: pointer;
}
</style>
