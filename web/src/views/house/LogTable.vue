<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { longDate } from '../../common/dates'
import { unitWords } from '../../common/units'

/** Entries of the log; each can be removed, and brought back. */
defineProps<{ entries: readonly Schemas['LogView'][]; withPlayer?: boolean }>()

const remove = (e: Schemas['LogView']) =>
  doAct({
    key: `log ${e.id}`,
    run: async () => {
      await fetched(api.DELETE('/api/log/{entry}', { params: { path: { entry: e.id } } }))
      return true
    },
    words: `The entry of ${e.playerName} of ${longDate(e.heard)} is removed.`,
    undo: () => ({ kind: 'logRemoved', entry: e.id }),
    fresh: [keys.log, keys.shelf],
  })
</script>

<template>
  <table class="table card">
    <thead>
      <tr>
        <th scope="col">Heard</th>
        <th v-if="withPlayer" scope="col">Player</th>
        <th scope="col">Passage</th>
        <th scope="col">Heard at</th>
        <th scope="col">To fix next</th>
        <th scope="col"><span class="visually-hidden">Acts</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="e in entries" :key="e.id">
        <td>{{ longDate(e.heard) }}</td>
        <td v-if="withPlayer">
          <RouterLink :to="{ name: 'player', params: { player: e.player } }">{{ e.playerName }}</RouterLink><br /><span
            class="quiet"
            >{{ e.section }}</span
          >
        </td>
        <td>
          {{ e.passageTitle }}<br /><span class="quiet">{{ e.pieceTitle }}</span>
        </td>
        <td>{{ unitWords(e.unit) }} = {{ e.bpm }}<span v-if="!e.clean" class="quiet">, not clean</span></td>
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
</template>
