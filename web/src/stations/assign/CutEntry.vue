<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref } from 'vue'
import PickOne from '../../common/PickOne.vue'
import type { CutPiece } from './cutDraft'

/** One proposed passage: where, for whom, how long, and what can be done with it. */
const props = defineProps<{
  passage: CutPiece
  measures: readonly string[]
  nameOf: (part: string) => string
  on: boolean
  canJoin: boolean
}>()
const emit = defineEmits<{ open: []; join: []; split: [before: number]; toggle: [] }>()
const splitting = ref(false)
const words = computed(() => {
  const { from, to } = props.passage
  return from === to ? `Measure ${props.measures[from]}` : `Measures ${props.measures[from]}–${props.measures[to]}`
})
const inside = computed(() =>
  Array.from({ length: props.passage.to - props.passage.from }, (_, i) => ({
    value: props.passage.from + 1 + i,
    label: `before ${props.measures[props.passage.from + 1 + i]}`,
  })),
)
function cutAt(before: number | undefined) {
  splitting.value = false
  if (before !== undefined) emit('split', before)
}
</script>

<template>
  <li :aria-current="on" :class="{ on, dropped: !passage.kept }">
    <button type="button" class="entry plain" @click="emit('open')">
      <span class="body">
        <strong>{{ words }}</strong>
        <span class="where"
          >{{ passage.parts.map(nameOf).join(', ') }} · about {{ passage.minutes }} minutes ·
          {{ passage.players ? passage.sections.join(', ') : 'nobody is seated' }}</span
        >
        <span class="why">{{ passage.why }}</span>
        <span v-if="passage.same.length" class="where">Learnt with it: {{ passage.same.join(', ') }}</span>
      </span>
    </button>
    <div class="acts flat">
      <AButton v-if="canJoin" size="small" type="text" :aria-label="`Join ${words} with the next`" @click="emit('join')"
        >Join with the next</AButton
      >
      <AButton
        v-if="inside.length && !splitting"
        size="small"
        type="text"
        :aria-label="`Split ${words}`"
        @click="splitting = true"
        >Split</AButton
      >
      <span v-if="splitting" class="split"
        ><PickOne
          :value="undefined"
          :options="inside"
          :label="`Split ${words} before`"
          placeholder="before measure"
          @update:value="cutAt"
      /></span>
      <AButton
        size="small"
        type="text"
        :aria-label="`${passage.kept ? 'Drop' : 'Take in'} ${words}`"
        @click="emit('toggle')"
        >{{ passage.kept ? 'Drop' : 'Take in again' }}</AButton
      >
    </div>
  </li>
</template>

<style scoped src="../station.css"></style>
<style scoped>
li {
  border-top: 1px solid var(--line);
  padding: 6px 4px 4px;
}
li.on {
  background: rgb(169 121 28 / 12%);
  box-shadow: inset 3px 0 0 var(--brass);
}
.dropped strong {
  text-decoration: line-through;
}
.plain {
  grid-template-columns: 1fr;
}
.flat {
  padding-left: 0;
}
.split {
  width: 150px;
}
</style>
