<script setup lang="ts">
import { Button as AButton, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed } from 'vue'
import PickOne from '../common/PickOne.vue'
import { tellError } from '../common/tell'
import { useTransport, type Playable } from './store'

/** How the click beats, what comes again, and the sound as a file. */
const props = defineProps<{ what: Playable }>()
const transport = useTransport()
const games = [
  { value: 'none', label: 'every beat' },
  { value: 'silent-measures', label: 'silent measures' },
  { value: 'off-beat', label: 'only between the beats' },
  { value: 'every-nth', label: 'one measure of so many' },
  { value: 'fade-out', label: 'fades away' },
]
const divisions = [
  { value: '1', label: 'beats' },
  { value: '2', label: 'two a beat' },
  { value: '3', label: 'three a beat' },
  { value: '4', label: 'four a beat' },
]
const counts: Record<string, [on: string, off?: string]> = {
  'silent-measures': ['with the click', 'without'],
  'every-nth': ['measures'],
  'fade-out': ['measures until silent'],
}
const fields = computed(() => counts[transport.click.game])
const play = (game: string) => (transport.click = { ...transport.click, game, on: game === 'fade-out' ? 8 : 2 })
const set = (change: object) => (transport.click = { ...transport.click, ...change })
const midi = computed(() => {
  const { piece, parts, from, to } = props.what
  const { unit, bpm, repeats } = transport
  const query = new URLSearchParams({ part: parts.join(','), from, to, unit, bpm: String(bpm), repeats })
  return `/api/pieces/${piece}/export.mid?${query.toString()}`
})

async function save() {
  try {
    const url = URL.createObjectURL(await transport.file(props.what))
    const link = document.createElement('a')
    link.href = url
    link.download = `measures ${props.what.from}-${props.what.to} at ${transport.bpm}.wav`
    link.click()
    URL.revokeObjectURL(url)
  } catch (e) {
    tellError(e)
  }
}
</script>

<template>
  <div class="panel" role="group" aria-label="Click and sound">
    <div class="line">
      <span>Click</span>
      <PickOne :value="transport.click.game" :options="games" label="Game of the click" @update:value="play($event!)" />
      <PickOne
        :value="String(transport.click.subdivision)"
        :options="divisions"
        label="Clicks a beat"
        @update:value="set({ subdivision: Number($event) })"
      />
    </div>
    <div v-if="fields" class="line">
      <template v-for="(words, i) in fields" :key="words">
        <AInputNumber
          :value="i === 0 ? transport.click.on : transport.click.off"
          :min="1"
          :max="64"
          :aria-label="words"
          size="small"
          @update:value="typeof $event === 'number' && set(i === 0 ? { on: $event } : { off: $event })"
        />
        <span>{{ words }}</span>
      </template>
    </div>
    <div class="line">
      <label><input v-model="transport.loop.on" type="checkbox" /> Again and again</label>
      <label
        ><input v-model="transport.loop.countOff" type="checkbox" :disabled="!transport.loop.on" /> with
        count-off</label
      >
      <label
        ><input
          type="checkbox"
          :checked="transport.repeats === 'played'"
          @change="transport.repeats = transport.repeats === 'played' ? 'once' : 'played'"
        />
        Repeats as printed</label
      >
    </div>
    <div class="line">
      <AButton size="small" @click="save">Save the sound (WAV)</AButton>
      <a class="file" :href="midi" download>MIDI at this tempo</a>
    </div>
    <p class="quiet">Keep the click at a safe volume; protect your ears near percussion and brass.</p>
  </div>
</template>

<style scoped>
.panel {
  position: absolute;
  right: 16px;
  bottom: 100%;
  z-index: 20;
  display: grid;
  gap: 10px;
  width: 430px;
  padding: 12px 14px 8px;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 4px 4px 0 0;
  box-shadow: 0 -4px 14px rgb(43 39 51 / 14%);
}
.line {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 6px 10px;
}
.line :deep(.pick) {
  width: 165px;
}
.line :deep(.ant-input-number) {
  width: 62px;
}
p {
  margin: 0;
  font-size: 12.5px;
}
input[type='checkbox'] {
  accent-color: var(--plum);
}
.file {
  font-size: 13px;
}
</style>
