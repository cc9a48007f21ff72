<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'
import { shortDate } from '../../common/dates'
import { useMocks, type AuditionSet, type Mock } from '../queries'
import { heard } from './rows'
import NewMock from './NewMock.vue'

/** Mock auditions of a set. */
const props = defineProps<{ set: AuditionSet }>()
const mocks = useMocks(computed(() => props.set.id))
const making = ref(false)
const remove = (m: Mock) =>
  doAct({
    key: `mock ${m.id}`,
    run: async () => {
      await fetched(api.DELETE('/api/mocks/{mock}', { params: { path: { mock: m.id } } }))
      return true
    },
    words: `“${m.title}” is taken back.`,
    undo: () => ({ kind: 'mockRemoved', mock: m.id }),
    fresh: [keys.auditions],
  })
</script>

<template>
  <section>
    <div class="row head">
      <p class="quiet">A trial as on the day: a drawn order, numbers for listeners, several ears, one result.</p>
      <AButton type="primary" @click="making = true">New mock audition</AButton>
    </div>
    <p v-if="mocks.data.value?.length === 0" class="card empty">
      No mock audition yet. Hold one two weeks before the round: nerves are learnt too.
    </p>
    <ul class="list">
      <li v-for="m in mocks.data.value" :key="m.id" class="card">
        <h2>
          <RouterLink :to="{ name: 'mock', params: { mock: m.id } }">{{ m.title }}</RouterLink>
        </h2>
        <p class="quiet">
          {{ shortDate(m.held) }} · {{ m.listeners.length }} listeners{{ m.screened ? ', screened' : ''
          }}{{ m.trimmed ? ', highest and lowest left out' : '' }} · {{ heard(m) }} of {{ m.seats.length }} heard
        </p>
        <p class="row">
          <RouterLink :to="{ name: 'mock', params: { mock: m.id } }">Enter marks</RouterLink>
          <RouterLink :to="{ name: 'mock', params: { mock: m.id, tab: 'results' } }">Results</RouterLink>
          <RouterLink :to="{ name: 'mock-sheet', params: { mock: m.id } }">Listeners' sheets</RouterLink>
          <AButton size="small" type="text" :aria-label="`Take back ${m.title}`" @click="remove(m)">Take back</AButton>
        </p>
      </li>
    </ul>
    <NewMock v-if="making" :set="set" @close="making = false" />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.list li {
  padding: 10px 14px;
}
h2 {
  font-size: 15px;
}
p {
  margin: 2px 0;
}
</style>
