<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, fetched } from '../../../api/client'
import { keys, usePiece } from '../../../api/queries'
import { longDate } from '../../../common/dates'
import PrintFrame from '../../../parts/print/PrintFrame.vue'
import { usePaper } from '../../../parts/print/usePaper'
import { useTest } from './queries'
import TestSheetPage from './TestSheetPage.vue'

/** Printed sheets of a test: the engraved passage and the list to mark, one a part. */
const route = useRoute()
const { paper } = usePaper()
const id = computed(() => Number(route.params.test))
const test = useTest(id)
const passage = useQuery({
  queryKey: computed(() => keys.passagesOf(test.data.value?.passage)),
  enabled: computed(() => test.data.value !== undefined),
  queryFn: () =>
    fetched(api.GET('/api/passages/{passage}', { params: { path: { passage: test.data.value!.passage } } })),
})
const piece = usePiece(computed(() => test.data.value?.piece ?? 0))
</script>

<template>
  <PrintFrame :paper="paper" :back="{ name: 'test', params: { test: id } }" words="Back to the test">
    <template #bar>
      <span v-if="test.data.value" class="quiet">{{ longDate(test.data.value.held) }}, one page a part.</span>
    </template>
    <template v-if="test.data.value && passage.data.value && piece.data.value">
      <TestSheetPage
        v-for="part in passage.data.value.parts"
        :key="part"
        :test="test.data.value"
        :passage="passage.data.value"
        :piece="piece.data.value"
        :part="part"
        :paper="paper"
      />
    </template>
  </PrintFrame>
</template>
