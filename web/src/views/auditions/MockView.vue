<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { doAct } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'
import ResultList from '../../auditions/mock/ResultList.vue'
import { marked, rowsOf, sheetOf } from '../../auditions/mock/rows'
import { useMock } from '../../auditions/queries'
import { longDate } from '../../common/dates'
import PickOne from '../../common/PickOne.vue'
import TabRow from '../../common/TabRow.vue'
import GradeGrid from '../../grading/GradeGrid.vue'
import type { MarkRow } from '../../grading/grades'

/** A mock audition: each listener marks numbers; the results have names. */
type Tab = 'marks' | 'results'
const route = useRoute()
const router = useRouter()
const id = computed(() => Number(route.params.mock))
const data = useMock(id)
const mock = computed(() => data.data.value)
const listener = ref(1)
const tab = computed<Tab>({
  get: () => (route.params.tab as Tab) || 'marks',
  set: (to) => void router.replace({ name: 'mock', params: { mock: id.value, tab: to } }),
})
const tabs = [
  { value: 'marks', label: 'Marks' },
  { value: 'results', label: 'Results' },
] as const
const listeners = computed(() =>
  (mock.value?.listeners ?? []).map((l, i) => ({
    value: i + 1,
    label: `${l} (${marked(mock.value!, i + 1)} of ${mock.value!.seats.length})`,
  })),
)
const rows = computed(() => (mock.value ? rowsOf(mock.value, listener.value) : []))

// Of the listener whose marks they are, whoever is chosen by the time that they are sent.
const writeFor = (who: number) => (row: MarkRow, marks: Record<string, number>, note: string) =>
  doAct({
    key: `mock marks ${row.key}`,
    run: () =>
      fetched(
        api.PUT('/api/mocks/{mock}/marks/{number}/{listener}', {
          params: { path: { mock: id.value, number: row.key, listener: who } },
          body: { marks, note: note || null, version: sheetOf(mock.value!.seats[row.key - 1]!, who).version },
        }),
      ),
    words: null,
    closes: true,
    undo: () => ({
      kind: 'mockMarked',
      mock: id.value,
      number: row.key,
      listener: who,
      before: { ...row.marks },
      note: row.note,
    }),
    fresh: [keys.auditions],
  })
</script>

<template>
  <main id="main" class="page">
    <p v-if="data.isError.value" class="card empty" role="alert">{{ data.error.value?.message }}</p>
    <template v-if="mock">
      <p>
        <RouterLink :to="{ name: 'audition', params: { set: mock.set, tab: 'mocks' } }">Back to the set</RouterLink>
      </p>
      <h1>{{ mock.title }}</h1>
      <p class="quiet">
        {{ longDate(mock.held) }}, {{ mock.roundName }}. The order was drawn from the seed {{ mock.seed }}: the same
        seed draws it again.
        {{ mock.screened ? 'Screened: listeners see numbers; names stand in the results only.' : '' }}
        {{ mock.trimmed ? 'The highest and the lowest listener do not count.' : 'The result is the mean of all.' }}
      </p>
      <TabRow v-model:value="tab" :tabs="tabs" label="Mock audition" />
      <template v-if="tab === 'marks'">
        <p class="row who">
          <PickOne v-model:value="listener" :options="listeners" label="Listener" />
          <RouterLink :to="{ name: 'mock-sheet', params: { mock: mock.id } }">Listeners' sheets</RouterLink>
          <span class="quiet">A digit from 0 to 5 marks and goes on.</span>
        </p>
        <GradeGrid
          :key="listener"
          plain
          who="Number"
          :rows="rows"
          :criteria="mock.criteria"
          :write="writeFor(listener)"
        />
      </template>
      <ResultList v-else :mock="mock" />
    </template>
  </main>
</template>

<style scoped>
.page {
  max-width: 1400px;
}
.who :deep(select) {
  width: 280px;
}
</style>
