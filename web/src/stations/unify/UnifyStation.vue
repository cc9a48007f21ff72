<script setup lang="ts">
import { Segmented as ASegmented } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { StationEvents, StationProps } from '..'
import BalancePanel from './BalancePanel.vue'
import BowsPanel from './BowsPanel.vue'
import DifferenceList from './DifferenceList.vue'
import LinesPanel from './LinesPanel.vue'

/** The sections agree: what differs, who goes with whom, bows, balance. */
defineProps<StationProps>()
const emit = defineEmits<StationEvents>()
const panels = { differences: DifferenceList, lines: LinesPanel, bows: BowsPanel, balance: BalancePanel }
type Panel = keyof typeof panels
const panel = ref<Panel>('differences')
const shown = computed(() => panels[panel.value])
watch(panel, () => emit('flags', []))
</script>

<template>
  <div>
    <nav class="panels" aria-label="Unify">
      <ASegmented
        v-model:value="panel"
        block
        :options="[
          { value: 'differences', label: 'Differences' },
          { value: 'lines', label: 'Lines' },
          { value: 'bows', label: 'Bows' },
          { value: 'balance', label: 'Balance' },
        ]"
      />
    </nav>
    <component
      :is="shown"
      v-bind="$props"
      @select="emit('select', $event)"
      @show="emit('show', $event)"
      @flags="emit('flags', $event)"
      @active="emit('active', $event)"
    />
  </div>
</template>

<style scoped>
.panels {
  padding: 10px 14px 0;
}
</style>
