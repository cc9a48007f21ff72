<script setup lang="ts">
import { computed, ref } from 'vue'
import { useBalance } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import type { StationEvents, StationProps } from '..'
import { barOf } from './balance'

/** Players × level: where the tune is covered, and what would mend it. */
const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const tune = ref('')
const range = computed(() => ({
  tune: tune.value || undefined,
  from: props.piece.measures[props.selection?.from ?? 0]!,
  to: props.piece.measures[props.selection?.to ?? props.piece.measures.length - 1]!,
}))
const balance = useBalance(id, range)
const names = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const nameOf = (ids: readonly string[]) => ids.map((p) => names.value.get(p) ?? p).join(', ')
const covered = computed(() => balance.data.value?.covered ?? [])
const measures = computed(() => balance.data.value?.measures ?? [])
const keyOf = (c: { fromIndex: number; tune: readonly string[] }) => `${c.fromIndex} ${c.tune.join()}`

function open(c: { fromIndex: number; toIndex: number; tune: readonly string[] }) {
  emit('active', keyOf(c))
  emit('show', { parts: [...c.tune], from: c.fromIndex, to: c.toIndex })
}
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>Who covers the tune</h2>
      <PickOne
        v-model:value="tune"
        label="Who has the tune"
        :options="[
          { value: '', label: 'the highest line that moves' },
          ...piece.parts.map((p) => ({ value: p.id, label: p.name || p.id })),
        ]"
      />
    </div>
    <p v-if="balance.isError.value" class="empty">{{ balance.error.value?.message }}</p>
    <div v-if="measures.length" class="chart" aria-hidden="true">
      <i
        v-for="m in measures"
        :key="m.index"
        :class="{ over: (m.cover ?? -99) > 6 }"
        :style="{ height: `${barOf(m.cover)}%` }"
        :title="`measure ${m.measure}: ${nameOf(m.tune)}, others ${m.cover ?? 'silent'} dB above`"
      ></i>
    </div>
    <p v-if="measures.length" class="where">
      Each bar is how far all others together stand above the tune, measure by measure; above 6 dB it is covered.
    </p>
    <p v-if="balance.data.value && covered.length === 0" class="empty">The tune is heard everywhere here.</p>
    <ol class="entries">
      <li v-for="c in covered" :key="keyOf(c)" :class="{ on: active === keyOf(c) }">
        <button type="button" class="entry plain" @click="open(c)">
          <span class="body">
            <strong
              >{{ c.from === c.to ? `Measure ${c.from}` : `Measures ${c.from}–${c.to}` }}: {{ nameOf(c.tune) }}</strong
            >
            <span class="why">{{ c.why }}</span>
          </span>
        </button>
        <ul class="cures">
          <li v-for="cure in c.cures" :key="cure">{{ cure }}</li>
        </ul>
      </li>
    </ol>
    <p v-if="balance.data.value?.guessed.length" class="where">
      Nobody is seated for {{ balance.data.value.guessed.join(', ') }}: one player each is assumed. Add players under
      Ensemble.
    </p>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.head > :last-child {
  width: 190px;
}
.plain {
  display: block;
}
.chart {
  display: flex;
  align-items: flex-end;
  height: 64px;
  gap: 1px;
  border-bottom: 1px solid var(--slate);
  margin-bottom: 4px;
}
.chart i {
  flex: 1;
  min-width: 1px;
  background: var(--lilac-deep);
}
.chart i.over {
  background: var(--rosin);
}
.cures {
  margin: 2px 0 6px;
  padding-left: 20px;
  font-size: 13px;
}
.cures li {
  border: 0;
  padding: 0;
  list-style: disc;
}
</style>
