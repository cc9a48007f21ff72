<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { longDate } from '../../common/dates'
import { useDrawn } from '../../parts/print/useDrawn'
import PaperSheet from '../../parts/print/PaperSheet.vue'
import PrintFrame from '../../parts/print/PrintFrame.vue'
import { usePaper } from '../../parts/print/usePaper'
import { askedWords } from '../pieces/matrix'
import { useSet, useStyle } from '../queries'

/** The house's answers of a set on one page for all players. */
useDrawn()
const route = useRoute()
const { paper } = usePaper()
const id = computed(() => Number(route.params.set))
const set = useSet(id)
const style = useStyle(id)
const asked = (round: number) =>
  (set.data.value?.entries ?? [])
    .filter((e) => askedWords(e, round) !== null)
    .reduce((out, e) => {
      const words = `${e.kindWords}: ${askedWords(e, round)}`
      return out.set(words, [...(out.get(words) ?? []), e.instrumentName])
    }, new Map<string, string[]>())
// Every instrument once is everybody.
const whoWords = (who: readonly string[]) =>
  new Set(who).size === new Set(set.data.value?.entries.map((e) => e.instrument)).size
    ? 'every instrument'
    : [...new Set(who)].join(', ')
</script>

<template>
  <PrintFrame :paper="paper" :back="{ name: 'audition', params: { set: id, tab: 'answers' } }" words="Back to the set">
    <template #bar><span class="quiet">One page for all players.</span></template>
    <PaperSheet v-if="set.data.value && style.data.value" :paper="paper" fit label="Style sheet">
      <header>
        <div>
          <h1>{{ set.data.value.name }}</h1>
          <p>How we play it</p>
        </div>
        <div class="who">
          <span v-for="r in set.data.value.rounds" :key="r.id ?? 0"
            ><strong>{{ r.name }}</strong> {{ longDate(r.held) }}</span
          >
        </div>
      </header>
      <section aria-labelledby="asked">
        <h2 id="asked">What is asked</h2>
        <template v-for="r in set.data.value.rounds" :key="r.id ?? 0">
          <h3>{{ r.name }}</h3>
          <ul>
            <li v-for="[words, who] in asked(r.id ?? 0)" :key="words">
              {{ words }} <small>({{ whoWords(who) }})</small>
            </li>
          </ul>
        </template>
      </section>
      <section aria-labelledby="answers">
        <h2 id="answers">Our answers</h2>
        <dl>
          <template v-for="l in style.data.value" :key="l.title">
            <dt>{{ l.title }}</dt>
            <dd>
              {{ l.told }}
              <small v-if="l.places.length">Where: {{ l.places.join('; ') }}.</small>
            </dd>
          </template>
        </dl>
      </section>
      <footer>Your teacher's word, and the rules of whoever holds the audition, come before this page.</footer>
    </PaperSheet>
  </PrintFrame>
</template>

<style scoped>
.who {
  display: grid;
}
ul {
  margin: 2px 0 8px;
}
dt {
  font-weight: 600;
  margin-top: 6px;
}
dd {
  margin: 0;
}
small {
  color: var(--slate-ink);
}
dd small {
  display: block;
}
</style>
