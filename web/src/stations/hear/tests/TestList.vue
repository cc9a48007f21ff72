<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct } from '../../../acts/useAct'
import { api, fetched, type Piece } from '../../../api/client'
import { keys } from '../../../api/queries'
import { shortDate } from '../../../common/dates'
import { unitWords } from '../../../common/units'
import NewTest from './NewTest.vue'
import { useTests, type Test } from './queries'

/** Playing tests of a piece. */
const props = defineProps<{ piece: Piece }>()
const tests = useTests()
const own = computed(() => (tests.data.value ?? []).filter((t) => t.piece === props.piece.id))
const making = ref(false)
const marked = (t: Test) => t.players.filter((p) => p.percent !== null).length
const remove = (t: Test) =>
  doAct({
    key: `test ${t.id}`,
    run: async () => {
      await fetched(api.DELETE('/api/tests/{test}', { params: { path: { test: t.id } } }))
      return true
    },
    words: `“${t.title}” is taken back.`,
    undo: () => ({ kind: 'testRemoved', test: t.id }),
    fresh: [keys.tests],
  })
</script>

<template>
  <div>
    <div class="row head">
      <h2>Playing tests</h2>
      <AButton type="primary" @click="making = true">New test</AButton>
    </div>
    <p v-if="own.length === 0" class="quiet">
      No test yet. A test hears one passage at one tempo against a short list, with marks for each player.
    </p>
    <ul class="entries">
      <li v-for="t in own" :key="t.id">
        <strong>{{ t.title }}</strong>
        <p class="where">
          {{ unitWords(t.tempo.unit) }} = {{ t.tempo.bpm }} · {{ shortDate(t.held) }} · {{ marked(t) }} of
          {{ t.players.length }} marked
        </p>
        <div class="acts flat">
          <RouterLink :to="{ name: 'test', params: { test: t.id } }">Enter marks</RouterLink>
          <RouterLink :to="{ name: 'test-sheet', params: { test: t.id } }">Test sheet</RouterLink>
          <a :href="`/api/tests/${t.id}/results.csv`" download>Results as CSV</a>
          <AButton size="small" type="text" :aria-label="`Take back ${t.title}`" @click="remove(t)">Take back</AButton>
        </div>
      </li>
    </ul>
    <NewTest v-if="making" :piece="piece" @close="making = false" />
  </div>
</template>

<style scoped src="../../station.css"></style>
<style scoped>
.where {
  margin: 0;
}
.flat {
  padding-left: 0;
  gap: 4px 14px;
  align-items: center;
}
</style>
