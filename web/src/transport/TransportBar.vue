<script setup lang="ts">
import PickOne from '../common/PickOne.vue'
import { App as AApp, Button as AButton, Checkbox as ACheckbox, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed } from 'vue'
import { units, unitWords, useTransport, type Playable } from './store'

const props = defineProps<{ what: Playable; words: string; labels: readonly string[] }>()
const transport = useTransport()
const { message } = AApp.useApp()

const options = units.map((u) => ({ value: u, label: unitWords(u) }))
const now = computed(() =>
  transport.measure === null ? (transport.playing ? 'count-off' : '') : `measure ${props.labels[transport.measure]}`,
)

async function toggle() {
  try {
    if (transport.playing) await transport.stop()
    else await transport.start(props.what)
  } catch (e) {
    message.error((e as Error).message)
  }
}
defineExpose({ toggle })
</script>

<template>
  <footer class="transport" aria-label="Transport">
    <AButton type="primary" class="play" :aria-pressed="transport.playing" @click="toggle">{{
      transport.playing ? 'Stop' : 'Play'
    }}</AButton>
    <ACheckbox v-model:checked="transport.withClick">Click</ACheckbox>
    <ACheckbox v-model:checked="transport.withNotes">Notes</ACheckbox>
    <PickOne v-model:value="transport.unit" class="unit" :options="options" label="Beat unit" />
    <span aria-hidden="true">=</span>
    <AInputNumber v-model:value="transport.bpm" :min="10" :max="400" aria-label="Beats per minute" class="bpm" />
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
