<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useRoute } from 'vue-router'
import { doAct } from '../../../acts/useAct'
import { api, take } from '../../../api/client'
import { keys } from '../../../api/queries'
import { longDate } from '../../../common/dates'
import { unitWords } from '../../../transport/store'
import { after, moved, withMark, type Cell } from './marks'
import { useTest, type Tested } from './queries'

/** Marks of a test, entered on one screen: a digit marks and goes on. */
const route = useRoute()
const id = computed(() => Number(route.params.test))
const data = useTest(id)
const test = computed(() => data.data.value)
const at = ref<Cell>({ row: 0, column: 0 })
const table = ref<HTMLTableElement>()

async function focus(cell: Cell) {
  at.value = cell
  await nextTick()
  table.value?.querySelector<HTMLElement>(`[data-cell="${cell.row} ${cell.column}"]`)?.focus()
}
const write = (player: Tested, marks: Record<string, number>, note: string) =>
  doAct({
    key: `marks ${player.player}`,
    run: () =>
      take(
        api.PUT('/api/tests/{test}/marks/{player}', {
          params: { path: { test: id.value, player: player.player } },
          body: { marks, note: note || null, version: player.version },
        }),
      ),
    words: null,
    undo: () => ({
      kind: 'marked',
      test: id.value,
      player: player.player,
      before: { ...player.marks },
      note: player.note,
    }),
    fresh: [keys.tests, keys.log],
  })
async function key(e: KeyboardEvent, row: number, column: number) {
  const t = test.value!
  const next = moved({ row, column }, e.key, t)
  const isDigit = /^[0-5]$/.test(e.key)
  if (!next && !isDigit && e.key !== 'Backspace' && e.key !== 'Delete') return
  e.preventDefault()
  if (next) return focus(next)
  const player = t.players[row]!
  await write(player, withMark(player, t.criteria[column]!.name, isDigit ? Number(e.key) : null), player.note)
  await focus(isDigit ? after({ row, column }, t) : { row, column })
}
function noted(player: Tested, e: Event) {
  const note = (e.target as HTMLInputElement).value
  if (note !== player.note) void write(player, { ...player.marks }, note)
}
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
      <div v-else class="card scroll" role="region" aria-label="Marks" tabindex="0">
        <table ref="table" class="table">
          <thead>
            <tr>
              <th scope="col">Player</th>
              <th v-for="c in test.criteria" :key="c.name" scope="col">
                {{ c.words }}<small v-if="c.weight !== 1"> × {{ c.weight }}</small>
              </th>
              <th scope="col">Percent</th>
              <th scope="col">To work on</th>
              <th scope="col">A word to them</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(p, row) in test.players" :key="p.player">
              <th scope="row">
                {{ p.name }} <small class="quiet">{{ p.section }}</small>
              </th>
              <td v-for="(c, column) in test.criteria" :key="c.name">
                <button
                  type="button"
                  class="mark"
                  :data-cell="`${row} ${column}`"
                  :tabindex="at.row === row && at.column === column ? 0 : -1"
                  :aria-label="`${p.name}, ${c.words}: ${p.marks[c.name] ?? 'no mark'}`"
                  @keydown="key($event, row, column)"
                  @focus="at = { row, column }"
                >
                  {{ p.marks[c.name] ?? '·' }}
                </button>
              </td>
              <td>{{ p.percent ?? '' }}</td>
              <td>{{ p.percent === null ? '' : p.weakest.join(', ') }}</td>
              <td>
                <input
                  class="note"
                  :value="p.note"
                  :aria-label="`A word to ${p.name}`"
                  maxlength="200"
                  @change="noted(p, $event)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="quiet">Marks are private records: the school's rules and the law apply.</p>
    </template>
  </main>
</template>

<style scoped>
.page {
  max-width: 1400px;
}
.scroll {
  overflow: auto;
}
.mark {
  width: 34px;
  height: 30px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: #fff;
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
.mark:focus {
  outline: 2px solid var(--brass);
}
th small {
  font-weight: 400;
}
.note {
  width: 180px;
  height: 30px;
  border: 1px solid var(--line);
  border-radius: 3px;
  font: inherit;
  padding: 0 6px;
}
</style>
