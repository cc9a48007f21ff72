<script setup lang="ts">
import { nextTick, ref, shallowReactive } from 'vue'
import { after, moved, withMark, type Cell, type Criterion, type MarkRow } from './grades'

/** Marks on one screen: a digit from 0 to 5 marks and goes on, arrow keys move, Backspace takes a mark away. */
const props = defineProps<{
  who: string
  rows: readonly MarkRow[]
  criteria: readonly Criterion[]
  /** True where several rows of marks are not one player's: what to work on is told in the results. */
  plain?: boolean
  write: (row: MarkRow, marks: Record<string, number>, note: string) => Promise<unknown>
}>()
const at = ref<Cell>({ row: 0, column: 0 })
const table = ref<HTMLTableElement>()

async function focus(cell: Cell) {
  at.value = cell
  await nextTick()
  table.value?.querySelector<HTMLElement>(`[data-cell="${cell.row} ${cell.column}"]`)?.focus()
}
async function key(e: KeyboardEvent, row: number, column: number) {
  const size = [props.rows.length, props.criteria.length] as const
  const next = moved({ row, column }, e.key, ...size)
  const isDigit = /^[0-5]$/.test(e.key)
  if (!next && !isDigit && e.key !== 'Backspace' && e.key !== 'Delete') return
  e.preventDefault()
  if (next) return focus(next)
  const name = props.criteria[column]!.name
  change(props.rows[row]!, (own) => ({ ...own, marks: withMark(own.marks, name, isDigit ? Number(e.key) : null) }))
  await focus(isDigit ? after({ row, column }, ...size) : { row, column })
}

// Keys come faster than a server answers: each change is made to what the one before has left and is seen at once; what the server says
// counts again once it has confirmed them all.
type Written = Pick<MarkRow, 'marks' | 'note'>
const typed = shallowReactive(new Map<MarkRow['key'], Written>())
let line: Promise<unknown> = Promise.resolve()

function change(row: MarkRow, make: (own: Written) => Written) {
  const before = typed.get(row.key) ?? { marks: { ...row.marks }, note: row.note }
  const now = make(before)
  typed.set(row.key, now)
  const { write } = props
  line = line
    .then(() => write({ ...row, ...before }, now.marks, now.note))
    .then(() => nextTick())
    .then(() => typed.get(row.key) === now && typed.delete(row.key))
}
const marksOf = (row: MarkRow) => typed.get(row.key)?.marks ?? row.marks
function noted(row: MarkRow, e: Event) {
  const note = (e.target as HTMLInputElement).value
  if (note !== row.note) change(row, (own) => ({ ...own, note }))
}
</script>

<template>
  <div class="card scroll" role="region" aria-label="Marks" tabindex="0">
    <table ref="table" class="table">
      <thead>
        <tr>
          <th scope="col">{{ who }}</th>
          <th v-for="c in criteria" :key="c.name" scope="col">
            {{ c.words }}<small v-if="c.weight !== 1"> × {{ c.weight }}</small>
          </th>
          <th scope="col">Percent</th>
          <th v-if="!plain" scope="col">To work on</th>
          <th scope="col">A word to them</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(p, row) in rows" :key="p.key">
          <th scope="row">
            {{ p.name }} <small class="quiet">{{ p.sub }}</small>
          </th>
          <td v-for="(c, column) in criteria" :key="c.name">
            <button
              type="button"
              class="mark"
              :data-cell="`${row} ${column}`"
              :tabindex="at.row === row && at.column === column ? 0 : -1"
              :aria-label="`${p.name}, ${c.words}: ${marksOf(p)[c.name] ?? 'no mark'}`"
              @keydown="key($event, row, column)"
              @focus="at = { row, column }"
            >
              {{ marksOf(p)[c.name] ?? '·' }}
            </button>
          </td>
          <td>{{ p.percent ?? '' }}</td>
          <td v-if="!plain">{{ p.percent === null ? '' : p.weakest.join(', ') }}</td>
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
</template>

<style scoped>
.scroll {
  overflow: auto;
}
th[scope='row'] {
  color: var(--ink);
}
.mark {
  width: 34px;
  height: 30px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--white);
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
