<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { quartersOf, unitWords } from '../../common/units'
import { spanOf, type Span } from './picture'

/** The window of workable tempi: in words, and drawn on one scale of the unit that is printed or beaten. */
const props = defineProps<{ window: Schemas['WindowView']; later?: boolean }>()
const w = computed(() => props.window)
const span = computed(() => spanOf(w.value))
const at = (bpm: number, s: Span) => `${(Math.min(1, Math.max(0, (bpm - s.from) / (s.to - s.from))) * 100).toFixed(2)}%`
const bands = computed(() => {
  const { slowest, fastest, printed } = w.value
  const s = span.value
  const isOpen = slowest && fastest && slowest.quarterBpm > fastest.quarterBpm
  const band = (from: number, to: number) => ({ left: at(from, s), right: `calc(100% - ${at(to, s)})` })
  return {
    works: isOpen ? null : band(slowest?.quarterBpm ?? s.from, fastest?.quarterBpm ?? s.to),
    printed: printed && band(printed.from, Math.max(printed.to, printed.from + (s.to - s.from) / 150)),
  }
})
const unit = computed(() => w.value.goal?.unit ?? 'quarter')
const told = (quarterBpm: number) => Math.round((quarterBpm / quartersOf(unit.value)) * 10) / 10
</script>

<template>
  <section class="window" data-testid="window" aria-label="Workable tempo">
    <h3 v-if="w.later?.length || later" class="range">Measures {{ [...new Set(w.measures)].join('–') }}</h3>
    <p class="words">{{ w.why }}</p>
    <div v-if="w.start" class="scale" aria-hidden="true">
      <span v-if="bands.works" class="works" :style="bands.works"></span>
      <span v-if="bands.printed" class="printed" :style="bands.printed"></span>
      <i class="from">{{ told(span.from) }}</i>
      <i class="to">{{ told(span.to) }}</i>
    </div>
    <p v-if="w.start" class="key quiet" aria-hidden="true">
      <span class="swatch works"></span> breath and fingers allow <span class="swatch printed"></span> printed
      <span>· {{ unitWords(unit) }}s a minute</span>
    </p>
    <dl>
      <template v-if="w.slowest">
        <dt>From {{ told(w.slowest.quarterBpm) }}</dt>
        <dd>{{ w.slowest.why }}</dd>
      </template>
      <template v-if="w.fastest">
        <dt>To {{ told(w.fastest.quarterBpm) }}</dt>
        <dd>{{ w.fastest.why }}</dd>
      </template>
    </dl>
    <WindowBox v-for="l in w.later" :key="l.measures[0]" :window="l" later />
  </section>
</template>

<style scoped>
.window {
  margin: 8px 0 10px;
}
.range {
  margin: 10px 0 2px;
  font-size: 14px;
}
.words {
  margin: 0 0 8px;
}
.scale {
  position: relative;
  height: 16px;
  margin-bottom: 18px;
  background: var(--paper);
  border: 1px solid var(--line);
}
.scale span {
  position: absolute;
  top: 0;
  bottom: 0;
}
.works {
  background: var(--moss);
  opacity: 0.45;
}
.printed {
  border: 2px solid var(--plum);
}
.scale i {
  position: absolute;
  top: 16px;
  font-size: 12px;
  font-style: normal;
  color: var(--slate);
}
.scale .to {
  right: 0;
}
.key {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 0 0 6px;
  font-size: 12.5px;
}
.swatch {
  display: inline-block;
  width: 16px;
  height: 10px;
}
dl {
  display: grid;
  grid-template-columns: 78px 1fr;
  gap: 3px 8px;
  margin: 0;
  font-size: 13.5px;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
