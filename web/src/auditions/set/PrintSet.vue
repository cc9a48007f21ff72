<script setup lang="ts">
import { Progress as AProgress } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, take, type Schemas } from '../../api/client'
import { say, tellError } from '../../common/tell'
import { followJob } from '../../views/shelf/followJob'
import type { AuditionSet } from '../queries'

/** Style sheet, part letters and practice sheets of all players as PDFs in one zip. */
const props = defineProps<{ set: AuditionSet }>()
const now = ref<Schemas['JobView'] | null>(null)
const share = computed(() => (now.value?.total ? Math.round((100 * now.value.done) / now.value.total) : 0))

async function make() {
  try {
    const job = await take(
      api.POST('/api/auditions/{set}/prints', { params: { path: { set: props.set.id } }, body: { paper: null } }),
    )
    const made = await followJob(job, (j) => (now.value = j))
    say('The PDFs are made.')
    location.assign(made.result!)
  } catch (e) {
    tellError(e)
  }
  now.value = null
}
const cancel = () => now.value && api.DELETE('/api/jobs/{job}', { params: { path: { job: now.value.id } } })
</script>

<template>
  <button v-if="!now" type="button" class="plain" @click="make">PDFs for all players (zip)</button>
  <span v-else class="making" role="status">
    {{ now.step }}
    <AProgress :percent="share" size="small" :show-info="false" aria-label="Making PDFs" />
    <button type="button" @click="cancel">Cancel</button>
  </span>
</template>

<style scoped>
.plain {
  border: 0;
  background: none;
  padding: 0;
  font: inherit;
  color: var(--plum);
  text-decoration: underline;
  cursor: pointer;
}
.making {
  display: inline-grid;
  grid-template-columns: auto 120px auto;
  gap: 8px;
  align-items: center;
}
</style>
