<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, fetched, type Finding } from '../../api/client'
import { keys, usePiece } from '../../api/queries'
import { queries } from '../../api/queryClient'
import RewordDialog from '../../stations/study/RewordDialog.vue'
import { useFindingActs } from '../../stations/study/useFindingActs'
import PrintFrame from '../print/PrintFrame.vue'
import { usePaper } from '../print/usePaper'
import ReviewBar from './ReviewBar.vue'
import { useDrawn } from '../print/useDrawn'
import SheetPage from './SheetPage.vue'

/** The sheets of a passage, one a part. */
useDrawn()
const route = useRoute()
const { paper } = usePaper()
const id = computed(() => Number(route.params.passage))
const sheet = useQuery({
  queryKey: computed(() => keys.sheet(id.value)),
  // A sheet is printed as the piece stands now, not as it stood when it was last looked at.
  staleTime: 0,
  meta: { shown: true },
  queryFn: () => fetched(api.GET('/api/passages/{passage}/sheet', { params: { path: { passage: id.value } } })),
})
const pieceId = computed(() => sheet.data.value?.passage.piece ?? 0)
const piece = usePiece(pieceId)
const parts = computed(() => sheet.data.value?.passage.parts ?? [])
// The ways of the path that come first, each once: as many as a practice sheet holds.
const mostWays = 5
const ways = computed(() =>
  [...new Set((sheet.data.value?.path ?? []).flatMap((s) => s.recipes.map((r) => r.recipe)))].slice(0, mostWays),
)
const nameOf = (part: string) => piece.data.value?.parts.find((p) => p.id === part)?.name || part
const practiceOf = (part: string) => ({
  name: 'practice',
  params: { id: pieceId.value },
  query: {
    part,
    from: sheet.data.value!.passage.from,
    to: sheet.data.value!.passage.to,
    recipes: ways.value.join(','),
    paper: paper.value.name,
  },
})
const waiting = computed(() =>
  (sheet.data.value?.notes ?? []).filter(
    (n) => n.review === null && n.shown && n.parts.some((p) => parts.value.includes(p)),
  ),
)
const stamp = computed(() => sheet.dataUpdatedAt.value)
const acts = useFindingActs(pieceId, () => 'these parts')
const rewording = ref<Finding | null>(null)

async function then(act: Promise<unknown>) {
  await act
  await queries.invalidateQueries({ queryKey: keys.sheet(id.value) })
}
function reworded(words: string | null) {
  const f = rewording.value!
  rewording.value = null
  void then(acts.review(f, 'sent', words))
}
</script>

<template>
  <PrintFrame
    :paper="paper"
    :back="{ name: 'piece', params: { id: pieceId, station: 'assign' } }"
    words="Back to the piece"
    :problem="sheet.error.value?.message"
  >
    <template #bar>
      <span class="quiet">One page a part.</span>
      <span v-if="ways.length" class="ways"
        >Practice sheets: <RouterLink v-for="p in parts" :key="p" :to="practiceOf(p)">{{ nameOf(p) }}</RouterLink></span
      >
    </template>
    <ReviewBar :waiting="waiting" @all="then(acts.reviewAll(waiting, 'sent'))" />
    <template v-if="sheet.data.value && piece.data.value">
      <SheetPage
        v-for="part in parts"
        :key="part"
        :sheet="sheet.data.value"
        :piece="piece.data.value"
        :part="part"
        :paper="paper"
        :stamp="stamp"
        @send="then(acts.review($event, 'sent'))"
        @hold="then(acts.review($event, 'held'))"
        @reword="rewording = $event"
      />
    </template>
    <RewordDialog v-if="rewording" :finding="rewording" @save="reworded" @close="rewording = null" />
  </PrintFrame>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  font-size: 14px;
}
</style>
