<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import type { ShelfPiece } from '../../api/client'
import { daysWords, longDate } from '../../common/dates'

defineProps<{ pieces: readonly ShelfPiece[] }>()
const emit = defineEmits<{ remove: [ShelfPiece]; edit: [ShelfPiece] }>()
const share = (p: ShelfPiece) =>
  p.differences === 0 ? 100 : Math.round((100 * (p.differences - p.openDifferences)) / p.differences)
</script>

<template>
  <table class="table card">
    <thead>
      <tr>
        <th scope="col">Title</th>
        <th scope="col">Date</th>
        <th scope="col">Unified</th>
        <th scope="col">Often missed</th>
        <th scope="col">Not done</th>
        <th scope="col"><span class="visually-hidden">Acts</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="p in pieces" :key="p.id">
        <td class="title">
          <strong v-if="p.problem">{{ p.title }}</strong>
          <RouterLink v-else :to="{ name: 'piece', params: { id: p.id, station: 'study' } }">{{ p.title }}</RouterLink>
          <span v-if="!p.problem" class="quiet"
            >{{ p.parts }} {{ p.parts === 1 ? 'part' : 'parts' }} × {{ p.measures }} measures</span
          >
        </td>
        <td>
          <template v-if="p.due"
            >{{ longDate(p.due) }}<br /><span class="quiet">{{ daysWords(p.daysLeft) }}</span></template
          >
          <span v-else class="quiet">no date set</span>
        </td>
        <td v-if="p.problem" colspan="3" class="problem">
          {{ p.problem }}
          <a :href="`/api/pieces/${p.id}/export.musicxml?original=true`" download>Export the original</a>
        </td>
        <td v-if="!p.problem">
          <template v-if="p.parts > 1">
            <div class="bar" aria-hidden="true"><span :style="{ width: `${share(p)}%` }"></span></div>
            <span class="quiet">{{ p.differences - p.openDifferences }} of {{ p.differences }}</span>
          </template>
          <span v-else class="quiet">one part</span>
        </td>
        <td v-if="!p.problem">{{ p.findings }}</td>
        <td v-if="!p.problem">
          <ul v-if="p.notDone.length">
            <li v-for="n in p.notDone" :key="n">{{ n }}</li>
          </ul>
          <span v-else class="quiet">nothing</span>
        </td>
        <td class="acts">
          <AButton size="small" type="text" :aria-label="`Date and title of ${p.title}`" @click="emit('edit', p)"
            >Edit</AButton
          >
          <AButton size="small" type="text" :aria-label="`Remove ${p.title}`" @click="emit('remove', p)"
            >Remove</AButton
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.problem {
  color: var(--rosin);
  max-width: 420px;
}
.problem a {
  white-space: nowrap;
}
.title strong,
.title a {
  font: 600 15px var(--title);
  text-decoration: none;
  display: block;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.bar {
  width: 90px;
  height: 6px;
  background: var(--line);
  border-radius: 3px;
  overflow: hidden;
  margin-top: 8px;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--moss);
}
.acts {
  white-space: nowrap;
  text-align: right;
}
</style>
