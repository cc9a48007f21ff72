<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import type { Finding, Piece, Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { longDate, shortDate } from '../../common/dates'
import { pencilUrl, sliceUrl } from '../../engraving/engraver'
import { unitWords } from '../../common/units'
import PaperSheet from '../print/PaperSheet.vue'
import { inside, type Paper } from '../print/papers'
import { fitMusic } from './fitMusic'
import ReviewLine from './ReviewLine.vue'
import { waitsWords } from './waits'

/** The sheet of one part: the passage engraved, what to know, and the steps; one page, or music pages of its own for a long passage. */
const props = defineProps<{ sheet: Schemas['SheetView']; piece: Piece; part: string; paper: Paper; stamp: number }>()
const emit = defineEmits<{ send: [Finding]; hold: [Finding]; reword: [Finding] }>()
const words = ref<HTMLElement>()
const mostNotes = 8
/** Pixels between music and words, and for what a printer rounds up. */
const breathing = 32

const p = computed(() => props.sheet.passage)
const name = computed(() => props.piece.parts.find((x) => x.id === props.part)?.name || props.part)
const notes = computed(() =>
  props.sheet.notes
    .filter((n) => n.parts.includes(props.part) && (n.shown || n.review === 'sent') && n.review !== 'held')
    // What the hands do is drawn over the music once it is sent; until then it waits here like the rest.
    .filter((n) => n.rule !== 'fingers' || n.review === null)
    // What holds for much more than the passage stands in the part letter.
    .filter((n) => n.rule === 'fingers' || n.fromIndex >= p.value.fromIndex || n.toIndex <= p.value.toIndex)
    .slice(0, mostNotes),
)
const waiting = computed(() => notes.value.filter((n) => n.review === null).length)
const remarks = computed(() => props.sheet.remarks.filter((r) => r.parts.includes(props.part)))
const labels = computed(() => props.piece.measures.slice(p.value.fromIndex, p.value.toIndex + 1))

const music = useQuery({
  queryKey: computed(() => keys.sheet(p.value.id, 'music', props.part, props.paper.name, props.stamp)),
  staleTime: 0,
  meta: { shown: true },
  queryFn: async ({ signal }) => {
    await nextTick()
    const size = inside(props.paper)
    const taken = words.value?.scrollHeight ?? 0
    return fitMusic(
      (from, to) => pencilUrl(sliceUrl(p.value.piece, [props.part], from, to), { remind: from === labels.value[0] }),
      labels.value,
      { width: size.width, height: size.height - taken - breathing, page: size.height - 64 },
      signal,
    )
  },
})
// The ways to practice at a step, and what it leaves out or adds.
const howOf = (step: number) =>
  [props.sheet.path[step]?.recipes.map((r) => r.title.toLowerCase()).join(', '), props.sheet.advice[step]]
    .filter(Boolean)
    .join('; ')
const isLong = computed(() => music.data.value?.fits === false)
const musicAlone = computed(() => (isLong.value ? music.data.value!.pages : []))
</script>

<template>
  <PaperSheet class="sheet-page" :paper="paper" :label="`Sheet of ${name}`">
    <div ref="words">
      <header>
        <div>
          <h1>{{ p.pieceTitle }}</h1>
          <p>{{ p.title }} · {{ p.from === p.to ? `measure ${p.from}` : `measures ${p.from}–${p.to}` }}</p>
        </div>
        <div class="who">
          <strong>{{ name }}</strong>
          <span>{{ sheet.for.join(', ') }}</span>
          <span>ready by {{ longDate(p.due) }}</span>
        </div>
      </header>
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div v-if="music.data.value && !isLong" class="music" v-html="music.data.value.pages[0]"></div>
      <p v-else-if="isLong" class="small">The music stands on the next pages.</p>
      <p v-if="music.isError.value" role="alert">{{ music.error.value?.message }}</p>
      <div class="columns">
        <section>
          <h2>Know before you play</h2>
          <ul v-if="notes.length + remarks.length">
            <li v-for="r in remarks" :key="r.decision + r.measure">
              <b>measure {{ r.measure }}, {{ r.where }}</b
              >: {{ r.words }}
            </li>
            <ReviewLine
              v-for="n in notes"
              :key="n.id"
              :finding="n"
              :part="part"
              @send="emit('send', n)"
              @hold="emit('hold', n)"
              @reword="emit('reword', n)"
            />
          </ul>
          <p v-else>Nothing hides in this part here. Listen for the others.</p>
          <p v-if="waiting" class="small waits">{{ waitsWords(waiting, notes.length + remarks.length - waiting) }}</p>
          <p>Count-off: {{ sheet.countOff }}. {{ p.note }}</p>
        </section>
        <section>
          <h2>Steps</h2>
          <table>
            <tbody>
              <tr v-for="(s, i) in p.steps" :key="i">
                <td class="tick" aria-label="box to tick"></td>
                <td>
                  {{ unitWords(s.unit) }} = {{ Math.round(s.bpm * 10) / 10
                  }}<span v-if="howOf(i)" class="small advice">{{ howOf(i) }}</span>
                </td>
                <td>by {{ shortDate(s.due) }}</td>
              </tr>
            </tbody>
          </table>
          <p class="small">Tick a step when it is clean, not before. {{ sheet.moveOn }}</p>
        </section>
      </div>
      <footer>
        Rest five minutes in every half hour. Pain, numbness or locked fingers: stop and tell your teacher.
      </footer>
    </div>
  </PaperSheet>
  <PaperSheet
    v-for="(svg, i) in musicAlone"
    :key="i"
    class="sheet-page"
    :paper="paper"
    :label="`Music of ${name}, page ${i + 1}`"
  >
    <p class="small">{{ name }} · {{ p.title }} · {{ i + 1 }} of {{ musicAlone.length }}</p>
    <!-- eslint-disable-next-line vue/no-v-html -->
    <div class="music" v-html="svg"></div>
  </PaperSheet>
</template>

<style scoped>
.advice {
  display: block;
}
</style>
