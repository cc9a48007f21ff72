<script setup lang="ts">
import { computed } from 'vue'
import { useInstruments } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import { useKinds } from '../queries'
import { isUnsure, type FileRow } from './draft'

/** Dropped files: instrument and kind as proposed, corrected with one choice. */
defineProps<{ rows: FileRow[] }>()
const instruments = useInstruments()
const kinds = useKinds()
const known = computed(() => [
  { value: '', label: 'choose' },
  ...(instruments.data.value ?? []).map((i) => ({ value: i.id, label: i.name })),
])
const options = computed(() => (kinds.data.value ?? []).map((k) => ({ value: k.name, label: k.words })))
</script>

<template>
  <div class="scroll" role="region" aria-label="Dropped files" tabindex="0">
    <table class="table">
      <thead>
        <tr>
          <th scope="col">File</th>
          <th scope="col">Instrument</th>
          <th scope="col">Kind</th>
          <th scope="col">Why</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.file.name" :class="{ look: isUnsure(r) }">
          <td>
            <label v-if="!r.guess.problem"
              ><input v-model="r.wanted" type="checkbox" :aria-label="`Take ${r.file.name}`" /> {{ r.file.name }}</label
            >
            <template v-else>{{ r.file.name }}</template>
            <small class="quiet">{{ r.guess.title }}</small>
          </td>
          <td v-if="r.guess.problem" colspan="3" class="problem">{{ r.guess.problem }}</td>
          <template v-else>
            <td><PickOne v-model:value="r.instrument" :options="known" :label="`Instrument of ${r.file.name}`" /></td>
            <td><PickOne v-model:value="r.kind" :options="options" :label="`Kind of ${r.file.name}`" /></td>
            <td class="why"><strong v-if="isUnsure(r)">Look: </strong>{{ r.guess.why }}</td>
          </template>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  max-height: 320px;
  overflow: auto;
  border: 1px solid var(--line);
}
small {
  display: block;
}
.look td {
  background: var(--brass-wash);
}
.why {
  font-size: 12.5px;
  max-width: 280px;
}
.problem {
  color: var(--rosin);
}
.table td {
  padding: 4px 8px;
}
</style>
