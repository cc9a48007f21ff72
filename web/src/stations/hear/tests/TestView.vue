<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { doAct } from '../../../acts/useAct'
import { api, fetched } from '../../../api/client'
import { keys } from '../../../api/queries'
import { longDate } from '../../../common/dates'
import GradeGrid from '../../../grading/GradeGrid.vue'
import type { MarkRow } from '../../../grading/grades'
import { unitWords } from '../../../common/units'
import { useTest } from './queries'

/** Marks of a test, entered on one screen. */
const route = useRoute()
const id = computed(() => Number(route.params.test))
const data = useTest(id)
const test = computed(() => data.data.value)
const rows = computed<MarkRow[]>(() =>
  (test.value?.players ?? []).map((p) => ({ ...p, key: p.player, sub: p.section, percent: p.percent ?? null })),
)
const write = (row: MarkRow, marks: Record<string, number>, note: string) =>
  doAct({
    key: `marks ${row.key}`,
    run: () =>
      fetched(
        api.PUT('/api/tests/{test}/marks/{player}', {
          params: { path: { test: id.value, player: row.key } },
          body: {
            marks,
            note: note || null,
            version: test.value?.players.find((p) => p.player === row.key)?.version ?? 0,
          },
        }),
      ),
    words: null,
    closes: true,
    undo: () => ({ kind: 'marked', test: id.value, player: row.key, before: { ...row.marks }, note: row.note }),
    fresh: [keys.tests, keys.log],
  })
</script>

<template>
  <main id="main" class="page">
    <template v-if="test">
      <p>
        <RouterLink :to="{ name: 'piece', params: { id: test.piece, station: 'hear' } }"
          >Back to {{ test.pieceTitle }}</RouterLink
        >
      </p>
      <h1>{{ test.title }}</h1>
      <p class="quiet">
        {{ test.passageTitle }}, {{ unitWords(test.tempo.unit) }} = {{ test.tempo.bpm }}, {{ longDate(test.held) }}. A
        digit from 0 to 5 marks and goes on; arrow keys move; Backspace takes a mark away.
      </p>
      <p class="row">
        <RouterLink :to="{ name: 'test-sheet', params: { test: test.id } }">Test sheet</RouterLink>
        <a :href="`/api/tests/${test.id}/results.csv`" download>Results as CSV</a>
      </p>
      <p v-if="test.players.length === 0" class="card empty">
        Nobody has this passage. Hand it out under Assign, then hear them.
      </p>
      <GradeGrid v-else who="Player" :rows="rows" :criteria="test.criteria" :write="write" />
      <p class="quiet">Marks are private records: the school's rules and the law apply.</p>
    </template>
  </main>
</template>

<style scoped>
.page {
  max-width: 1400px;
}
</style>
