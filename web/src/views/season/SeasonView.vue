<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import TabRow from '../../common/TabRow.vue'
import CalendarPanel from '../../season/calendar/CalendarPanel.vue'
import RehearsalList from '../../season/RehearsalList.vue'
import WeeksPanel from '../../season/WeeksPanel.vue'

/** The whole season on one page: who practices what when, the calendar, the rehearsals. */
type Tab = 'weeks' | 'calendar' | 'rehearsals'
const route = useRoute()
const router = useRouter()
const tabs = [
  { value: 'weeks', label: 'Weeks' },
  { value: 'calendar', label: 'Calendar' },
  { value: 'rehearsals', label: 'Rehearsals' },
] as const
const tab = computed<Tab>({
  get: () => (route.params.tab as Tab) || 'weeks',
  set: (to) => void router.replace({ name: 'season', params: { tab: to } }),
})
</script>

<template>
  <main id="main" class="page">
    <h1>Season</h1>
    <TabRow v-model:value="tab" :tabs="tabs" label="Season" />
    <WeeksPanel v-if="tab === 'weeks'" />
    <CalendarPanel v-else-if="tab === 'calendar'" />
    <RehearsalList v-else />
  </main>
</template>

<style scoped>
.page {
  max-width: 1400px;
}
</style>
