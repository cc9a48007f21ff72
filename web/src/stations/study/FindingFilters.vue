<script setup lang="ts">
import { Segmented as ASegmented } from 'ant-design-vue'
import { computed } from 'vue'
import PickOne from '../../common/PickOne.vue'
import { countsOf, isDone, type FindingFilter } from './findings'
import type { Finding } from '../../api/client'

/** Which findings the list shows: how many, of which kind and weight, for which part. */
const filter = defineModel<FindingFilter>('filter', { required: true })
const props = defineProps<{ findings: readonly Finding[]; partNames: ReadonlyMap<string, string> }>()

const severities: Record<string, string> = {
  stop: 'stops the group',
  warn: 'often missed',
  tell: 'said first',
  note: 'good to know',
}
const pickers = [
  { by: 'kind', label: 'Kind of finding', every: 'every kind', word: (v: string) => v },
  { by: 'severity', label: 'Weight of finding', every: 'every weight', word: (v: string) => severities[v] ?? v },
  { by: 'part', label: 'Part of finding', every: 'every part', word: (v: string) => props.partNames.get(v) ?? v },
] as const

const quiet = computed(() => props.findings.filter(isDone).length)
const choices = computed(() =>
  pickers.map((p) => ({
    ...p,
    options: [
      { value: '', label: p.every },
      ...countsOf(props.findings, filter.value, p.by).map((c) => ({
        value: c.value,
        label: `${p.word(c.value)} ${c.count}`,
      })),
    ],
  })),
)
</script>

<template>
  <div class="filters">
    <ASegmented
      v-model:value="filter.show"
      size="small"
      :options="[
        { value: 'missed', label: 'Short list' },
        { value: 'all', label: 'All' },
        { value: 'done', label: `Done ${quiet}` },
      ]"
    />
    <span v-for="c in choices" :key="c.by" class="pick">
      <PickOne v-model:value="filter[c.by]" :label="c.label" :options="c.options" />
    </span>
  </div>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px;
  margin-bottom: 8px;
}
.filters > :first-child {
  grid-column: 1 / -1;
  justify-self: start;
}
</style>
