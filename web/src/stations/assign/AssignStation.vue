<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { onMounted } from 'vue'
import TabRow from '../../common/TabRow.vue'
import RehearsalList from '../../season/RehearsalList.vue'
import type { StationEvents, StationProps } from '..'
import CutPanel from './CutPanel.vue'
import HandOut from './HandOut.vue'
import PlanPanel from './PlanPanel.vue'

/** Who practices what by when: cut, handed out, planned, rehearsed. */
const props = defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const tab = useSessionStorage<'hand' | 'cut' | 'plan' | 'rehearse'>('mellow-stand-assign-tab', 'hand')
const tabs = [
  { value: 'hand', label: 'Hand out' },
  { value: 'cut', label: 'Cut' },
  { value: 'plan', label: 'Plan' },
  { value: 'rehearse', label: 'Rehearse' },
] as const
onMounted(() => emit('flags', []))
</script>

<template>
  <div class="station">
    <TabRow v-model:value="tab" :tabs="tabs" label="Assign" />
    <HandOut v-if="tab === 'hand'" v-bind="props" @show="emit('show', $event)" @active="emit('active', $event)" />
    <CutPanel v-else-if="tab === 'cut'" v-bind="props" @show="emit('show', $event)" />
    <PlanPanel v-else-if="tab === 'plan'" :piece="piece" @show="emit('show', $event)" />
    <RehearsalList v-else :piece="piece.id" />
  </div>
</template>

<style scoped src="../station.css"></style>
