<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { Button as AButton, Input as AInput } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { shortDate } from '../../common/dates'
import PickOne from '../../common/PickOne.vue'

/** The same remark for many: written once, it reaches each. */
const props = defineProps<{ passage: number; players: readonly Schemas['ReadyView'][] }>()
const words = ref('')
const whom = ref('all')
const refused = ref('')
const busy = isBusy('remark')
const remarks = useQuery({
  queryKey: computed(() => keys.logOf('remarks', props.passage)),
  queryFn: () => fetched(api.GET('/api/passages/{passage}/remarks', { params: { path: { passage: props.passage } } })),
})
const options = computed(() => [
  { value: 'all', label: `all ${props.players.length} who have it` },
  { value: 'late', label: 'those who are late' },
  ...[...new Set(props.players.map((p) => p.section))].map((s) => ({ value: s, label: s })),
])
const reached = computed(() =>
  props.players.filter((p) => whom.value === 'all' || p.section === whom.value || p.state === whom.value),
)
async function say() {
  refused.value = ''
  const done = await doAct({
    key: 'remark',
    run: () =>
      fetched(
        api.POST('/api/passages/{passage}/remarks', {
          params: { path: { passage: props.passage } },
          body: { players: reached.value.map((p) => p.player), words: words.value },
        }),
      ),
    words: (r) => `The remark reaches ${r.players.length} players.`,
    undo: (r) => ({ kind: 'remarkSaid', remark: r.id }),
    fresh: [keys.log, keys.passages],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (done) words.value = ''
}
</script>

<template>
  <details class="remark">
    <summary>A remark for many</summary>
    <form @submit.prevent="say">
      <AInput
        v-model:value="words"
        :maxlength="200"
        aria-label="Remark"
        placeholder="Breathe together before the pickup."
      />
      <PickOne v-model:value="whom" :options="options" label="Whom it reaches" />
      <AButton html-type="submit" :loading="busy" :disabled="!words.trim() || reached.length === 0"
        >Say it to {{ reached.length }}</AButton
      >
    </form>
    <p v-if="refused" role="alert" class="refused">{{ refused }}</p>
    <ul v-if="remarks.data.value?.length">
      <li v-for="r in remarks.data.value" :key="r.id">
        {{ r.words }} <span class="quiet">to {{ r.players.length }}, {{ shortDate(r.said) }}</span>
      </li>
    </ul>
  </details>
</template>

<style scoped>
.remark {
  margin: 10px 0;
}
summary {
  cursor: pointer;
  font-weight: 500;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px auto;
  gap: 6px;
  margin-top: 6px;
}
ul {
  margin: 6px 0 0;
  padding-left: 18px;
  font-size: 13.5px;
}
.refused {
  color: var(--rosin);
}
</style>
