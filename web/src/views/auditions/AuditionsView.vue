<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ScalesPanel from '../../auditions/scales/ScalesPanel.vue'
import SetList from '../../auditions/set/SetList.vue'
import TabRow from '../../common/TabRow.vue'

/** Audition sets, and scales for every instrument. */
type Tab = 'sets' | 'scales'
const route = useRoute()
const router = useRouter()
const tabs = [
  { value: 'sets', label: 'Sets' },
  { value: 'scales', label: 'Scales and arpeggios' },
] as const
const tab = computed<Tab>({
  get: () => (route.params.tab as Tab) || 'sets',
  set: (to) => void router.replace({ name: 'auditions', params: { tab: to } }),
})
</script>

<template>
  <main id="main" class="page">
    <h1>Auditions</h1>
    <TabRow v-model:value="tab" :tabs="tabs" label="Auditions" />
    <SetList v-if="tab === 'sets'" />
    <ScalesPanel v-else />
  </main>
</template>
