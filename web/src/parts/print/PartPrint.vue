<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { usePiece } from '../../api/queries'
import PartPages from './PartPages.vue'
import PrintBar from './PrintBar.vue'
import { tellDrawn, usePaper } from './usePaper'

/** One part to play from. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const partId = computed(() => String(route.params.part))
const piece = usePiece(id)
const { paper, cues } = usePaper()
const ready = ref(false)
const isThere = computed(() => piece.data.value?.parts.some((p) => p.id === partId.value))
watch([partId, paper, cues], () => (ready.value = false))
watch(ready, tellDrawn, { immediate: true })
</script>

<template>
  <main id="main" class="sheets">
    <PrintBar :back="{ name: 'parts', params: { id } }" back-words="Back to the parts" :ready="ready">
      <RouterLink :to="{ name: 'print', params: { id }, query: route.query }">All parts</RouterLink>
    </PrintBar>
    <p v-if="piece.isError.value" class="card empty">{{ piece.error.value?.message }}</p>
    <p v-else-if="piece.data.value && !isThere" class="card empty" role="alert">
      This piece has no part “{{ partId }}”. Choose one under Parts and files.
    </p>
    <PartPages
      v-else-if="piece.data.value"
      :piece="piece.data.value"
      :part="partId"
      :paper="paper"
      :cues="cues"
      @ready="ready = true"
    />
  </main>
</template>

<style src="../sheets/sheet.css"></style>
