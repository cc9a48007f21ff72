<script setup lang="ts">
import { computed } from 'vue'
import EngravedPage from '../../engraving/EngravedPage.vue'
import type { Flagged } from '../../engraving/flags'
import type { Piece } from '../../api/client'
import type { Shown } from './shownRange'

/** The music of the selection, or of the entry in hand: its words, how to have all again, and the engraved page. */
const props = defineProps<{
  piece: Piece
  shown: Shown
  words: string
  /** What the address names and the piece does not have. */
  problem: string | null
  isSelected: boolean
  isShown: boolean
  flags: readonly Flagged[]
  active: string | null
  concert: boolean
  hasConcert: boolean
  /** The key that is shown, in words. */
  reads: string
}>()
const emit = defineEmits<{ flag: [string]; clear: []; parts: []; mark: []; 'update:concert': [boolean] }>()
const labels = computed(() => props.piece.measures)
</script>

<template>
  <section class="music" :aria-label="`Music: ${words}`" tabindex="0">
    <div class="row top">
      <h2>{{ words }}</h2>
      <span v-if="reads" class="quiet key">{{ reads }}</span>
      <button v-if="isSelected || isShown" type="button" class="link" title="Esc" @click="emit('clear')">
        {{ isSelected ? 'All parts, all measures' : 'Back to the selection' }}
      </button>
      <button type="button" class="link" title="P" @click="emit('parts')">Choose parts</button>
      <button type="button" class="link" title="M" @click="emit('mark')">Mark or remark</button>
      <label v-if="hasConcert" class="quiet concert"
        ><input
          :checked="concert"
          type="checkbox"
          @change="emit('update:concert', ($event.target as HTMLInputElement).checked)"
        />
        at concert pitch</label
      >
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="shown.cut" class="quiet note">
      Measures {{ labels[shown.from] }}–{{ labels[shown.to] }} of {{ shown.parts.length }}
      {{ shown.parts.length === 1 ? 'part' : 'parts' }} are drawn; select less to see the rest.
    </p>
    <p v-else-if="!isSelected && !isShown" class="quiet note">Drag over the strip to choose parts and measures.</p>
    <EngravedPage
      :piece="piece.id"
      :parts="shown.parts"
      :measures="shown.to - shown.from + 1"
      :from="labels[shown.from]!"
      :to="labels[shown.to]!"
      :flags="flags"
      :active="active"
      :concert="concert"
      :label="words"
      @flag="emit('flag', $event)"
    />
  </section>
</template>

<style scoped>
.music {
  overflow: auto;
  padding: 10px 14px 10px 8px;
  outline-offset: -2px;
}
.top {
  padding-left: 30px;
  column-gap: 14px;
}
.key {
  font-size: 13px;
}
.note,
.problem {
  margin: 2px 0 0 30px;
  font-size: 13px;
}
.problem {
  color: var(--rosin);
}
.concert {
  margin-left: auto;
  white-space: nowrap;
}
h2 {
  font-size: 15px;
}
.link {
  border: 0;
  padding: 0;
  background: none;
  color: var(--plum);
  font: inherit;
  font-size: 13px;
  text-decoration: underline;
  cursor: pointer;
}
</style>
