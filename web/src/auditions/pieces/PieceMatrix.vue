<script setup lang="ts">
import { computed, ref } from 'vue'
import PickOne from '../../common/PickOne.vue'
import { useFigures, type AuditionSet, type Entry } from '../queries'
import BorrowDialog from './BorrowDialog.vue'
import EntryDialog from './EntryDialog.vue'
import { matrix, orders, sorted, type Order } from './matrix'
import PieceCell from './PieceCell.vue'

/** The whole set on one page: instruments × pieces. */
const props = defineProps<{ set: AuditionSet }>()
const figures = useFigures(computed(() => props.set.id))
const order = ref<Order>('hardest')
const byEntry = computed(() => new Map((figures.data.value ?? []).map((f) => [f.entry, f])))
const table = computed(() => matrix(props.set.entries))
const rows = computed(() => sorted(table.value.rows, order.value, byEntry.value))
const editing = ref<Entry | null>(null)
const lending = ref<Entry | null>(null)
</script>

<template>
  <section>
    <div class="row head">
      <label class="order"
        >In order: <PickOne v-model:value="order" :options="orders" label="Order of the instruments"
      /></label>
      <span v-if="figures.isPending.value" class="quiet" role="status">Counting up heat and lengths …</span>
      <span v-else class="quiet">Each entry opens the piece at its place.</span>
    </div>
    <p v-if="set.entries.length === 0" class="card empty">
      No piece is in this set any more. Undo, or make a set of files.
    </p>
    <div v-else class="scroll" role="region" aria-label="Pieces of the set" tabindex="0">
      <table class="table card" :style="{ minWidth: `${140 + 320 * table.kinds.length}px` }">
        <thead>
          <tr>
            <th scope="col">Instrument</th>
            <th v-for="k in table.kinds" :key="k.name" scope="col">{{ k.words }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.instrument">
            <th scope="row" class="name">{{ r.name }}</th>
            <td v-for="k in table.kinds" :key="k.name">
              <PieceCell
                v-for="e in r.cells[k.name] ?? []"
                :key="e.id"
                :entry="e"
                :figures="byEntry.get(e.id)"
                :rounds="set.rounds"
                @edit="editing = e"
                @borrow="lending = e"
              />
              <span v-if="!r.cells[k.name]" class="quiet">none</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <EntryDialog v-if="editing" :set="set" :entry="editing" @close="editing = null" />
    <BorrowDialog v-if="lending" :set="set" :entry="lending" @close="lending = null" />
  </section>
</template>

<style scoped>
.head {
  margin-bottom: 8px;
  gap: 16px;
}
.order {
  display: flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
.order :deep(select) {
  width: 190px;
}
.scroll {
  overflow-x: auto;
}
.table .name {
  color: var(--ink);
  font: 600 15px var(--title);
  vertical-align: top;
}
.table {
  table-layout: fixed;
}
.table th:first-child {
  width: 140px;
}
</style>
