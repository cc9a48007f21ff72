<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct } from '../acts/useAct'
import { api, fetched, type Piece } from '../api/client'
import { useInstruments, useSeats } from '../api/queries'
import PickOne from '../common/PickOne.vue'
import { sureness } from '../views/shelf/sureness'
import SeatsDialog from './SeatsDialog.vue'
import { soundsWords } from './sounds'

type Part = Piece['parts'][number]

const props = defineProps<{ piece: Piece }>()
const id = computed(() => props.piece.id)
const instruments = useInstruments()
const seats = useSeats(id)
const seating = ref<Part | null>(null)
const options = computed(() => (instruments.data.value ?? []).map((i) => ({ value: i.id, label: i.name })))
const seatsOf = (part: string) => seats.data.value?.find((s) => s.part === part)
const nameOf = (p: Part) => p.name || p.id

function choose(part: Part, instrument: string | undefined) {
  if (!instrument) return
  const before = part.instrumentId
  void doAct({
    key: `instrument ${part.id}`,
    run: () =>
      fetched(
        api.PUT('/api/pieces/{id}/parts/{part}/instrument', {
          params: { path: { id: id.value, part: part.id } },
          body: { instrument },
        }),
      ),
    words: `${nameOf(part)} is corrected, here and in the next file with this name.`,
    undo: () => (before ? { kind: 'instrument', piece: id.value, part: part.id, before } : null),
  })
}

const cut = (part: Part) =>
  doAct({
    key: `split ${part.id}`,
    run: () =>
      fetched(api.POST('/api/pieces/{id}/parts/{part}/split', { params: { path: { id: id.value, part: part.id } } })),
    words: `${part.name} is two parts now. Bring the earlier edition back under Editions to undo it.`,
  })
</script>

<template>
  <section aria-labelledby="parts">
    <h2 id="parts">Parts</h2>
    <table class="table card">
      <thead>
        <tr>
          <th scope="col">Part</th>
          <th scope="col">Instrument</th>
          <th scope="col">Sounds</th>
          <th scope="col">Played by</th>
          <th scope="col"><span class="visually-hidden">Acts</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in piece.parts" :key="p.id">
          <th scope="row">{{ p.name || p.id }}</th>
          <td>
            <PickOne
              :value="p.instrumentId ?? undefined"
              :label="`Instrument of ${p.name || p.id}`"
              :options="options"
              placeholder="not known: please choose"
              @update:value="choose(p, $event)"
            />
            <span v-if="p.confidence < 0.8" class="quiet">{{ sureness(p.instrumentId, p.confidence) }}</span>
          </td>
          <td class="quiet">
            {{ soundsWords(p.transpose) }}
          </td>
          <td>
            <button type="button" class="seats" :aria-label="`Who plays ${nameOf(p)}`" @click="seating = p">
              {{
                seatsOf(p.id)
                  ?.players.map((x) => x.name)
                  .join(', ') || 'nobody yet'
              }}</button><span v-if="seatsOf(p.id)?.byHand" class="quiet"> set by hand</span>
          </td>
          <td class="acts">
            <RouterLink :to="{ name: 'part', params: { id: piece.id, part: p.id } }">Print</RouterLink>
            <RouterLink :to="{ name: 'letter', params: { id: piece.id, part: p.id } }">Letter</RouterLink>
            <a :href="`/api/pieces/${piece.id}/export.musicxml?part=${p.id}`" download>MusicXML</a>
            <a :href="`/api/pieces/${piece.id}/export.mid?part=${p.id}`" download>MIDI</a>
            <AButton v-if="p.canSplit" size="small" :aria-label="`Split ${p.name}`" @click="cut(p)"
              >Split in two</AButton
            >
          </td>
        </tr>
      </tbody>
    </table>
    <SeatsDialog
      v-if="seating"
      :piece="piece.id"
      :part="seating"
      :seats="seatsOf(seating.id)"
      @close="seating = null"
    />
  </section>
</template>

<style scoped>
.seats {
  border: 0;
  padding: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  text-decoration: underline dotted;
  cursor: pointer;
}
h2 {
  margin-bottom: 8px;
}
.table th[scope='row'] {
  font: 600 14px var(--title);
  color: var(--ink);
}
.table td,
.table th {
  vertical-align: middle;
  padding: 4px 10px;
}
.acts {
  white-space: nowrap;
}
.acts > * {
  margin-right: 10px;
}
</style>
