<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { nextTick, onMounted, ref } from 'vue'
import TabRow from '../../common/TabRow.vue'
import { useStationKeys } from '../../keys/useKeys'
import type { StationEvents, StationProps } from '..'
import HearGrid from './HearGrid.vue'
import ReadyPanel from './ReadyPanel.vue'
import TestList from './tests/TestList.vue'

/** Who is ready: hearing many fast, who will make it, and playing tests. */
const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
type Tab = 'grid' | 'ready' | 'tests'
const tab = useSessionStorage<Tab>('mellow-stand-hear-tab', 'grid')
const tabs = [
  { value: 'grid', label: 'Hear' },
  { value: 'ready', label: 'Who is ready' },
  { value: 'tests', label: 'Tests' },
] as const
const grid = ref<InstanceType<typeof HearGrid>>()
const ready = ref<InstanceType<typeof ReadyPanel>>()
const step = (by: number) => (tab.value === 'ready' ? ready.value?.step(by) : grid.value?.go(by))

async function type() {
  if (tab.value === 'ready') return ready.value?.type()
  tab.value = 'grid'
  await nextTick()
  await grid.value?.focus()
}
useStationKeys('hear', { next: () => step(1), previous: () => step(-1), log: () => void type() })
onMounted(() => emit('flags', []))
</script>

<template>
  <div class="station">
    <TabRow v-model:value="tab" :tabs="tabs" label="Hear" />
    <HearGrid
      v-if="tab === 'grid'"
      ref="grid"
      v-bind="props"
      @show="emit('show', $event)"
      @active="emit('active', $event)"
    />
    <ReadyPanel
      v-else-if="tab === 'ready'"
      ref="ready"
      v-bind="props"
      @show="emit('show', $event)"
      @active="emit('active', $event)"
    />
    <TestList v-else :piece="piece" />
    <p class="quiet caution">
      Names and marks are private records: the school's rules and the law apply. The teacher decides; the numbers only
      count.
    </p>
  </div>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.caution {
  font-size: 12.5px;
  margin-top: 14px;
}
</style>
