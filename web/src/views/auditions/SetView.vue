<script setup lang="ts">
import { Button as AButton, Spin as ASpin } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import MatterList from '../../auditions/matters/MatterList.vue'
import MockList from '../../auditions/mock/MockList.vue'
import CandidatePanel from '../../auditions/people/CandidatePanel.vue'
import PieceMatrix from '../../auditions/pieces/PieceMatrix.vue'
import { useSet } from '../../auditions/queries'
import TakeLists from '../../auditions/recording/TakeLists.vue'
import EditSet from '../../auditions/set/EditSet.vue'
import PrintSet from '../../auditions/set/PrintSet.vue'
import { ways } from '../../auditions/set/draft'
import { longDate } from '../../common/dates'
import TabRow from '../../common/TabRow.vue'

/** One audition set: its pieces, the house's answers, who auditions, mock auditions, recordings. */
type Tab = 'pieces' | 'answers' | 'candidates' | 'mocks' | 'recording'
const route = useRoute()
const router = useRouter()
const id = computed(() => Number(route.params.set))
const data = useSet(id)
const set = computed(() => data.data.value)
const editing = ref(false)
const tabs = [
  { value: 'pieces', label: 'Pieces' },
  { value: 'answers', label: 'Decide once' },
  { value: 'candidates', label: 'Candidates' },
  { value: 'mocks', label: 'Mock auditions' },
  { value: 'recording', label: 'Recording' },
] as const
const tab = computed<Tab>({
  get: () => (route.params.tab as Tab) || 'pieces',
  set: (to) => void router.replace({ name: 'audition', params: { set: id.value, tab: to } }),
})
const wayWords = (way: string | null | undefined) => ways.find((w) => w.value === way)?.label ?? ''
</script>

<template>
  <main id="main" class="page">
    <ASpin v-if="data.isPending.value" />
    <p v-if="data.isError.value" class="card empty" role="alert">{{ data.error.value?.message }}</p>
    <template v-if="set">
      <p><RouterLink :to="{ name: 'auditions' }">All sets</RouterLink></p>
      <div class="row head">
        <h1>{{ set.name }}</h1>
        <AButton size="small" @click="editing = true">Name and rounds</AButton>
        <RouterLink :to="{ name: 'audition-style', params: { set: set.id } }">Style sheet</RouterLink>
        <PrintSet :set="set" />
      </div>
      <p class="quiet rounds">
        <span v-for="r in set.rounds" :key="r.id ?? 0"
          ><strong>{{ r.name }}</strong> {{ longDate(r.held) }}, {{ wayWords(r.way)
          }}{{ r.screened ? ', screened' : '' }}</span
        >
      </p>
      <TabRow v-model:value="tab" :tabs="tabs" label="Audition set" />
      <PieceMatrix v-if="tab === 'pieces'" :set="set" />
      <MatterList v-else-if="tab === 'answers'" :set="set.id" />
      <CandidatePanel v-else-if="tab === 'candidates'" :set="set" />
      <MockList v-else-if="tab === 'mocks'" :set="set" />
      <TakeLists v-else :set="set" />
      <EditSet v-if="editing" :set="set" @close="editing = false" />
    </template>
  </main>
</template>

<style scoped>
.page {
  max-width: 1400px;
}
.head {
  gap: 14px;
}
.rounds {
  display: flex;
  gap: 24px;
  margin: 4px 0 10px;
}
</style>
