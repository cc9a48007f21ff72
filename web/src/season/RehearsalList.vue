<script setup lang="ts">
import { computed } from 'vue'
import { useRehearsals } from './queries'
import { dayName } from './weeks'

/** What to rehearse when, for how long and in which order. */
const props = defineProps<{ piece?: number }>()
const rehearsals = useRehearsals(computed(() => props.piece))
const at = (starts: number) => `${Math.floor(starts / 60)}:${String(starts % 60).padStart(2, '0')}`
</script>

<template>
  <section>
    <p v-if="rehearsals.data.value?.length === 0" class="empty">
      No rehearsal is in the calendar. Enter the rehearsal days under Season, Calendar, or bring a calendar file.
    </p>
    <ol class="list">
      <li v-for="r in rehearsals.data.value" :key="r.date" class="card">
        <h2>
          {{ dayName(r.date) }} <span class="quiet">{{ r.minutes }} minutes</span>
        </h2>
        <table v-if="r.slots.length">
          <caption class="visually-hidden">
            Order of the rehearsal of
            {{
              dayName(r.date)
            }}
          </caption>
          <tbody>
            <tr v-for="s in r.slots" :key="s.starts">
              <td class="at">{{ at(s.starts) }}</td>
              <td>{{ s.minutes }} min</td>
              <td>{{ s.titles.join(' and ') }}<em v-if="s.sectional">, in sectionals at the same time</em></td>
              <td class="quiet">{{ s.playing }} play</td>
            </tr>
          </tbody>
        </table>
        <p class="quiet why">{{ r.why }}</p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.list {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(380px, 1fr));
  gap: 10px;
}
.card {
  padding: 10px 14px;
}
h2 {
  margin: 0 0 4px;
  font-size: 15px;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
td {
  padding: 2px 8px 2px 0;
  vertical-align: top;
}
td.quiet,
.at {
  white-space: nowrap;
}
.why {
  margin: 4px 0 0;
  font-size: 12.5px;
}
</style>
