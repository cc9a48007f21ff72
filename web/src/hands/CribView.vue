<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, fetched } from '../api/client'
import { keys, usePiece } from '../api/queries'
import EngravedPage from '../engraving/EngravedPage.vue'
import { cribOf } from './crib'
import FingerDiagram from './FingerDiagram.vue'
import PrintFrame from '../parts/print/PrintFrame.vue'

/** A passage with the fingerings that are not the usual ones, to print and lay on the stand. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const part = computed(() => String(route.params.part))
const piece = usePiece(id)
const labels = computed(() => piece.data.value?.measures ?? [])
const range = computed(() => ({
  from: String(route.query.from ?? labels.value[0] ?? ''),
  to: String(route.query.to ?? labels.value.at(-1) ?? ''),
}))
const plan = useQuery({
  queryKey: computed(() => keys.of(id.value, 'technique', { part: part.value, ...range.value })),
  enabled: computed(() => labels.value.length > 0),
  queryFn: () =>
    fetched(
      api.GET('/api/pieces/{id}/technique', {
        params: { path: { id: id.value }, query: { part: part.value, ...range.value } },
      }),
    ),
  retry: false,
})
const entries = computed(() => cribOf(plan.data.value?.choices ?? []))
const flags = computed(() =>
  entries.value.map((e, i) => ({ id: `${i}`, number: i + 1, notes: [...e.notes], label: `${e.written}: ${e.words}` })),
)
const name = computed(() => piece.data.value?.parts.find((p) => p.id === part.value)?.name ?? part.value)
</script>

<template>
  <PrintFrame
    :back="{ name: 'piece', params: { id, station: 'technique' }, query: { ...range, parts: part } }"
    words="Back to Technique"
    :problem="plan.error.value?.message"
  >
    <article v-if="piece.data.value && plan.data.value" class="sheet">
      <header>
        <div>
          <h1>{{ piece.data.value.title }}</h1>
          <p>Fingerings for measures {{ range.from }}–{{ range.to }}</p>
        </div>
        <div class="who">
          <strong>{{ name }}</strong>
          <span v-if="plan.data.value.instrument.toLowerCase() !== name.toLowerCase()">{{
            plan.data.value.instrument
          }}</span>
        </div>
      </header>
      <EngravedPage
        :piece="id"
        :parts="[part]"
        :measures="16"
        :from="range.from"
        :to="range.to"
        :flags="flags"
        :label="`${name}, measures ${range.from} to ${range.to}`"
      />
      <p v-if="entries.length === 0">Every note has its usual fingering.</p>
      <ol class="crib">
        <li v-for="(e, i) in entries" :key="e.written + e.choice">
          <FingerDiagram
            v-if="plan.data.value.kind && e.keys.length"
            :kind="plan.data.value.kind"
            :layout="plan.data.value.layout"
            :pressed="e.keys"
            :scale="0.7"
          />
          <div>
            <strong>{{ i + 1 }}. {{ e.written }}: {{ e.sign }}</strong>
            <p>{{ e.words }}, {{ e.measures.length > 1 ? 'measures' : 'measure' }} {{ e.measures.join(', ') }}</p>
            <p v-if="e.why" class="small">{{ e.why }}</p>
          </div>
        </li>
      </ol>
      <section v-if="plan.data.value.trouble.length">
        <h2>Practice these so</h2>
        <ul>
          <li v-for="t in plan.data.value.trouble.slice(0, 4)" :key="t.from">
            <b>Measure {{ t.from }}</b> {{ t.recipe }}
          </li>
        </ul>
      </section>
      <section v-if="plan.data.value.trills.length">
        <h2>Trills and tremolos</h2>
        <ul>
          <li v-for="t in plan.data.value.trills" :key="t.note">
            <b>{{ t.measure }}</b> {{ t.lower }}–{{ t.upper }}: {{ t.how }}
          </li>
        </ul>
      </section>
      <footer>Play it one way only. Curved relaxed fingers; pain or numbness: stop and tell your teacher.</footer>
    </article>
  </PrintFrame>
</template>

<style scoped>
.crib {
  list-style: none;
  margin: 12px 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 24px;
}
.crib li {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 12px;
  break-inside: avoid;
}
.crib p {
  margin: 0;
}
</style>
