<script setup lang="ts">
import { Progress as AProgress } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, type Schemas } from '../../api/client'
import { say, tellError } from '../../common/tell'
import { followJob } from '../../views/shelf/followJob'

/** PDFs in one zip, made by the browser that is installed beside the server: begun, followed, fetched, or cancelled. */
const props = defineProps<{ words: string; start: () => Promise<Schemas['JobView']> }>()
const now = ref<Schemas['JobView'] | null>(null)
const share = computed(() => (now.value?.total ? Math.round((100 * now.value.done) / now.value.total) : 0))

async function make() {
  try {
    const made = await followJob(await props.start(), (j) => (now.value = j))
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
  <button v-if="!now" type="button" @click="make">{{ words }}</button>
  <span v-else class="making">
    {{ now.step }}
    <AProgress :percent="share" size="small" :show-info="false" aria-label="Making PDFs" />
    <button type="button" @click="cancel">Cancel</button>
  </span>
</template>

<style scoped>
.making {
  display: inline-grid;
  grid-template-columns: auto 120px auto;
  gap: 8px;
  align-items: center;
}
</style>
