<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, fetched } from '../api/client'
import { keys } from '../api/queries'
import { shortDate } from '../common/dates'
import { palette } from '../theme'
import { fanSeries, type HeardPoint } from './fan'
import GraphBox from './GraphBox.vue'

/** Tempos of one player over the days, and the fan of what is expected to the date. */
const props = defineProps<{ passage: number; player: number; entries: readonly HeardPoint[]; due: string }>()
const fan = useQuery({
  queryKey: computed(() => keys.logOf('fan', props.passage, props.player, props.entries.length)),
  queryFn: () =>
    fetched(
      api.GET('/api/passages/{passage}/players/{player}/fan', {
        params: { path: { passage: props.passage, player: props.player } },
      }),
    ),
})
const goal = computed(() => fan.data.value?.goal ?? 0)
const option = computed(() => fanSeries(props.entries, fan.data.value?.fan ?? [], goal.value, props.due, palette))
const rows = computed(() => [
  ...props.entries.map((e) => [shortDate(e.day), `${e.quarter}${e.clean ? '' : ' (not clean)'}`, '', '']),
  ...(fan.data.value?.fan ?? []).map((f) => [shortDate(f.day), f.middle, f.low, f.high]),
])
</script>

<template>
  <GraphBox
    v-if="fan.data.value"
    :title="`${fan.data.value.ready.name}: quarters a minute`"
    :option="option"
    :heads="['Day', 'Heard, then expected', 'In 1 of 10 cases below', 'In 1 of 10 cases above']"
    :rows="rows"
  />
</template>
