<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { usePiece } from '../api/queries'
import PaperSheet from '../parts/print/PaperSheet.vue'
import { inside } from '../parts/print/papers'
import PrintFrame from '../parts/print/PrintFrame.vue'
import { usePaper } from '../parts/print/usePaper'
import VariantMusic from './VariantMusic.vue'
import { useVariants, variantUrl } from './queries'

/** A practice sheet: two to five ways to practice one passage, engraved, on a page. */
const route = useRoute()
const { paper } = usePaper()
const id = computed(() => Number(route.params.id))
const piece = usePiece(id)
const text = (name: string) => String(route.query[name] ?? '')
const passage = computed(() => ({ piece: id.value, part: text('part'), from: text('from'), to: text('to') }))
const variants = useVariants(passage)
const chosen = computed(() => {
  const all = variants.data.value ?? []
  const asked = text('recipes').split(',')
  const found = asked.map((r) => all.find((v) => v.recipe === r)).filter((v) => v !== undefined)
  return found.length ? found : all.slice(0, 3)
})
const part = computed(
  () => piece.data.value?.parts.find((p) => p.id === passage.value.part)?.name ?? passage.value.part,
)
const place = computed(() => {
  const { from, to } = passage.value
  return from === to ? `measure ${from}` : `measures ${from}–${to}`
})
// More ways, smaller music: all of them stand on one page where they can.
const sizes = [46, 46, 42, 36, 32, 28]
const scale = computed(() => sizes[Math.min(chosen.value.length, 5)]!)
</script>

<template>
  <PrintFrame
    :paper="paper"
    :back="{
      name: 'piece',
      params: { id, station: 'tempo' },
      query: { parts: passage.part, from: passage.from, to: passage.to },
    }"
    words="Back to the piece"
    :problem="variants.error.value?.message"
  >
    <PaperSheet v-if="piece.data.value && variants.data.value" class="sheet-page" :paper="paper" label="Practice sheet">
      <header>
        <div>
          <h1>{{ piece.data.value.title }}</h1>
          <p>Ways to practice {{ place }}</p>
        </div>
        <div class="who">
          <strong>{{ part }}</strong>
        </div>
      </header>
      <section v-for="v in chosen" :key="v.recipe" class="way">
        <h2>{{ v.title }}</h2>
        <p>{{ v.why }}</p>
        <VariantMusic :url="variantUrl(passage, v.recipe)" :width="inside(paper).width" :scale="scale" />
      </section>
      <footer>
        Rest five minutes in every half hour. Pain, numbness or locked fingers: stop and tell your teacher.
      </footer>
    </PaperSheet>
  </PrintFrame>
</template>

<style scoped>
.way {
  break-inside: avoid;
  margin-bottom: 10px;
}
.way h2 {
  margin: 6px 0 0;
}
.way p {
  margin: 0 0 4px;
  font-size: 13.5px;
}
</style>
