<script setup lang="ts">
import { computed, ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Line } from '../../api/client'
import { useLines } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import { inSelection } from '../study/findings'
import type { StationEvents, StationProps } from '..'
import { relationWords } from './readings'

/** Who goes with whom: the lines that parts share, their leaders; choosing one stacks all its parts in the music. */
const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const id = computed(() => props.piece.id)
const lines = useLines(id)
const relation = ref('')

const names = computed(() => new Map(props.piece.parts.map((p) => [p.id, p.name || p.id])))
const here = computed(() =>
  (lines.data.value ?? []).filter(
    (l) => inSelection(l, props.selection) && (!relation.value || l.relation === relation.value),
  ),
)
const keyOf = (l: Line) => `${l.relation} ${l.fromIndex}-${l.toIndex} ${l.parts.join()}`

function open(l: Line) {
  emit('active', keyOf(l))
  emit('show', { parts: [...l.parts], from: l.fromIndex, to: l.toIndex })
}

const setLeader = (l: Line, leader: string | undefined) =>
  doAct({
    key: `leader ${l.parts.join()}`,
    run: () =>
      fetched(
        api.PUT('/api/pieces/{id}/lines/leader', {
          params: { path: { id: id.value } },
          body: { parts: l.parts, leader: leader || null },
        }),
      ),
    words: leader
      ? `${names.value.get(leader)} decides for these parts now.`
      : 'The usual order decides for these parts again.',
    undo: () => ({ kind: 'leader', piece: id.value, parts: [...l.parts], before: l.isSet ? l.leader : null }),
  })
</script>

<template>
  <div class="station">
    <div class="row head">
      <h2>Who goes with whom</h2>
      <PickOne
        v-model:value="relation"
        label="Relation"
        :options="[
          { value: '', label: 'every relation' },
          { value: 'unison', label: 'unison' },
          { value: 'octave', label: 'octaves' },
          { value: 'same-rhythm', label: 'same rhythm' },
          { value: 'return', label: 'returns' },
        ]"
      />
    </div>
    <p v-if="lines.isError.value" class="empty">{{ lines.error.value?.message }}</p>
    <p v-else-if="lines.data.value && here.length === 0" class="empty">
      No two parts go together in the selection. Clear it with Esc to see all lines.
    </p>
    <ol class="entries">
      <li v-for="l in here" :key="keyOf(l)" :aria-current="keyOf(l) === active" :class="{ on: keyOf(l) === active }">
        <button type="button" class="entry plain" @click="open(l)">
          <span class="body">
            <strong>{{ l.parts.map((p) => names.get(p) ?? p).join(', ') }}</strong>
            <span class="where"
              >{{ l.from === l.to ? `measure ${l.from}` : `measures ${l.from}–${l.to}` }} ·
              {{ relationWords({ relation: l.relation, parts: l.parts as never }) }} · {{ l.notes }} notes{{
                l.open ? ` · ${l.open} to decide` : ''
              }}</span
            >
          </span>
        </button>
        <label v-if="l.relation !== 'return'" class="leader"
          ><span>leads</span>
          <PickOne
            :value="l.isSet ? l.leader : ''"
            :label="`Leader of ${l.parts.map((p) => names.get(p) ?? p).join(', ')}`"
            :options="[
              { value: '', label: `${names.get(l.leader)} (first in the score)` },
              ...l.parts.map((p) => ({ value: p, label: names.get(p) ?? p })),
            ]"
            @update:value="setLeader(l, $event)"
          />
        </label>
      </li>
    </ol>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.plain {
  display: block;
}
.head > :last-child {
  width: 150px;
}
.leader {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px;
  align-items: center;
  font-size: 13px;
  color: var(--slate);
  padding: 2px 0 4px;
}
</style>
