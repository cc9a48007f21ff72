<script setup lang="ts">
import { Pagination as APagination } from 'ant-design-vue'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useEnsemble, useLogPage, useShelf, type LogFilter } from '../../api/queries'
import DayField from '../../common/DayField.vue'
import PickOne from '../../common/PickOne.vue'
import LogTable from './LogTable.vue'

/** The log, narrowed by player, section, piece and days; the filter stands in the address. */
const route = useRoute()
const router = useRouter()
const shelf = useShelf()
const ensemble = useEnsemble()
const number = (v: unknown) => (Number(v) > 0 ? Number(v) : undefined)
const text = (v: unknown) => (typeof v === 'string' && v ? v : undefined)
const filter = computed<LogFilter>(() => ({
  player: number(route.query.player),
  section: number(route.query.section),
  piece: number(route.query.piece),
  from: text(route.query.from),
  to: text(route.query.to),
}))
const page = computed(() => number(route.query.page) ?? 1)
const log = useLogPage(filter, page)
const entries = computed(() => log.data.value?.entries ?? [])
const total = computed(() => log.data.value?.total)
// Another filter begins at its first page.
const set = (change: Record<string, string | number | undefined>) =>
  router.replace({
    query: {
      ...route.query,
      page: undefined,
      ...Object.fromEntries(Object.entries(change).map(([k, v]) => [k, v || undefined])),
    },
  })
const out = computed(() => {
  const query = new URLSearchParams(
    Object.entries(filter.value)
      .filter(([, v]) => v !== undefined)
      .map(([k, v]) => [k, String(v)]),
  ).toString()
  return query ? `?${query}` : ''
})

const all = (words: string) => ({ value: 0, label: words })
const players = computed(() => [
  all('every player'),
  ...(ensemble.data.value ?? []).flatMap((s) => s.players.map((p) => ({ value: p.id, label: p.name }))),
])
const sections = computed(() => [
  all('every section'),
  ...(ensemble.data.value ?? []).map((s) => ({ value: s.id, label: s.name })),
])
const pieces = computed(() => [
  all('every piece'),
  ...(shelf.data.value ?? []).map((p) => ({ value: p.id, label: p.title })),
])
const isNarrowed = computed(() => out.value !== '')
</script>

<template>
  <main id="main" class="page">
    <h1>Records</h1>
    <p class="quiet">
      Who played what, how fast clean, when, and what to fix next. Private: the school's rules and the law apply.
    </p>
    <div class="filters">
      <PickOne :value="filter.player ?? 0" :options="players" label="Player" @update:value="set({ player: $event })" />
      <PickOne
        :value="filter.section ?? 0"
        :options="sections"
        label="Section"
        @update:value="set({ section: $event })"
      />
      <PickOne :value="filter.piece ?? 0" :options="pieces" label="Piece" @update:value="set({ piece: $event })" />
      <label class="day"
        >from <DayField :model-value="filter.from ?? ''" @update:model-value="set({ from: $event })"
      /></label>
      <label class="day"
        >to <DayField :model-value="filter.to ?? ''" @update:model-value="set({ to: $event })"
      /></label>
      <button v-if="isNarrowed" type="button" class="link" @click="router.replace({ query: {} })">All records</button>
      <span class="out">
        <a :href="`/api/log.csv${out}`" download>CSV</a>
        <a :href="`/api/log.json${out}`" download>JSON</a>
      </span>
    </div>
    <p v-if="log.isError.value" class="card empty">{{ log.error.value?.message }}</p>
    <p v-else-if="total === 0 && isNarrowed" class="card empty">Nothing was heard that fits.</p>
    <p v-else-if="total === 0" class="card empty">
      Nothing is logged yet. Open a piece, hand out a passage under Assign and log clean tempos under Hear.
    </p>
    <template v-else>
      <LogTable :entries="entries" with-player />
      <p v-if="total" class="pages">
        <span class="quiet">{{ total }} {{ total === 1 ? 'entry' : 'entries' }}, newest first</span>
        <APagination
          v-if="total > log.data.value!.size"
          :current="page"
          :total="total"
          :page-size="log.data.value!.size"
          :show-size-changer="false"
          size="small"
          @change="set({ page: $event > 1 ? $event : undefined })"
        />
      </p>
    </template>
  </main>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr auto auto auto auto;
  gap: 8px 12px;
  align-items: center;
  margin: 10px 0 14px;
}
.day {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 13px;
  color: var(--slate);
}
.out {
  display: flex;
  gap: 12px;
}
.pages {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
.link {
  border: 0;
  background: none;
  color: var(--plum);
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
}
</style>
