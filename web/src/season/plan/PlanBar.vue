<script setup lang="ts">
import { Button as AButton, Progress as AProgress } from 'ant-design-vue'
import type { SeasonPlan } from '../queries'
import PlanDraft from './PlanDraft.vue'
import { usePlanning } from './usePlanning'

/** How the plan stands, what has moved since, and the way to a new one. */
const props = defineProps<{ plan: SeasonPlan | null }>()
const { job, draft, plan: make, cancel, keep, forget } = usePlanning()
const share = () => (job.value?.total ? Math.round((100 * job.value.done) / job.value.total) : 0)

const words = () => {
  const p = props.plan
  if (!p) return 'There is no plan yet. It needs passages that are handed out, and the calendar.'
  const late = p.late === 0 ? 'Nothing is late' : `${p.late} ${p.late === 1 ? 'day' : 'days'} late in all`
  const proved = p.proved === 'optimal' ? 'no plan does better' : `a plan could do with ${p.bound}, not proved`
  return `${late}; at most ${p.peak} minutes a day for one player (${proved}).`
}
</script>

<template>
  <div class="plan-bar">
    <p class="state">{{ words() }}</p>
    <div v-if="job" class="job" role="status">
      <span>{{ job.step || 'waiting' }}</span>
      <AProgress :percent="share()" size="small" :show-info="false" aria-label="Planning" />
      <AButton size="small" @click="cancel">Cancel</AButton>
    </div>
    <AButton v-else type="primary" @click="make">{{ plan ? 'Plan anew' : 'Plan the season' }}</AButton>
    <div v-if="plan?.moved.length" class="moved" role="note">
      <strong>The log has moved since this plan was made:</strong>
      <ul>
        <li v-for="m in plan.moved" :key="m">{{ m }}</li>
      </ul>
    </div>
    <PlanDraft v-if="draft" :draft="draft" @keep="keep(plan?.id ?? null)" @close="forget" />
  </div>
</template>

<style scoped>
.plan-bar {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 10px;
}
.state {
  margin: 0;
}
.job {
  display: flex;
  gap: 8px;
  align-items: center;
  grid-column: 1 / -1;
}
.job span {
  flex: 1;
}
.moved {
  grid-column: 1 / -1;
  border-left: 3px solid var(--brass);
  padding: 2px 0 2px 10px;
  font-size: 14px;
}
.moved ul {
  margin: 2px 0 0;
  padding-left: 18px;
}
</style>
