<script setup lang="ts">
import { Button as AButton, Spin as ASpin } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { longDate } from '../../common/dates'
import { useCandidates, type AuditionSet, type Round } from '../queries'
import PickCandidates from './PickCandidates.vue'

/** Who auditions on what, and who is ready for which round. */
const props = defineProps<{ set: AuditionSet }>()
const ready = useCandidates(computed(() => props.set.id))
const picking = ref(false)
const busy = isBusy('hand out round')
const handOut = (round: Round) =>
  doAct({
    key: 'hand out round',
    run: () =>
      fetched(
        api.POST('/api/auditions/{set}/rounds/{round}/handout', {
          params: { path: { set: props.set.id, round: round.id! } },
        }),
      ),
    words: (h) =>
      `${h.passages.length} passages for ${round.name} are handed out` +
      `${h.linked ? `, ${h.linked} earlier ones count too` : ''}. Plan the season to give them days.`,
    undo: (h) => ({ kind: 'handedOutMany', passages: h.passages }),
  })
const percent = (n: number | null | undefined) => `${Math.round((n ?? 0) * 100)}%`
</script>

<template>
  <section>
    <div class="row head">
      <AButton @click="picking = true">Choose candidates</AButton>
      <AButton
        v-for="r in set.rounds"
        :key="r.id ?? 0"
        :disabled="busy || set.candidates.length === 0"
        @click="handOut(r)"
        >Hand out {{ r.name }}</AButton
      >
      <RouterLink :to="{ name: 'season' }">Plan the season</RouterLink>
    </div>
    <p class="quiet">
      Handing out cuts what a round asks into phrases with their pickups, for those who audition on it, and adds a
      run-through before the day. The season plan sets the days, the hardest early.
    </p>
    <ASpin v-if="ready.isPending.value" />
    <p v-if="ready.data.value?.length === 0" class="card empty">
      Nobody auditions yet. Choose candidates among the players of the ensemble.
    </p>
    <table v-if="ready.data.value?.length" class="table card">
      <thead>
        <tr>
          <th scope="col">Candidate</th>
          <th scope="col">Auditions on</th>
          <th v-for="r in set.rounds" :key="r.id ?? 0" scope="col">{{ r.name }}, {{ longDate(r.held) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in ready.data.value" :key="c.candidate.id">
          <th scope="row">
            <RouterLink :to="{ name: 'player', params: { player: c.candidate.player } }">{{
              c.candidate.name
            }}</RouterLink>
          </th>
          <td>{{ c.candidate.instrumentName }}</td>
          <td v-for="r in c.rounds" :key="r.round">
            <div v-if="r.high !== null" class="bar" aria-hidden="true">
              <span class="sure" :style="{ width: percent(r.low) }"></span>
              <span class="may" :style="{ width: percent((r.high ?? 0) - (r.low ?? 0)) }"></span>
            </div>
            <details v-if="r.passages.length">
              <summary>{{ r.words }}</summary>
              <ul>
                <li v-for="p in r.passages" :key="p.passage">
                  <RouterLink
                    :to="{ name: 'piece', params: { id: p.piece, station: 'hear' }, query: { from: p.from, to: p.to } }"
                    >{{ p.title }}</RouterLink>: {{ p.words }}
                </li>
              </ul>
            </details>
            <span v-else class="quiet">{{ r.words }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      A chance is no verdict: whether somebody auditions is for the teacher, the family and the school.
    </p>
    <PickCandidates v-if="picking" :set="set" @close="picking = false" />
  </section>
</template>

<style scoped>
.head {
  margin-bottom: 6px;
}
.table th[scope='row'] {
  vertical-align: top;
}
.bar {
  display: flex;
  width: 140px;
  height: 6px;
  background: var(--line);
  border-radius: 3px;
  overflow: hidden;
  margin: 6px 0 2px;
}
.sure {
  background: var(--moss);
}
.may {
  background: repeating-linear-gradient(90deg, var(--moss) 0 2px, transparent 2px 5px);
}
details ul {
  margin: 2px 0 0;
  padding-left: 16px;
}
details a {
  text-decoration: underline;
}
summary {
  cursor: pointer;
}
</style>
