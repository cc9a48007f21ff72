<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useEnsemble, usePiece } from '../api/queries'
import { longDate, shortDate } from '../common/dates'
import PaperSheet from '../parts/print/PaperSheet.vue'
import PrintFrame from '../parts/print/PrintFrame.vue'
import { usePaper } from '../parts/print/usePaper'
import { mondaysOf, planRows } from './pieceWeeks'
import { useSeason } from './queries'

/** The piece's whole plan on one page: passages down, weeks across. */
const route = useRoute()
const { paper } = usePaper(true)
const id = computed(() => Number(route.params.id))
const piece = usePiece(id)
const season = useSeason()
const ensemble = useEnsemble()
const items = computed(() => (season.data.value?.items ?? []).filter((i) => i.piece === id.value))
const mondays = computed(() => mondaysOf(items.value))
const rows = computed(() =>
  planRows(items.value, mondays.value, (s) => (ensemble.data.value ?? []).find((x) => x.id === s)?.name ?? ''),
)
</script>

<template>
  <PrintFrame :paper="paper" :back="{ name: 'piece', params: { id, station: 'assign' } }" words="Back to the piece">
    <template #bar><span class="quiet">Lies on its side.</span></template>
    <PaperSheet v-if="piece.data.value" :paper="paper" fit on-its-side :label="`Plan of ${piece.data.value.title}`">
      <header>
        <div>
          <h1>{{ piece.data.value.title }}</h1>
          <p>The plan, passage by week</p>
        </div>
        <div class="who">
          <strong v-if="piece.data.value.due">{{ longDate(piece.data.value.due) }}</strong>
        </div>
      </header>
      <p v-if="rows.length === 0">Nothing of this piece is in the plan yet. Plan the season under Assign.</p>
      <table v-else class="plan">
        <thead>
          <tr>
            <th scope="col">Passage</th>
            <th scope="col">Who</th>
            <th v-for="m in mondays" :key="m" scope="col">{{ shortDate(m) }}</th>
            <th scope="col">Ready by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.key">
            <th scope="row">
              {{ r.title }}<small>{{ r.measures }}</small>
            </th>
            <td>{{ r.who }}</td>
            <td v-for="(c, i) in r.cells" :key="i" :class="{ full: c.sessions > 0 }">
              <template v-if="c.sessions"
                >{{ c.tempos }}<small>{{ c.sessions }} ×</small></template
              >
            </td>
            <td>{{ shortDate(r.due) }}</td>
          </tr>
        </tbody>
      </table>
    </PaperSheet>
  </PrintFrame>
</template>

<style scoped>
.plan {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}
.plan th,
.plan td {
  border: 1px solid var(--line);
  padding: 3px 5px;
  text-align: left;
  vertical-align: top;
}
.full {
  background: var(--paper);
}
small {
  display: block;
  color: var(--slate);
}
</style>
