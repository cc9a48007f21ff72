<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, take } from '../api/client'
import { usePiece } from '../api/queries'
import { longDate } from '../common/dates'
import PickOne from '../common/PickOne.vue'
import { engravePage, sliceUrl } from '../engraving/engraver'
import { pageEnd, papers, pixels } from './pages'

/** One part with its decisions, page by page; a page ends at a rest where one stands near its end. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const partId = computed(() => String(route.params.part))
const piece = usePiece(id)
const paper = ref('A4')
const part = computed(() => piece.data.value?.parts.find((p) => p.id === partId.value))
const headPixels = 64
const mostAtOnce = 80

const notes = useQuery({
  queryKey: computed(() => ['piece', id.value, 'notes', partId.value]),
  queryFn: () =>
    take(api.GET('/api/pieces/{id}/parts/{part}/notes', { params: { path: { id: id.value, part: partId.value } } })),
})
const rests = computed(() => {
  const playing = new Set(notes.data.value?.filter((n) => !n.rest).map((n) => n.index))
  return new Set((piece.data.value?.measures ?? []).map((_, i) => i).filter((i) => !playing.has(i)))
})

const pages = useQuery({
  queryKey: computed(() => ['piece', id.value, 'pages', partId.value, paper.value]),
  enabled: computed(() => !!piece.data.value && !!notes.data.value && !!part.value),
  queryFn: async () => {
    const labels = piece.data.value!.measures
    const size = papers.find((p) => p.name === paper.value)!
    const width = pixels(size.width)
    const out: { svg: string; from: string; to: string }[] = []
    const url = (from: number, to: number) => sliceUrl(id.value, [partId.value], labels[from]!, labels[to]!)
    for (let first = 0; first < labels.length;) {
      const height = pixels(size.height) - headPixels
      const last = Math.min(first + mostAtOnce, labels.length - 1)
      let page = await engravePage(url(first, last), width, 46, height)
      const end = Math.min(last, pageEnd(first, page.measures, labels.length, rests.value))
      if (first + page.measures - 1 !== end) page = await engravePage(url(first, end), width, 46, height)
      out.push({ svg: page.svg, from: labels[first]!, to: labels[end]! })
      first = end + 1
    }
    return out
  },
})
const print = () => window.print()
</script>

<template>
  <main id="main" class="sheets">
    <p class="bar">
      <RouterLink :to="{ name: 'parts', params: { id } }">Back to the parts</RouterLink>
      <span class="paper"
        ><PickOne v-model:value="paper" label="Paper" :options="papers.map((p) => ({ value: p.name, label: p.name }))"
      /></span>
      <button type="button" @click="print">Print</button>
      <span class="quiet">Pages end at a rest where one stands near the end of the page.</span>
    </p>
    <p v-if="piece.isError.value || pages.isError.value" class="card empty">
      {{ (piece.error.value ?? pages.error.value)?.message }}
    </p>
    <article
      v-for="(p, i) in pages.data.value"
      :key="p.from"
      class="part-page"
      :aria-label="`Page ${i + 1}, measures ${p.from}–${p.to}`"
    >
      <header>
        <h1 v-if="i === 0">{{ piece.data.value!.title }}</h1>
        <span v-else class="small">{{ piece.data.value!.title }}</span>
        <span>
          <strong>{{ part?.name }}</strong>
          <template v-if="piece.data.value!.due"> · {{ longDate(piece.data.value!.due) }}</template> · {{ i + 1 }} of
          {{ pages.data.value!.length }}
        </span>
      </header>
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div class="music" v-html="p.svg"></div>
    </article>
    <p v-if="pages.isPending.value" class="bar quiet">Engraving the part</p>
  </main>
</template>

<style src="../views/piece/sheet.css"></style>
<style scoped>
.paper {
  width: 110px;
}
.part-page {
  background: #fff;
  border: 1px solid var(--line);
  width: 760px;
  margin: 0 auto 20px;
  padding: 24px 34px;
}
.part-page header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  height: 40px;
}
@media print {
  .part-page {
    border: 0;
    width: auto;
    margin: 0;
    padding: 0;
    break-after: page;
  }
  .part-page:last-of-type {
    break-after: auto;
  }
}
</style>
<style>
.part-page .music svg {
  width: 100%;
  height: auto;
  display: block;
}
</style>
