<script setup lang="ts">
import { Spin as ASpin } from 'ant-design-vue'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { usePlayerRecord } from '../../api/queries'
import { longDate, shortDate } from '../../common/dates'
import StateWord from '../../common/StateWord.vue'
import { unitWords } from '../../common/units'
import LogTable from './LogTable.vue'

/** One player: what they have to play, how far they are, and all that was heard. */
const route = useRoute()
const id = computed(() => Number(route.params.player))
const record = usePlayerRecord(id)
const r = computed(() => record.data.value)
</script>

<template>
  <main id="main" class="page">
    <p><RouterLink to="/records">All records</RouterLink></p>
    <p v-if="record.isError.value" class="card empty">{{ record.error.value?.message }}</p>
    <ASpin v-else-if="!r" tip="Reading the records" />
    <template v-else>
      <div class="row head">
        <h1>{{ r.player.name }}</h1>
        <span class="quiet"
          >{{ r.sectionName }}, chair {{ r.player.chair }}, {{ r.player.instrumentName ?? 'no instrument' }}</span
        >
        <span v-if="r.leftOn" class="quiet">left on {{ longDate(r.leftOn) }}</span>
        <span class="out">
          <a :href="`/api/log.csv?player=${id}`" download>CSV</a>
          <a :href="`/api/log.json?player=${id}`" download>JSON</a>
        </span>
      </div>
      <h2>To play</h2>
      <p v-if="r.passages.length === 0" class="quiet">No passage is handed out to this player.</p>
      <table v-else class="table card">
        <thead>
          <tr>
            <th scope="col">Passage</th>
            <th scope="col">Goal</th>
            <th scope="col">By</th>
            <th scope="col">How far</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in r.passages" :key="p.passage.id">
            <td>
              <RouterLink :to="{ name: 'piece', params: { id: p.passage.piece, station: 'hear' } }">{{
                p.passage.title
              }}</RouterLink><br /><span class="quiet"
                >{{ p.passage.pieceTitle }}, measures {{ p.passage.from }}–{{ p.passage.to }}</span
              >
            </td>
            <td>{{ unitWords(p.passage.goal.unit) }} = {{ p.passage.goal.bpm }}</td>
            <td>{{ shortDate(p.passage.due) }}</td>
            <td>
              <StateWord :state="p.ready.state" /><br /><span class="quiet">{{ p.ready.why }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <template v-if="r.remarks.length">
        <h2>Said to them and others</h2>
        <ul>
          <li v-for="x in r.remarks" :key="x.id">
            {{ x.words }} <span class="quiet">{{ shortDate(x.said) }}</span>
          </li>
        </ul>
      </template>
      <template v-if="r.tests.length">
        <h2>Tests</h2>
        <ul>
          <li v-for="t in r.tests" :key="t.test">
            <RouterLink :to="{ name: 'test', params: { test: t.test } }">{{ t.title }}</RouterLink>,
            {{ shortDate(t.held) }}: {{ t.percent === null ? 'not all marked' : `${t.percent} percent` }}
            <span v-if="t.percent !== null && t.weakest.length" class="quiet"
              >to work on: {{ t.weakest.join(', ') }}</span
            >
          </li>
        </ul>
      </template>
      <h2>Heard</h2>
      <p v-if="r.entries.length === 0" class="quiet">Nothing was heard yet.</p>
      <LogTable v-else :entries="r.entries" />
      <p class="quiet">Private: the school's rules and the law apply.</p>
    </template>
  </main>
</template>

<style scoped>
li a {
  text-decoration: underline;
}
.head {
  align-items: baseline;
  gap: 14px;
}
.out {
  display: flex;
  gap: 12px;
  margin-left: auto;
}
h2 {
  margin: 18px 0 8px;
}
</style>
