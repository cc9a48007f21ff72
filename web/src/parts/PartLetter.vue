<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useFindings, useHeat, usePiece } from '../api/queries'
import { daysWords, longDate } from '../common/dates'
import { letterOf } from './letter'

/** One page a part: what a player should know before the first note. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const partId = computed(() => String(route.params.part))
const piece = usePiece(id)
const findings = useFindings(id)
const heat = useHeat(id)
const part = computed(() => piece.data.value?.parts.find((p) => p.id === partId.value))
const letter = computed(() =>
  letterOf(
    partId.value,
    findings.data.value ?? [],
    heat.data.value?.find((r) => r.part === partId.value)?.heat ?? [],
    piece.data.value?.measures ?? [],
  ),
)
const where = (f: { from: string; to: string }) => (f.from === f.to ? f.from : `${f.from}–${f.to}`)
const print = () => window.print()
</script>

<template>
  <main id="main" class="sheets">
    <p class="bar">
      <RouterLink :to="{ name: 'piece', params: { id, station: 'study' } }">Back to Study</RouterLink>
      <button type="button" @click="print">Print</button>
      <span class="quiet">One page; prints on A4 and Letter.</span>
    </p>
    <p v-if="piece.isError.value" class="card empty">{{ piece.error.value?.message }}</p>
    <article v-if="piece.data.value && findings.data.value" class="sheet">
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
      <section aria-labelledby="frame">
        <h2 id="frame">The frame</h2>
        <ul>
          <li v-for="f in letter.frame" :key="f.id">
            <b>{{ where(f) }}</b> {{ f.title }}. {{ f.why }}
          </li>
          <li v-if="letter.form">{{ letter.form.why }}</li>
        </ul>
      </section>
      <section aria-labelledby="know">
        <h2 id="know">Ten things to know</h2>
        <ol v-if="letter.know.length">
          <li v-for="f in letter.know" :key="f.id">
            <b>{{ where(f) }}</b> {{ f.title }}. {{ f.why }}
          </li>
        </ol>
        <p v-else>Nothing hides in this part.</p>
      </section>
      <section aria-labelledby="start">
        <h2 id="start">Start with these measures</h2>
        <ul>
          <li v-for="s in letter.start" :key="s.from">
            <b>{{ where(s) }}</b> {{ s.why }}
          </li>
        </ul>
      </section>
      <footer>
        Begin where it can be played correctly without strain. Five minutes off in every half hour; pain or numbness:
        stop and tell your teacher.
      </footer>
    </article>
  </main>
</template>

<style src="../views/piece/sheet.css"></style>
<style scoped>
section {
  margin-top: 14px;
}
.sheet ol {
  margin: 0;
  padding-left: 22px;
}
</style>
