<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** What stays awkward, printed trills, and drums to tune. */
defineProps<{ plan: Schemas['TechniqueView'] }>()
</script>

<template>
  <section v-if="plan.trouble.length" aria-label="Trouble spots">
    <h3>Still awkward</h3>
    <ol class="entries">
      <li v-for="t in plan.trouble" :key="t.from">
        <strong>Measure {{ t.from }}</strong> <span class="where">{{ t.why }}</span>
        <span class="why">{{ t.recipe }}</span>
      </li>
    </ol>
  </section>
  <section v-if="plan.trills.length" aria-label="Trills">
    <h3>Trills and tremolos</h3>
    <ul class="entries">
      <li v-for="t in plan.trills" :key="t.note">
        <strong>{{ t.lower }}–{{ t.upper }}</strong> <span class="where">measure {{ t.measure }}, {{ t.quality }}</span>
        <span class="why">{{ t.how }}</span>
      </li>
    </ul>
  </section>
  <section v-if="plan.tunings.length" aria-label="Tunings">
    <h3>Tunings</h3>
    <ul class="entries">
      <li v-for="t in plan.tunings" :key="`${t.measure}${t.drum}${t.to}`">
        <strong>{{ t.drum }}-inch drum to {{ t.to }}</strong
        >{{ ' ' }}
        <span v-if="t.from" class="where"
          >for measure {{ t.measure }}, from {{ t.from }}, {{ t.seconds?.toFixed(0) }} seconds<template v-if="t.tight">
            : too little time; another drum, or a second player</template
          ></span
        >
        <span v-else class="where"> before the passage</span>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../station.css"></style>
<style scoped>
h3 {
  margin-top: 12px;
}
.why {
  display: block;
}
</style>
