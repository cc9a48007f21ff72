<script setup lang="ts">
import { Spin as ASpin } from 'ant-design-vue'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useDifferences, usePiece } from '../api/queries'
import TitleBand from '../shell/TitleBand.vue'
import EditionBox from './editions/EditionBox.vue'
import FilesOut from './FilesOut.vue'
import PartsTable from './PartsTable.vue'
import UnplacedBox from './editions/UnplacedBox.vue'

const route = useRoute()
const id = computed(() => Number(route.params.id))
const piece = usePiece(id)
const differences = useDifferences(id)
const remaining = computed(
  () => differences.data.value?.filter((d) => d.state === 'open' && d.rank === 'difference').length ?? 0,
)
</script>

<template>
  <div v-if="piece.data.value">
    <TitleBand :piece="piece.data.value" :remaining="remaining" />
    <main id="main" class="page columns">
      <PartsTable :piece="piece.data.value" class="parts" />
      <div class="side">
        <FilesOut :piece="piece.data.value" />
        <EditionBox :piece="piece.data.value" />
        <UnplacedBox :piece="piece.data.value" />
      </div>
    </main>
  </div>
  <main v-else id="main" class="page">
    <p v-if="piece.isError.value" class="card empty">
      {{ piece.error.value?.message }} <RouterLink to="/">Back to the shelf</RouterLink>
    </p>
    <ASpin v-else tip="Reading the score" />
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 24px;
  align-items: start;
}
.side {
  display: grid;
  gap: 20px;
}
</style>
