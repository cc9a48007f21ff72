<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, take, type Schemas } from '../../api/client'
import { keys, useLog } from '../../api/queries'
import { longDate } from '../../common/dates'
import { unitWords } from '../../transport/store'

type Entry = Schemas['LogView']
const log = useLog()
const queries = useQueryClient()
const removed = ref<Entry | null>(null)

async function remove(e: Entry) {
  await take(api.DELETE('/api/log/{entry}', { params: { path: { entry: e.id } } }))
  removed.value = e
  await queries.invalidateQueries({ queryKey: keys.log })
}
async function restore() {
  await take(api.POST('/api/log/{entry}/restore', { params: { path: { entry: removed.value!.id } } }))
  removed.value = null
  await queries.invalidateQueries({ queryKey: keys.log })
}
</script>

<template>
  <main id="main" class="page">
    <h1>Records</h1>
    <p class="quiet">
      Who played what, how fast clean, when, and what to fix next. Private: the school's rules and the law apply.
    </p>
    <p v-if="removed" class="card undo" role="status">
      The entry of {{ removed.playerName }} was removed. <AButton size="small" @click="restore">Undo</AButton>
    </p>
    <p v-if="log.isError.value" class="card empty">{{ log.error.value?.message }}</p>
    <p v-else-if="log.data.value?.length === 0" class="card empty">
      Nothing is logged yet. Open a piece, hand out a passage under Assign and log clean tempos under Hear.
    </p>
    <table v-else class="table card">
      <thead>
        <tr>
          <th scope="col">Heard</th>
          <th scope="col">Player</th>
          <th scope="col">Passage</th>
          <th scope="col">Clean at</th>
          <th scope="col">To fix next</th>
          <th scope="col"><span class="visually-hidden">Acts</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="e in log.data.value" :key="e.id">
          <td>{{ longDate(e.heard) }}</td>
          <td>{{ e.playerName }}</td>
          <td>
            {{ e.passageTitle }}<br /><span class="quiet">{{ e.pieceTitle }}</span>
          </td>
          <td>{{ unitWords(e.unit) }} = {{ e.bpm }}</td>
          <td>{{ e.note }}</td>
          <td>
            <AButton
              size="small"
              type="text"
              :aria-label="`Remove the entry of ${e.playerName} on ${e.heard}`"
              @click="remove(e)"
              >Remove</AButton
            >
          </td>
        </tr>
      </tbody>
    </table>
  </main>
</template>

<style scoped>
.undo {
  padding: 8px 14px;
}
</style>
