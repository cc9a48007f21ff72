<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import PickOne from '../../common/PickOne.vue'
import { clock } from '../pieces/matrix'
import { useTakes, type AuditionSet } from '../queries'

/** What to see to when a round is recorded, for each instrument. */
const props = defineProps<{ set: AuditionSet }>()
const round = ref<number>()
const instrument = ref<string>()
const rounds = computed(() => props.set.rounds.map((r) => ({ value: r.id ?? 0, label: r.name ?? '' })))
watch(rounds, (all) => (round.value ??= all[0]?.value), { immediate: true })
const takes = useTakes(
  computed(() => props.set.id),
  round,
)
const lists = computed(() => takes.data.value ?? [])
watch(
  lists,
  (all) => {
    if (!all.some((l) => l.instrument === instrument.value)) instrument.value = all[0]?.instrument
  },
  { immediate: true },
)
const list = computed(() => lists.value.find((l) => l.instrument === instrument.value))
const now = computed(() => props.set.rounds.find((r) => r.id === round.value))
const ticked = ref<string[]>([])
watch([round, instrument], () => (ticked.value = []))
</script>

<template>
  <section>
    <div class="row head">
      <PickOne v-model:value="round" :options="rounds" label="Round" />
      <PickOne
        v-model:value="instrument"
        :options="lists.map((l) => ({ value: l.instrument, label: `${l.instrumentName}, ${clock(l.seconds)}` }))"
        label="Instrument"
      />
    </div>
    <p v-if="now?.way === 'live'" class="quiet">
      {{ now.name }} is played live. The list holds for a recorded trial of it.
    </p>
    <p v-if="takes.data.value?.length === 0" class="card empty">
      This round asks for no piece yet. Say under Pieces which measures it asks.
    </p>
    <div v-if="list" class="card list">
      <h2>Before the recording: {{ list.instrumentName }}</h2>
      <ul>
        <li v-for="l in list.lines" :key="l.name">
          <label
            ><input v-model="ticked" type="checkbox" :value="l.name" /> <span>{{ l.words }}</span></label
          >
        </li>
      </ul>
      <p class="quiet">Ticks are for this sitting and are not kept. Print the page for the recording room.</p>
    </div>
  </section>
</template>

<style scoped>
.head :deep(select) {
  width: 240px;
}
.list {
  margin-top: 8px;
  padding: 12px 16px;
  max-width: 760px;
}
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
label {
  display: grid;
  grid-template-columns: 20px 1fr;
  align-items: start;
}
</style>
