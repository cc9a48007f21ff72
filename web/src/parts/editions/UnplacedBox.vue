<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, watch } from 'vue'
import { api, fetched, type Piece, type Schemas } from '../../api/client'
import { doAct, isBusy } from '../../acts/useAct'
import { keys } from '../../api/queries'
import PickMany from '../../common/PickMany.vue'
import PickOne from '../../common/PickOne.vue'

type Unplaced = Schemas['Unplaced']

/** What a new edition could not take: placed by hand at parts and measures, or dropped. */
const props = defineProps<{ piece: Piece }>()
const id = computed(() => props.piece.id)
const waiting = useQuery({
  queryKey: computed(() => keys.of(id.value, 'unplaced')),
  queryFn: () => fetched(api.GET('/api/pieces/{id}/unplaced', { params: { path: { id: id.value } } })),
})
const kinds: Record<string, string> = {
  decision: 'Decision',
  passage: 'Passage',
  dismissal: 'Dismissed finding',
  instrument: 'Instrument',
  leader: 'Leader',
  seats: 'Players of a part',
}
const parts = computed(() => props.piece.parts.map((p) => ({ value: p.id, label: p.name || p.id })))
const measures = computed(() => props.piece.measures.map((m) => ({ value: m, label: m })))
const where = reactive({ parts: [] as string[], from: '', to: '' })
// What was chosen stays chosen when the piece is fetched anew, as far as the edition still has it.
watch(
  [parts, measures],
  ([p, m]) => {
    where.parts = where.parts.filter((x) => p.some((o) => o.value === x))
    const known = (at: string) => (m.some((o) => o.value === at) ? at : (m[0]?.value ?? ''))
    Object.assign(where, { from: known(where.from), to: known(where.to) })
  },
  { immediate: true },
)

const path = (u: Unplaced) => ({ params: { path: { id: id.value, kind: u.kind, key: u.key } } })
const busy = isBusy('place')
const place = (u: Unplaced) =>
  doAct({
    key: 'place',
    run: () => fetched(api.PUT('/api/pieces/{id}/unplaced/{kind}/{key}', { ...path(u), body: { ...where } })),
    words: `${u.what}: placed at ${where.from}–${where.to}.`,
  })
const drop = (u: Unplaced) =>
  doAct({
    key: 'place',
    run: () => fetched(api.DELETE('/api/pieces/{id}/unplaced/{kind}/{key}', path(u))),
    words: `${u.what}: dropped.`,
  })
</script>

<template>
  <section v-if="waiting.data.value?.length" aria-labelledby="unplaced">
    <h2 id="unplaced">Waiting for a place</h2>
    <p class="quiet">
      The edition on the shelf could not take these. Choose parts and measures, then place each; or drop it.
    </p>
    <div class="where">
      <PickMany
        v-model:value="where.parts"
        class="many"
        :options="parts"
        label="Parts to place at"
        placeholder="choose parts"
      />
      <PickOne v-model:value="where.from" :options="measures" label="From measure" />
      <span aria-hidden="true">–</span>
      <PickOne v-model:value="where.to" :options="measures" label="To measure" />
    </div>
    <ul>
      <li v-for="u in waiting.data.value" :key="u.kind + u.key">
        <b>{{ kinds[u.kind] ?? u.kind }}</b> {{ u.what }}
        <span class="quiet">{{ u.where ? `${u.where}: ` : '' }}{{ u.why }}</span>
        <span class="acts">
          <AButton size="small" :disabled="!where.parts.length" :loading="busy" @click="place(u)">Place here</AButton>
          <AButton size="small" type="text" @click="drop(u)">Drop</AButton>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.where {
  display: grid;
  grid-template-columns: 1fr auto 1fr;
  gap: 6px;
  align-items: center;
  margin: 6px 0;
}
.many {
  grid-column: 1 / -1;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.acts {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
</style>
