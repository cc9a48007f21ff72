<script setup lang="ts">
import { api, fetched } from '../../api/client'
import PdfJob from './PdfJob.vue'

/** All parts as PDFs in one zip. */
const props = defineProps<{ piece: number; parts: readonly string[]; paper: string; cues: boolean }>()
const start = () =>
  fetched(
    api.POST('/api/pieces/{id}/prints', {
      params: { path: { id: props.piece } },
      body: { parts: [...props.parts], paper: props.paper, cues: props.cues },
    }),
  )
</script>

<template><PdfJob words="PDFs of all parts (zip)" :start="start" /></template>
