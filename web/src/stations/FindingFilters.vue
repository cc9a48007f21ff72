<script setup lang="ts">
import { Segmented as ASegmented } from 'ant-design-vue'
import PickOne from '../common/PickOne.vue'
import type { FindingFilter } from './findings'

/** Which findings the list shows: how many, of which kind. */
const filter = defineModel<FindingFilter>('filter', { required: true })
defineProps<{ kinds: readonly { kind: string; count: number }[]; quiet: number }>()
</script>

<template>
  <div class="filters">
    <ASegmented
      v-model:value="filter.show"
      size="small"
      :options="[
        { value: 'missed', label: 'Often missed' },
        { value: 'all', label: 'All' },
        { value: 'dismissed', label: `Dismissed ${quiet}` },
      ]"
    />
    <span class="kind">
      <PickOne
        v-model:value="filter.kind"
        label="Kind of finding"
        :options="[
          { value: '', label: 'every kind' },
          ...kinds.map((k) => ({ value: k.kind, label: `${k.kind} ${k.count}` })),
        ]"
      />
    </span>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}
.kind {
  flex: 1;
  min-width: 0;
}
</style>
