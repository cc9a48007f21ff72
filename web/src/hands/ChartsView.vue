<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, fetched, type Schemas } from '../api/client'
import { keys } from '../api/queries'
import ChartNote from './ChartNote.vue'
import CorrectionDialog from './CorrectionDialog.vue'

/** Fingering charts: what the engine rests on, and where a teacher corrects it. */
const route = useRoute()
const charts = useQuery({ queryKey: keys.charts, queryFn: () => fetched(api.GET('/api/charts')) })
const withChart = computed(() => charts.data.value?.filter((c) => c.has === 'chart') ?? [])
const named = (has: string) => (charts.data.value ?? []).filter((c) => c.has === has).map((c) => c.name.toLowerCase())
const chosen = computed(() => String(route.params.instrument || 'flute'))
const chart = useQuery({
  queryKey: computed(() => keys.chartsOf(chosen.value)),
  queryFn: () => fetched(api.GET('/api/charts/{instrument}', { params: { path: { instrument: chosen.value } } })),
  retry: false,
})
const editing = ref<{ note: Schemas['ChartNoteView']; fingering: Schemas['FingeringView'] | null } | null>(null)
</script>

<template>
  <main id="main" class="page charts">
    <aside class="card" aria-label="Instruments">
      <ul>
        <li v-for="c in withChart" :key="c.instrument">
          <RouterLink
            :to="{ name: 'charts', params: { instrument: c.instrument } }"
            :aria-current="c.instrument === chosen ? 'page' : undefined"
          >
            {{ c.name }}<span v-if="c.corrections" class="corrected">{{ c.corrections }} corrected</span>
          </RouterLink>
        </li>
      </ul>
      <p v-if="charts.data.value" class="quiet">
        Sticks need no chart: {{ named('sticks').join(', ') }}. No chart, and no guess: {{ named('none').join(', ') }}.
      </p>
    </aside>
    <section v-if="chart.data.value" aria-labelledby="chart-name">
      <h1 id="chart-name">Chart of the {{ chart.data.value.name.toLowerCase() }}</h1>
      <p class="quiet">
        {{ chart.data.value.source }} Correct what your school does otherwise: every plan follows at once.
      </p>
      <p v-if="chart.data.value.options.length" class="quiet">
        Differs from player to player (set it at the player, under Ensemble):
        {{ chart.data.value.options.map((o) => `${o.name}${o.usual ? ' (usual)' : ''}`).join(', ') }}.
      </p>
      <div class="notes">
        <ChartNote
          v-for="n in chart.data.value.notes"
          :key="n.midi"
          :note="n"
          :kind="chart.data.value.kind"
          :layout="chart.data.value.keys"
          @correct="(fingering) => (editing = { note: n, fingering })"
        />
      </div>
    </section>
    <p v-if="chart.isError.value" class="card empty">{{ chart.error.value?.message }}</p>
    <CorrectionDialog
      v-if="editing && chart.data.value"
      :chart="chart.data.value"
      :note="editing.note"
      :fingering="editing.fingering"
      @close="editing = null"
    />
  </main>
</template>

<style scoped>
.charts {
  display: grid;
  grid-template-columns: 210px 1fr;
  gap: 24px;
  align-items: start;
}
aside {
  position: sticky;
  top: 12px;
  max-height: calc(100vh - 90px);
  overflow: auto;
  padding: 10px;
}
aside ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
aside a {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 3px 8px;
  color: var(--ink);
  text-decoration: none;
  border-radius: 3px;
}
aside a[aria-current] {
  background: var(--plum);
  color: var(--card);
}
.corrected {
  font-size: 12px;
}
.notes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
  margin-top: 12px;
}
</style>
