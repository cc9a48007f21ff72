<script setup lang="ts">
import { heatStep } from '../../strip/geometry'
import { heatSteps } from '../../theme'
import type { Entry, Figures, Round } from '../queries'
import { askedWords, clock, windowWords } from './matrix'

/** One piece of the set: how hard, how long, where, and what is not done. */
const props = defineProps<{ entry: Entry; figures?: Figures; rounds: readonly Round[] }>()
const emit = defineEmits<{ edit: []; borrow: [] }>()
const to = (station: string, measure?: string) => ({
  name: 'piece',
  params: { id: props.entry.piece, station },
  query: measure ? { from: measure, to: measure } : {},
})
const heat = () => Math.round((props.figures?.heat ?? 0) * 100)
const own = () => props.entry.title.replace(` (${props.entry.instrumentName})`, '')
</script>

<template>
  <div class="cell">
    <div class="head">
      <span
        class="heat"
        :style="{ background: heatSteps[heatStep(figures?.heat ?? 0)] }"
        :title="`Heat ${heat()} of 100`"
        aria-hidden="true"
      ></span>
      <RouterLink :to="to('study')">{{ own() }}</RouterLink>
      <span v-if="entry.lender" class="quiet">
        from {{ entry.lender }}, {{ entry.reading === 'written' ? 'same written notes' : 'same sound' }}</span
      >
      <span class="acts">
        <button type="button" :aria-label="`Edit ${entry.title}`" @click="emit('edit')">Edit</button>
        <button type="button" :aria-label="`Lend ${entry.title}`" @click="emit('borrow')">Lend</button>
      </span>
    </div>
    <p v-if="figures" class="line">
      heat {{ heat() }} · <RouterLink :to="to('tempo')">{{ clock(figures.seconds) }}</RouterLink> ·
      <RouterLink v-if="figures.hardest" :to="to('technique', figures.hardest)"
        >hardest {{ figures.hardest }}</RouterLink
      >
      · <RouterLink :to="to('tempo')">{{ windowWords(figures) }}</RouterLink>
      <strong v-if="figures.beyond" class="beyond">
        · {{ figures.beyond }} {{ figures.beyond === 1 ? 'note' : 'notes' }} out of range</strong
      >
    </p>
    <p v-else class="line" aria-hidden="true">…</p>
    <p class="line quiet">
      <template v-for="r in rounds" :key="r.id ?? 0"
        >{{ r.name }}: {{ askedWords(entry, r.id ?? 0) ?? 'not asked' }}{{ r === rounds.at(-1) ? '' : ' · ' }}</template
      >
      <template v-if="entry.slowest">
        · asked ♩ = {{ entry.slowest }}{{ entry.quickest ? `–${entry.quickest}` : '' }}</template
      >
    </p>
    <p v-if="figures?.notDone.length" class="line open">{{ figures.notDone.join('; ') }}</p>
    <p v-if="figures?.missed.length" class="line missed">
      <template v-for="(m, i) in figures.missed" :key="m.finding"
        ><RouterLink :to="to('study', m.measure)">{{ m.measure }}: {{ m.title }}</RouterLink
        >{{ i < figures.missed.length - 1 ? '; ' : '' }}</template
      >
    </p>
    <p v-if="entry.errata" class="line">Errata: {{ entry.errata }}</p>
  </div>
</template>

<style scoped>
.cell + .cell {
  border-top: 1px dashed var(--line);
  margin-top: 6px;
  padding-top: 6px;
}
.head {
  display: flex;
  gap: 6px;
  align-items: baseline;
  font-weight: 600;
}
.head .quiet {
  font-weight: 400;
  font-size: 12.5px;
}
.heat {
  width: 14px;
  height: 14px;
  border: 1px solid var(--slate);
  align-self: center;
  flex: none;
}
.line {
  margin: 1px 0 0;
  font-size: 12.5px;
}
.beyond,
.open {
  color: var(--rosin);
}
.line a {
  text-decoration: underline;
}
.missed {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.acts {
  margin-left: auto;
  white-space: nowrap;
}
.acts button {
  border: 0;
  background: none;
  font: inherit;
  color: var(--plum);
  text-decoration: underline;
  cursor: pointer;
  padding: 0 3px;
}
</style>
