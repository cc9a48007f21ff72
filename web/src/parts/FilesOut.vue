<script setup lang="ts">
import type { Piece } from '../api/client'

defineProps<{ piece: Piece }>()
const files = [
  ['export.musicxml', 'Marked score', 'MusicXML with every decision written in'],
  ['export.mxl', 'Marked score, packed', 'the same as .mxl'],
  ['export.musicxml?original=true', 'Score as imported', 'the file as it came'],
  ['export.mid', 'Playback', 'MIDI in played order, with tempo map'],
  ['click.mid', 'Click', 'MIDI, clicks only, with count-off'],
  ['tables/findings.csv', 'Findings', 'CSV'],
  ['tables/decisions.csv', 'Decisions', 'CSV, one row a part'],
  ['tables/notes.csv', 'Notes', 'CSV'],
] as const
</script>

<template>
  <section aria-labelledby="out">
    <h2 id="out">Files out</h2>
    <ul class="card">
      <li v-for="[path, name, what] in files" :key="path">
        <a :href="`/api/pieces/${piece.id}/${path}`" download>{{ name }}</a>
        <span class="quiet">{{ what }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
}
ul {
  margin: 0;
  padding: 4px 14px;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 4px 0;
}
li + li {
  border-top: 1px solid var(--line);
}
</style>
