<script setup lang="ts">
import { BarChart, LineChart } from 'echarts/charts'
import { AriaComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { palette } from '../theme'

/** A chart with its numbers in a table behind it: read without colour, without eyes, and copied. */
use([
  BarChart,
  LineChart,
  GridComponent,
  TooltipComponent,
  LegendComponent,
  MarkLineComponent,
  AriaComponent,
  SVGRenderer,
])
const props = defineProps<{
  title: string
  option: object
  height?: number
  heads: readonly string[]
  rows: readonly (readonly (string | number)[])[]
}>()
const base = {
  animation: false,
  textStyle: { fontFamily: "'Figtree Variable', system-ui, sans-serif", color: palette.ink },
  grid: { left: 44, right: 16, top: 30, bottom: 28 },
}
</script>

<template>
  <figure class="chart">
    <figcaption>{{ title }}</figcaption>
    <VChart
      :option="{ ...base, ...option }"
      :style="{ height: `${height ?? 190}px` }"
      :init-options="{ renderer: 'svg' }"
      autoresize
      aria-hidden="true"
    />
    <details>
      <summary>The numbers as a table</summary>
      <table class="table">
        <caption class="visually-hidden">
          {{
            title
          }}
        </caption>
        <thead>
          <tr>
            <th v-for="h in heads" :key="h" scope="col">{{ h }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in props.rows" :key="i">
            <td v-for="(c, k) in r" :key="k">{{ c }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </figure>
</template>

<style scoped>
.chart {
  margin: 12px 0 0;
}
figcaption {
  font-weight: 600;
}
summary {
  cursor: pointer;
  font-size: 13px;
  color: var(--slate);
}
.table {
  font-size: 13px;
  margin-top: 4px;
}
td,
th {
  padding: 1px 12px 1px 0;
  text-align: left;
}
</style>
