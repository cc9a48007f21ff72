<script setup lang="ts">
import { computed } from 'vue'
import { useResults, type Mock } from '../queries'

/** Results by instrument, how ties were broken, and what was lost where. */
const props = defineProps<{ mock: Mock }>()
const results = useResults(
  computed(() => props.mock.id),
  computed(() => true),
)
const lost = computed(() => results.data.value?.lost ?? [])
const most = computed(() => Math.max(1, ...lost.value.map((l) => l.percent)))
</script>

<template>
  <section v-if="results.data.value">
    <p v-if="results.data.value.results.length === 0" class="card empty">
      Nobody has been marked in full yet. Enter marks; a result comes with the first whole sheet.
    </p>
    <div v-else class="two">
      <table class="table card">
        <caption class="visually-hidden">
          Results by instrument
        </caption>
        <thead>
          <tr>
            <th scope="col">Instrument</th>
            <th scope="col">Place</th>
            <th scope="col">Candidate</th>
            <th scope="col">Percent</th>
            <th scope="col">Listeners</th>
            <th scope="col">To work on</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in results.data.value.results" :key="r.number">
            <td>{{ r.instrument }}</td>
            <td>{{ r.place }}</td>
            <td>
              {{ r.name }} <small class="quiet">number {{ r.number }}</small>
              <small v-if="r.tie" class="tie">{{ r.tie }}</small>
            </td>
            <td>{{ r.percent }}</td>
            <td>
              {{ r.heard }} heard, {{ r.spread }} apart
              <small v-if="r.dropped.length" class="quiet">without {{ r.dropped.join(' and ') }}</small>
            </td>
            <td>{{ r.weakest.join(', ') }}</td>
          </tr>
        </tbody>
      </table>
      <aside class="card lost" aria-labelledby="lost">
        <h2 id="lost">What was lost where</h2>
        <ul>
          <li v-for="l in lost" :key="l.criterion">
            <span>{{ l.criterion }}</span>
            <span class="bar" aria-hidden="true"><span :style="{ width: `${(100 * l.percent) / most}%` }"></span></span>
            <span>{{ l.percent }}%</span>
          </li>
        </ul>
        <p v-if="results.data.value.waiting.length" class="quiet">
          Not heard yet: {{ results.data.value.waiting.join(', ') }}.
        </p>
        <p><a :href="`/api/mocks/${mock.id}/results.csv`" download>Results as CSV</a></p>
      </aside>
    </div>
    <p class="quiet">
      A tie in everything is not broken by the program: listen again, or decide. Marks are private records.
    </p>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 280px;
  gap: 14px;
  align-items: start;
}
small {
  display: block;
}
.tie {
  color: var(--rosin);
}
.lost {
  padding: 12px 14px;
}
ul {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 100px 1fr 46px;
  gap: 6px;
  align-items: center;
}
.bar {
  height: 8px;
  background: var(--line);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--plum);
}
</style>
