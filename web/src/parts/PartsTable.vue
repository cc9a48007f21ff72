<script setup lang="ts">
import { App as AApp, Button as AButton } from 'ant-design-vue'
import { computed } from 'vue'
import { api, take, type Piece } from '../api/client'
import { useInstruments, usePieceChange } from '../api/queries'
import PickOne from '../common/PickOne.vue'
import { sureness } from '../views/shelf/sureness'
import { tellError } from '../common/tell'

const props = defineProps<{ piece: Piece }>()
const id = computed(() => props.piece.id)
const { message } = AApp.useApp()
const instruments = useInstruments()
const options = computed(() => (instruments.data.value ?? []).map((i) => ({ value: i.id, label: i.name })))

const correct = usePieceChange(id, ({ part, instrument }: { part: string; instrument: string }) =>
  take(
    api.PUT('/api/pieces/{id}/parts/{part}/instrument', {
      params: { path: { id: id.value, part } },
      body: { instrument },
    }),
  ),
)
const split = usePieceChange(id, (part: string) =>
  take(api.POST('/api/pieces/{id}/parts/{part}/split', { params: { path: { id: id.value, part } } })),
)

async function choose(part: { id: string; name: string }, instrument: string | undefined) {
  if (!instrument) return
  await correct.mutateAsync({ part: part.id, instrument })
  message.success(`${part.name || part.id} is corrected, here and in the next file with this name.`)
}

async function cut(part: { id: string; name: string }) {
  try {
    await split.mutateAsync(part.id)
    message.success(`${part.name} is two parts now. Undo it under Editions.`)
  } catch (e) {
    tellError(e)
  }
}
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
            {{
              p.transpose === 0
                ? 'as written'
                : `${Math.abs(p.transpose)} semitones ${p.transpose < 0 ? 'lower' : 'higher'}`
            }}
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
  </section>
</template>

<style scoped>
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
