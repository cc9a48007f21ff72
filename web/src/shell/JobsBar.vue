<script setup lang="ts">
import { Button as AButton, Progress as AProgress } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { api, fetched, type Schemas } from '../api/client'
import { keys } from '../api/queries'
import { tellError } from '../common/tell'

/** What the server works on in the background; found again after the page was loaded anew. */
const queries = useQueryClient()
const jobs = useQuery({
  queryKey: keys.jobs,
  queryFn: () => fetched(api.GET('/api/jobs')),
  refetchInterval: (q) => (q.state.data?.some((j) => !over(j)) ? 700 : false),
})
const over = (j: Schemas['JobView']) => ['done', 'failed', 'cancelled'].includes(j.state)
const running = computed(() => jobs.data.value?.filter((j) => !over(j)) ?? [])
const share = (j: Schemas['JobView']) => (j.total ? Math.round((100 * j.done) / j.total) : 0)

// The result of a job is taken once; then the server forgets it.
watch(
  () => jobs.data.value?.filter(over).map((j) => j.id) ?? [],
  async (done) => {
    for (const job of done) {
      const told = await fetched(api.GET('/api/jobs/{job}', { params: { path: { job } } })).catch(() => null)
      if (told?.state === 'failed') tellError(new Error(told.sentence ?? `${told.title} failed.`))
    }
    if (done.length)
      await Promise.all([keys.shelf, keys.jobs].map((queryKey) => queries.invalidateQueries({ queryKey })))
  },
)

async function cancel(job: string) {
  await fetched(api.DELETE('/api/jobs/{job}', { params: { path: { job } } }))
  await queries.invalidateQueries({ queryKey: keys.jobs })
}
</script>

<template>
  <ul v-if="running.length" class="jobs card" aria-label="Work in the background">
    <li v-for="j in running" :key="j.id">
      <span
        >{{ j.title }}<template v-if="j.step">: {{ j.step }}</template></span
      >
      <AProgress :percent="share(j)" size="small" :show-info="false" :aria-label="`${j.title}, ${share(j)} of 100`" />
      <AButton size="small" @click="cancel(j.id)">Cancel</AButton>
    </li>
  </ul>
</template>

<style scoped>
.jobs {
  list-style: none;
  margin: 0 0 12px;
  padding: 8px 12px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 220px auto;
  gap: 12px;
  align-items: center;
}
</style>
