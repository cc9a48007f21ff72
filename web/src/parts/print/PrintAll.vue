<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { usePiece } from '../../api/queries'
import PartPages from './PartPages.vue'
import PdfAll from './PdfAll.vue'
import PrintBar from './PrintBar.vue'
import { tellDrawn, usePaper } from './usePaper'

/** All parts of a piece in one print, one after the other. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const piece = usePiece(id)
const { paper, cues } = usePaper()
const drawn = ref(new Set<string>())
const wanted = computed(() => {
  const named = String(route.query.parts ?? '')
    .split(',')
    .filter(Boolean)
  return (piece.data.value?.parts ?? []).filter((p) => named.length === 0 || named.includes(p.id))
})
const ready = computed(() => wanted.value.length > 0 && wanted.value.every((p) => drawn.value.has(p.id)))
watch([paper, cues], () => (drawn.value = new Set()))
watch(ready, tellDrawn, { immediate: true })
</script>

<template>
  <main id="main" class="sheets">
    <PrintBar :back="{ name: 'parts', params: { id } }" back-words="Back to the parts" :ready="ready">
      <span class="quiet" role="status">{{ drawn.size }} of {{ wanted.length }} parts drawn</span>
      <PdfAll :piece="id" :parts="wanted.map((p) => p.id)" :paper="paper.name" :cues="cues" />
    </PrintBar>
    <h1 class="visually-hidden">All parts of {{ piece.data.value?.title }}</h1>
    <p v-if="piece.isError.value" class="card empty">{{ piece.error.value?.message }}</p>
    <template v-if="piece.data.value">
      <PartPages
        v-for="p in wanted"
        :key="p.id"
        :piece="piece.data.value"
        :part="p.id"
        :paper="paper"
        :cues="cues"
        @ready="drawn = new Set([...drawn, p.id])"
      />
    </template>
  </main>
</template>

<style src="../sheets/sheet.css"></style>
