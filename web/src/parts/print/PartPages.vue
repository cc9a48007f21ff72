<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { api, fetched, type Piece } from '../../api/client'
import { longDate } from '../../common/dates'
import { engraveUrl, paperUrl, sliceUrl } from '../../engraving/engraver'
import { clearNumbers } from '../../engraving/measureNumbers'
import { fractionValue } from '../../common/units'
import { layOut, onOnePage, restsAt } from './layOut'
import { inside, marginMillimetres, type Paper } from './papers'

/** The pages of one part, each as large as the paper. */
const props = defineProps<{ piece: Piece; part: string; paper: Paper; cues: boolean }>()
const emit = defineEmits<{ ready: [] }>()
const part = computed(() => props.piece.parts.find((p) => p.id === props.part))
const headPixels = [62, 34]
const usual = 45
/** A part of two pages is drawn so small on one, where that does. */
const small = 41

const pages = useQuery({
  queryKey: computed(() => ['piece', props.piece.id, 'pages', props.part, props.paper.name, props.cues]),
  meta: { shown: true },
  queryFn: async ({ signal }) => {
    const { id, measures: labels, frames } = props.piece
    const notes = await fetched(
      api.GET('/api/pieces/{id}/parts/{part}/notes', { params: { path: { id, part: props.part } }, signal }),
    )
    const starts = frames.reduce((all, f) => [...all, all.at(-1)! + fractionValue(f.length)], [0])
    const size = inside(props.paper)
    const at = (scale: number) => (from: number, to: number, page: number) =>
      engraveUrl(
        paperUrl(sliceUrl(id, [props.part], labels[from]!, labels[to]!), { cues: props.cues }),
        { width: size.width, height: size.height - headPixels[page > 0 ? 1 : 0]!, scale, paper: true },
        signal,
      )
    const pages = await layOut(labels, restsAt(notes, starts), at(usual))
    return pages.length === 2 ? onOnePage(pages, labels.length, at(small)) : pages
  },
})
const turns = { end: '', rest: '', quick: 'V.S.' }
const quick = computed(() => pages.data.value?.filter((p) => p.turn === 'quick').length ?? 0)
const drawings = ref<HTMLElement[]>([])
watch(
  () => pages.data.value ?? pages.error.value,
  async (done) => {
    if (!done) return
    await nextTick()
    for (const d of drawings.value) clearNumbers(d)
    emit('ready')
  },
  { immediate: true },
)
const sheet = computed(() => ({
  width: `${props.paper.width}mm`,
  height: `${props.paper.height}mm`,
  padding: `${marginMillimetres}mm`,
}))
</script>

<template>
  <section :aria-label="part?.name">
    <p v-if="pages.isError.value" class="card empty">{{ pages.error.value?.message }}</p>
    <p v-else-if="pages.isPending.value" class="bar quiet">Engraving {{ part?.name }}</p>
    <p v-else-if="quick" class="bar quiet screen-only">
      {{ quick }} {{ quick === 1 ? 'page has' : 'pages have' }} no rest to turn in: it says V.S. at the foot.
    </p>
    <article
      v-for="(p, i) in pages.data.value"
      :key="p.from"
      class="part-page"
      :style="sheet"
      :aria-label="`Page ${i + 1}, measures ${piece.measures[p.from]}–${piece.measures[p.to]}`"
    >
      <header :style="{ height: `${headPixels[i > 0 ? 1 : 0]}px` }">
        <h1 v-if="i === 0">{{ piece.title }}</h1>
        <span v-else class="small">{{ piece.title }}</span>
        <span>
          <strong>{{ part?.name || part?.id }}</strong>
          <template v-if="i === 0 && piece.due"> · {{ longDate(piece.due) }}</template> · {{ i + 1 }} of
          {{ pages.data.value!.length }}
        </span>
      </header>
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div ref="drawings" class="music" v-html="p.svg"></div>
      <span v-if="turns[p.turn]" class="turn">{{ turns[p.turn] }}</span>
    </article>
  </section>
</template>

<style scoped>
.part-page {
  position: relative;
  background: var(--white);
  border: 1px solid var(--line);
  margin: 0 auto 20px;
  overflow: hidden;
}
.part-page header {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
}
.small {
  font-size: 12px;
}
.turn {
  position: absolute;
  right: 13mm;
  bottom: 6mm;
  font: italic 600 13px var(--title);
}
@media print {
  .part-page {
    border: 0;
    margin: 0;
    break-after: page;
  }
  section:last-of-type > .part-page:last-of-type {
    break-after: auto;
  }
  .screen-only,
  .bar {
    display: none;
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
