<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Finding } from '../../api/client'
import { keys, useLetter, usePiece } from '../../api/queries'
import { queries } from '../../api/queryClient'
import { daysWords, longDate } from '../../common/dates'
import RewordDialog from '../../stations/study/RewordDialog.vue'
import { useFindingActs } from '../../stations/study/useFindingActs'
import PrintFrame from '../print/PrintFrame.vue'
import { useDrawn } from '../print/useDrawn'
import ReviewBar from './ReviewBar.vue'
import ReviewLine from './ReviewLine.vue'
import { waitsWords } from './waits'

/** One page a part: what a player should know before the first note, as the director left it. */
useDrawn()
const route = useRoute()
const id = computed(() => Number(route.params.id))
const partId = computed(() => String(route.params.part))
const piece = usePiece(id)
const letter = useLetter(id, partId)
const part = computed(() => piece.data.value?.parts.find((p) => p.id === partId.value))
const l = computed(() => letter.data.value)
const know = computed(() => l.value?.know ?? [])
const frame = computed(() => [...(l.value?.frame ?? []), ...(l.value?.form ? [l.value.form] : [])])
const waiting = computed(() => [...frame.value, ...know.value].filter((f) => f.review === null))
const knowWaiting = computed(() => know.value.filter((f) => f.review === null).length)
const rewording = ref<Finding | null>(null)
const acts = useFindingActs(id, () => part.value?.name ?? partId.value)
const where = (f: { from: string; to: string }) =>
  f.from === f.to ? `measure ${f.from}` : `measures ${f.from}–${f.to}`

async function then(act: Promise<unknown>) {
  await act
  await queries.invalidateQueries({ queryKey: keys.piece(id.value) })
}
function reworded(words: string | null) {
  const f = rewording.value!
  rewording.value = null
  void then(acts.review(f, 'sent', words))
}
</script>

<template>
  <PrintFrame
    :back="{ name: 'piece', params: { id, station: 'study' } }"
    words="Back to Study"
    :problem="(piece.error.value ?? letter.error.value)?.message"
  >
    <template #bar><span class="quiet">One page; prints on A4 and Letter.</span></template>
    <ReviewBar :waiting="waiting" @all="then(acts.reviewAll(waiting, 'sent'))" />
    <article v-if="piece.data.value && l" class="sheet">
      <header>
        <div>
          <h1>{{ piece.data.value.title }}</h1>
          <p>What to know before the first note</p>
        </div>
        <div class="who">
          <strong>{{ part?.name || partId }}</strong>
          <span v-if="piece.data.value.due"
            >{{ longDate(piece.data.value.due) }}, {{ daysWords(piece.data.value.daysLeft) }}</span
          >
        </div>
      </header>
      <section v-if="l.remarks.length" aria-labelledby="remarks">
        <h2 id="remarks">From your director</h2>
        <ul>
          <li v-for="r in l.remarks" :key="r.decision + r.measure">
            <b>measure {{ r.measure }}, {{ r.where }}</b
            >: {{ r.words }}
          </li>
        </ul>
      </section>
      <section aria-labelledby="frame">
        <h2 id="frame">How the part is written</h2>
        <ul>
          <ReviewLine
            v-for="f in frame"
            :key="f.id"
            :finding="f"
            :part="partId"
            @send="then(acts.review(f, 'sent'))"
            @hold="then(acts.review(f, 'held'))"
            @reword="rewording = f"
          />
        </ul>
      </section>
      <section aria-labelledby="know">
        <h2 id="know">What to know</h2>
        <ol v-if="know.length">
          <ReviewLine
            v-for="f in know"
            :key="f.id"
            :finding="f"
            :part="partId"
            @send="then(acts.review(f, 'sent'))"
            @hold="then(acts.review(f, 'held'))"
            @reword="rewording = f"
          />
        </ol>
        <p v-else>Nothing hides in this part.</p>
        <p v-if="knowWaiting" class="small waits">{{ waitsWords(knowWaiting, know.length - knowWaiting) }}</p>
      </section>
      <section aria-labelledby="start">
        <h2 id="start">Start with these measures</h2>
        <ul>
          <li v-for="s in l.start" :key="s.from">
            <b>{{ where(s) }}</b>: {{ s.why }}
          </li>
        </ul>
      </section>
      <footer>
        Begin at a tempo where you play it right without strain. Rest five minutes in every half hour. Pain or numbness:
        stop and tell your teacher.
      </footer>
    </article>
    <RewordDialog v-if="rewording" :finding="rewording" @save="reworded" @close="rewording = null" />
  </PrintFrame>
</template>

<style scoped>
section {
  margin-top: 14px;
}
.sheet ol {
  margin: 0;
  padding-left: 22px;
}
</style>
