<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, take } from '../../api/client'
import { keys, usePiece } from '../../api/queries'
import { longDate, shortDate } from '../../common/dates'
import { engraveSlice, sliceUrl } from '../../engraving/engraver'
import { unitWords } from '../../transport/store'

const route = useRoute()
const id = computed(() => Number(route.params.passage))
const sheet = useQuery({
  queryKey: computed(() => keys.sheet(id.value)),
  // A sheet is printed as the piece stands now, not as it stood when it was last looked at.
  staleTime: 0,
  meta: { shown: true },
  queryFn: () => take(api.GET('/api/passages/{passage}/sheet', { params: { path: { passage: id.value } } })),
})
const pieceId = computed(() => sheet.data.value?.passage.piece ?? 0)
const piece = usePiece(pieceId)
const name = (part: string) => piece.data.value?.parts.find((p) => p.id === part)?.name ?? part

const music = useQuery({
  queryKey: computed(() => [...keys.sheet(id.value), 'music', sheet.dataUpdatedAt.value]),
  enabled: computed(() => !!sheet.data.value && !sheet.isFetching.value),
  staleTime: 0,
  queryFn: async () => {
    const p = sheet.data.value!.passage
    const pages: { part: string; svg: string }[] = []
    for (const part of p.parts)
      pages.push({ part, svg: await engraveSlice(sliceUrl(p.piece, [part], p.from, p.to), 700, 42) })
    return pages
  },
})
const notesFor = (part: string) =>
  sheet.data.value?.notes.filter((n) => n.parts.includes(part) && n.shown).slice(0, 8) ?? []
const print = () => window.print()
</script>

<template>
  <main id="main" class="sheets">
    <p class="bar">
      <RouterLink v-if="sheet.data.value" :to="{ name: 'piece', params: { id: pieceId, station: 'assign' } }"
        >Back to the piece</RouterLink
      >
      <button type="button" @click="print">Print</button>
      <span class="quiet">One page a part; prints on A4 and Letter.</span>
    </p>
    <p v-if="sheet.isError.value" class="card empty">{{ sheet.error.value?.message }}</p>
    <template v-if="sheet.data.value">
      <article v-for="m in music.data.value" :key="m.part" class="sheet">
        <header>
          <div>
            <h1>{{ sheet.data.value.passage.pieceTitle }}</h1>
            <p>
              {{ sheet.data.value.passage.title }} · measures {{ sheet.data.value.passage.from }}–{{
                sheet.data.value.passage.to
              }}
            </p>
          </div>
          <div class="who">
            <strong>{{ name(m.part) }}</strong>
            <span>{{ sheet.data.value.for.join(', ') }}</span>
            <span>ready by {{ longDate(sheet.data.value.passage.due) }}</span>
          </div>
        </header>
        <!-- eslint-disable-next-line vue/no-v-html -->
        <div class="music" v-html="m.svg"></div>
        <div class="columns">
          <section>
            <h2>Know before you play</h2>
            <ul v-if="notesFor(m.part).length">
              <li v-for="n in notesFor(m.part)" :key="n.id">
                <b>{{ n.from === n.to ? n.from : `${n.from}–${n.to}` }}</b> {{ n.title }}. {{ n.why }}
              </li>
            </ul>
            <p v-else>Nothing hides in this part here. Listen for the others.</p>
            <p>Count-off: {{ sheet.data.value.countOff }}. {{ sheet.data.value.passage.note }}</p>
          </section>
          <section>
            <h2>Steps</h2>
            <table>
              <tbody>
                <tr v-for="(s, i) in sheet.data.value.passage.steps" :key="i">
                  <td class="tick" aria-label="box to tick"></td>
                  <td>{{ unitWords(s.unit) }} = {{ Math.round(s.bpm * 10) / 10 }}</td>
                  <td>by {{ shortDate(s.due) }}</td>
                </tr>
              </tbody>
            </table>
            <p class="small">Tick a step when it is clean, not before.</p>
          </section>
        </div>
        <footer>
          Five minutes off in every half hour. Pain, numbness or locked fingers: stop and tell your teacher.
        </footer>
      </article>
      <p v-if="music.isPending.value" class="bar quiet">Engraving the passage</p>
    </template>
  </main>
</template>

<style src="./sheet.css"></style>
