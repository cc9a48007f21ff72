<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useActs } from '../acts/store'
import { doAct } from '../acts/useAct'
import { api, fetched } from '../api/client'
import { useDecisions, usePiece } from '../api/queries'
import { errataByPart } from './errata'
import PrintFrame from './print/PrintFrame.vue'

/** What was decided, part by part: the list that goes into next year's folders. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const piece = usePiece(id)
const decisions = useDecisions(id)
const parts = computed(() =>
  errataByPart(piece.data.value?.parts ?? [], decisions.data.value ?? [], piece.data.value?.measures),
)
const kept = computed(() => decisions.data.value?.filter((d) => d.verdict === 'kept') ?? [])
async function takeBack(decision: number, act: number, what: string) {
  const done = await doAct({
    key: `decision ${decision}`,
    run: async () => {
      await fetched(
        api.DELETE('/api/pieces/{id}/decisions/{decision}', { params: { path: { id: id.value, decision } } }),
      )
      return true
    },
    words: `Undone: ${what}`,
  })
  if (done) useActs().forget((u) => u.kind === 'decisions' && u.piece === id.value && u.act === act)
}
</script>

<template>
  <PrintFrame :back="{ name: 'piece', params: { id, station: 'unify' } }" words="Back to Unify">
    <template #bar><a :href="`/api/pieces/${id}/tables/decisions.csv`" download>CSV</a></template>
    <article v-if="piece.data.value && decisions.data.value" class="sheet">
      <header>
        <div>
          <h1>{{ piece.data.value.title }}</h1>
          <p>Decisions and errata, part by part</p>
        </div>
      </header>
      <p v-if="parts.length === 0 && kept.length === 0">
        Nothing is decided yet. Settle a difference under Unify first.
      </p>
      <section v-for="p in parts" :key="p.id" :aria-label="p.name">
        <h2>{{ p.name }}</h2>
        <ul>
          <li v-for="(l, i) in p.lines" :key="i">
            {{ l.what }} <span class="small">{{ l.why }}</span>
            <AButton
              size="small"
              type="text"
              class="undo"
              :aria-label="`Undo ${l.what}`"
              @click="takeBack(l.decision, l.act, l.what)"
              >Undo</AButton
            >
          </li>
        </ul>
      </section>
      <section v-if="kept.length" aria-label="Kept as printed">
        <h2>Kept as printed</h2>
        <ul>
          <li v-for="d in kept" :key="d.id">
            {{ d.from === d.to ? `measure ${d.from}` : `measures ${d.from}–${d.to}` }}: {{ d.why }}
          </li>
        </ul>
      </section>
    </article>
  </PrintFrame>
</template>

<style scoped>
section {
  margin-top: 14px;
  break-inside: avoid;
}
@media print {
  .undo {
    display: none;
  }
}
</style>
