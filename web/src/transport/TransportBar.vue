<script setup lang="ts">
import PickOne from '../common/PickOne.vue'
import { Button as AButton, Checkbox as ACheckbox, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, onBeforeUnmount } from 'vue'
import { useTempos } from '../stations/tempo/ladder'
import { units, unitWords, useTransport, type Playable } from './store'
import { tellError } from '../common/tell'

const props = defineProps<{ what: Playable; words: string; labels: readonly string[] }>()
const transport = useTransport()
const tempos = useTempos()
// What is typed here is the tempo at which the passage is practiced now, in Tempo and Assign too.
const type = (tempo: { unit?: string; bpm?: number }) =>
  tempos.type({ start: { unit: tempo.unit ?? transport.unit, bpm: tempo.bpm ?? transport.bpm } })

const options = units.map((u) => ({ value: u, label: unitWords(u) }))
const now = computed(() => measureWords(transport.measure))

function measureWords(measure: number | null) {
  if (measure !== null) return `measure ${props.labels[measure]}`
  return transport.playing ? 'count-off' : ''
}

async function toggle() {
  try {
    if (transport.playing) await transport.stop()
    else await transport.start(props.what)
  } catch (e) {
    tellError(e)
  }
}
defineExpose({ toggle })
// Music does not go on when its page is left.
onBeforeUnmount(() => void transport.stop())
</script>

<template>
  <footer class="transport" aria-label="Transport">
    <AButton type="primary" class="play" :aria-pressed="transport.playing" @click="toggle">{{
      transport.playing ? 'Stop' : 'Play'
    }}</AButton>
    <ACheckbox v-model:checked="transport.withClick">Click</ACheckbox>
    <ACheckbox v-model:checked="transport.withNotes">Notes</ACheckbox>
    <PickOne
      :value="transport.unit"
      class="unit"
      :options="options"
      label="Beat unit"
      @update:value="type({ unit: $event })"
    />
    <span aria-hidden="true">=</span>
    <AInputNumber
      :value="transport.bpm"
      :min="10"
      :max="400"
      aria-label="Beats per minute"
      class="bpm"
      @update:value="typeof $event === 'number' && type({ bpm: $event })"
    />
    <span class="quiet what">{{ words }}</span>
    <span class="now" aria-live="off">{{ now }}</span>
  </footer>
</template>

<style scoped>
.transport {
  display: flex;
  align-items: center;
  gap: 12px;
  height: 48px;
  padding: 0 16px;
  background: var(--card);
  border-top: 1px solid var(--line);
}
.play {
  width: 84px;
}
.unit {
  width: 140px;
}
.bpm {
  width: 84px;
}
.what {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.now {
  font-family: var(--title);
  min-width: 96px;
  text-align: right;
}
</style>
