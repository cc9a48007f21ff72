<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { longDate } from '../../common/dates'
import { useDrawn } from '../../parts/print/useDrawn'
import PaperSheet from '../../parts/print/PaperSheet.vue'
import PrintFrame from '../../parts/print/PrintFrame.vue'
import { usePaper } from '../../parts/print/usePaper'
import { useMock } from '../queries'

/** A printed sheet for each listener: numbers in the drawn order, and room for marks. */
useDrawn()
const route = useRoute()
const { paper } = usePaper()
const id = computed(() => Number(route.params.mock))
const mock = useMock(id)
</script>

<template>
  <PrintFrame :paper="paper" :back="{ name: 'mock', params: { mock: id } }" words="Back to the mock audition">
    <template #bar><span class="quiet">One page a listener.</span></template>
    <template v-if="mock.data.value">
      <PaperSheet v-for="l in mock.data.value.listeners" :key="l" :paper="paper" fit :label="`Sheet of ${l}`">
        <header>
          <div>
            <h1>{{ mock.data.value.title }}</h1>
            <p>{{ l }}</p>
          </div>
          <div class="who">
            <span>{{ longDate(mock.data.value.held) }}</span>
            <span>{{ mock.data.value.screened ? 'numbers only: do not look, do not ask' : '' }}</span>
          </div>
        </header>
        <table>
          <thead>
            <tr>
              <th scope="col">No.</th>
              <th v-for="c in mock.data.value.criteria" :key="c.name" scope="col">
                {{ c.words }}<small v-if="c.weight !== 1"> × {{ c.weight }}</small>
              </th>
              <th scope="col" class="words">A word to them</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in mock.data.value.seats" :key="s.number">
              <th scope="row">
                {{ s.number }} <small>{{ s.name || s.instrument }}</small>
              </th>
              <td v-for="c in mock.data.value.criteria" :key="c.name"></td>
              <td></td>
            </tr>
          </tbody>
        </table>
        <footer>Each mark from 0 (not there) to 5 (as on the day). Marks are private records.</footer>
      </PaperSheet>
    </template>
  </PrintFrame>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}
th,
td {
  border: 1px solid var(--print-rule);
  padding: 3px 5px;
  text-align: left;
  height: 24px;
}
.words {
  width: 24%;
}
small {
  font-weight: 400;
}
.who {
  display: grid;
}
</style>
