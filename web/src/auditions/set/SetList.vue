<script setup lang="ts">
import { Button as AButton, Spin as ASpin } from 'ant-design-vue'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { longDate } from '../../common/dates'
import { useSets } from '../queries'
import NewSet from './NewSet.vue'

/** The audition sets of the school. */
const sets = useSets()
const router = useRouter()
const making = ref(false)
const remove = (s: Schemas['AuditionLine']) =>
  doAct({
    key: `remove set ${s.id}`,
    run: async () => {
      await fetched(api.DELETE('/api/auditions/{set}', { params: { path: { set: s.id } } }))
      return true
    },
    words: `${s.name} is taken back, with its pieces.`,
    undo: () => ({ kind: 'setRemoved', set: s.id }),
    fresh: [keys.auditions, keys.shelf],
  })
function made(set: number | null) {
  making.value = false
  if (set !== null) void router.push({ name: 'audition', params: { set } })
}
</script>

<template>
  <section>
    <div class="row head">
      <p class="quiet">A piece for every instrument, by rounds: etudes, excerpts, scales.</p>
      <AButton type="primary" @click="making = true">New set</AButton>
    </div>
    <ASpin v-if="sets.isPending.value" />
    <p v-if="sets.isError.value" class="card empty" role="alert">{{ sets.error.value?.message }}</p>
    <p v-if="sets.data.value?.length === 0" class="card empty">
      No audition set yet. Make one and drop the whole folder of etudes: instruments and kinds are proposed.
    </p>
    <table v-if="sets.data.value?.length" class="table card">
      <thead>
        <tr>
          <th scope="col">Set</th>
          <th scope="col">Next round</th>
          <th scope="col">Pieces</th>
          <th scope="col">Instruments</th>
          <th scope="col">Candidates</th>
          <th scope="col"><span class="visually-hidden">Acts</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in sets.data.value" :key="s.id">
          <td>
            <RouterLink :to="{ name: 'audition', params: { set: s.id } }">{{ s.name }}</RouterLink>
          </td>
          <td>
            <template v-if="s.next">{{ s.nextName }}, {{ longDate(s.next) }}</template>
            <span v-else class="quiet">all rounds are past</span>
          </td>
          <td>{{ s.pieces }}</td>
          <td>{{ s.instruments }}</td>
          <td>{{ s.candidates }}</td>
          <td class="acts">
            <AButton size="small" type="text" :aria-label="`Take back ${s.name}`" @click="remove(s)">Take back</AButton>
          </td>
        </tr>
      </tbody>
    </table>
    <NewSet v-if="making" @close="made" />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
  margin-bottom: 8px;
}
.acts {
  text-align: right;
}
td a {
  font: 600 15px var(--title);
}
</style>
