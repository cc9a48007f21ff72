<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { Button as AButton, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import PickOne from '../common/PickOne.vue'
import { tellError } from '../common/tell'
import { useTempos } from '../stations/tempo/ladder'
import BeatShown from './BeatShown.vue'
import ClickPanel from './ClickPanel.vue'
import FaderBox from './FaderBox.vue'
import { units, unitWords } from '../common/units'
import { useTransport, type Playable } from './store'

const props = defineProps<{ what: Playable; words: string }>()
const transport = useTransport()
const tempos = useTempos()
const open = ref(false)
const bar = ref<HTMLElement>()
// What is typed here is the tempo at which the passage is practiced now, in Tempo and Assign too.
const type = (tempo: { unit?: string; bpm?: number }) =>
  tempos.type({ start: { unit: tempo.unit ?? transport.unit, bpm: tempo.bpm ?? transport.bpm } })

const options = units.map((u) => ({ value: u, label: unitWords(u) }))
const title = computed(() => transport.playing?.title ?? props.words)

async function toggle() {
  try {
    if (transport.playing) await transport.stop()
    else await transport.start(props.what)
  } catch (e) {
    tellError(e)
  }
}
const nudge = (by: number) => type({ bpm: Math.min(400, Math.max(10, transport.bpm + by)) })
defineExpose({ toggle, nudge })
onClickOutside(bar, () => (open.value = false))
// What a selection would play is fetched once it has come to rest, so that it sounds at once; a whole score only when it is asked for.
const mostPrepared = 400
const isSmall = computed(
  () => props.what.parts.length * (props.what.toIndex - props.what.fromIndex + 1) <= mostPrepared,
)
watch(
  () => JSON.stringify([props.what, transport.unit, transport.bpm]),
  (_now, _before, onCleanup) => {
    const rest = setTimeout(() => {
      if (!transport.playing && isSmall.value) transport.prepare(props.what)
    }, 350)
    onCleanup(() => clearTimeout(rest))
  },
  { immediate: true },
)
// Music does not go on when its page is left.
onBeforeUnmount(() => void transport.stop())
</script>

<template>
  <footer ref="bar" class="transport" aria-label="Transport">
    <AButton type="primary" class="play" :aria-pressed="transport.playing !== null" @click="toggle">{{
      transport.playing ? 'Stop' : 'Play'
    }}</AButton>
    <BeatShown :now="transport.now" :playing="transport.playing !== null" />
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
    <span class="quiet what">{{ title }}</span>
    <FaderBox
      v-model:on="transport.faders.mine.on"
      v-model:volume="transport.faders.mine.volume"
      label="My part"
      title="The parts of the selection"
    />
    <FaderBox
      v-model:on="transport.faders.others.on"
      v-model:volume="transport.faders.others.volume"
      label="The others"
      title="All other parts: with My part off, the others without me"
    />
    <FaderBox v-model:on="transport.faders.click.on" v-model:volume="transport.faders.click.volume" label="Click" />
    <AButton :aria-expanded="open" @click="open = !open">Click, loop, file</AButton>
    <ClickPanel v-if="open" :what="transport.playing ?? what" @keydown.esc.stop="open = false" />
  </footer>
</template>

<style scoped>
.transport {
  position: relative;
  display: flex;
  align-items: center;
  gap: 12px;
  height: 52px;
  padding: 0 16px;
  background: var(--card);
  border-top: 1px solid var(--line);
}
.play {
  width: 76px;
}
.unit {
  width: 128px;
}
.bpm {
  width: 72px;
}
.what {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
