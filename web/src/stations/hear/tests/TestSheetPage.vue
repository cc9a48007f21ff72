<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import type { Passage, Piece } from '../../../api/client'
import { keys } from '../../../api/queries'
import { longDate } from '../../../common/dates'
import { paperUrl, sliceUrl } from '../../../engraving/engraver'
import PaperSheet from '../../../parts/print/PaperSheet.vue'
import { inside, type Paper } from '../../../parts/print/papers'
import { fitMusic } from '../../../parts/sheets/fitMusic'
import { unitWords } from '../../../common/units'
import type { Test } from './queries'

/** One part's test sheet: the passage as it is heard, the list, and room for a name. */
const props = defineProps<{ test: Test; passage: Passage; piece: Piece; part: string; paper: Paper }>()
const words = ref<HTMLElement>()
const name = computed(() => props.piece.parts.find((x) => x.id === props.part)?.name || props.part)
const labels = computed(() => props.piece.measures.slice(props.passage.fromIndex, props.passage.toIndex + 1))
const breathing = 32
const music = useQuery({
  queryKey: computed(() => keys.testsOf(props.test.id, 'music', props.part, props.paper.name)),
  staleTime: 0,
  meta: { shown: true },
  queryFn: async ({ signal }) => {
    await nextTick()
    const size = inside(props.paper)
    const taken = words.value?.scrollHeight ?? 0
    return fitMusic(
      (from, to) =>
        paperUrl(sliceUrl(props.passage.piece, [props.part], from, to), { remind: from === labels.value[0] }),
      labels.value,
      { width: size.width, height: size.height - taken - breathing, page: size.height - 64 },
      signal,
    )
  },
})
const grades = [0, 1, 2, 3, 4, 5]
</script>

<template>
  <PaperSheet class="test-page" :paper="paper" :label="`Test sheet of ${name}`">
    <div ref="words">
      <header>
        <div>
          <h1>{{ test.title }}</h1>
          <p>{{ test.pieceTitle }} · measures {{ passage.from }}–{{ passage.to }}</p>
        </div>
        <div class="who">
          <strong>{{ name }}</strong>
          <span>{{ unitWords(test.tempo.unit) }} = {{ test.tempo.bpm }}</span>
          <span>{{ longDate(test.held) }}</span>
        </div>
      </header>
      <p class="name">Player</p>
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div v-for="(svg, i) in music.data.value?.pages ?? []" :key="i" class="music" v-html="svg"></div>
      <p v-if="music.isError.value" role="alert">{{ music.error.value?.message }}</p>
      <table class="list">
        <tbody>
          <tr v-for="c in test.criteria" :key="c.name">
            <th scope="row">
              {{ c.words }}<small v-if="c.weight !== 1"> counts {{ c.weight }} times</small>
            </th>
            <td v-for="g in grades" :key="g">{{ g }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small">Three things to fix next:</p>
      <p class="name"></p>
      <footer>Marks are private records. Play at the tempo above; count the first measure aloud, then play.</footer>
    </div>
  </PaperSheet>
</template>

<style scoped>
.name {
  border-bottom: 1px solid var(--slate);
  min-height: 26px;
  margin: 4px 0 10px;
}
.list {
  border-collapse: collapse;
  margin: 8px 0;
}
.list th {
  text-align: left;
  font-weight: 500;
  padding: 3px 24px 3px 0;
}
.list td {
  border: 1px solid var(--slate);
  border-radius: 50%;
  width: 26px;
  text-align: center;
}
small {
  font-weight: 400;
}
</style>
