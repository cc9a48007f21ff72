<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, fetched, type Piece, type Schemas } from '../../api/client'
import { doAct, isBusy } from '../../acts/useAct'
import { keys } from '../../api/queries'
import FilePick from '../../views/shelf/FilePick.vue'
import { sendScore } from '../../views/shelf/upload'
import EditionPlan from './EditionPlan.vue'

const props = defineProps<{ piece: Piece }>()
const id = computed(() => props.piece.id)
const waiting = ref<{ file: File; plan: Schemas['EditionPlanView'] } | null>(null)
const older = useQuery({
  queryKey: computed(() => keys.of(id.value, 'editions')),
  queryFn: () => fetched(api.GET('/api/pieces/{id}/editions', { params: { path: { id: id.value } } })),
})

const busy = isBusy('edition')
function useNew() {
  const file = waiting.value!.file
  waiting.value = null
  return doAct({
    key: 'edition',
    run: () => sendScore(`/api/pieces/${id.value}/editions`, file, () => {}).done,
    words: 'The new edition is in place; the old one is kept and can be brought back.',
  })
}

const back = () =>
  doAct({
    key: 'edition',
    run: () => fetched(api.POST('/api/pieces/{id}/editions/restore', { params: { path: { id: id.value } } })),
    words: 'The earlier edition is back, with the decisions it had.',
  })
</script>

<template>
  <section aria-labelledby="editions">
    <h2 id="editions">Editions</h2>
    <FilePick
      :to="`/api/pieces/${piece.id}/editions/preview`"
      word="Import a new edition"
      say="A second import of this piece is compared first: what changed, and what carries over."
      @read="(file, plan) => (waiting = { file, plan: plan as Schemas['EditionPlanView'] })"
    />
    <EditionPlan v-if="waiting" :name="waiting.file.name" :plan="waiting.plan" @take="useNew" @leave="waiting = null" />
    <ul v-if="older.data.value?.length">
      <li v-for="(e, i) in older.data.value" :key="e.id">
        {{ e.fileName }}, until {{ e.replaced.slice(0, 10) }}: {{ e.reason }}
        <AButton v-if="i === 0" size="small" :loading="busy" @click="back">Bring it back</AButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
}
ul {
  margin: 10px 0 0;
  padding-left: 18px;
}
</style>
