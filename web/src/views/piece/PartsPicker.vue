<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Piece } from '../../api/client'
import { useEnsemble, useLines, useSeats } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import { partGroups } from './partGroups'

/** Which parts are selected: one by one, by section or by the line they share; neighbours or not. */
const props = defineProps<{ piece: Piece; chosen: readonly string[]; from: number; to: number }>()
const emit = defineEmits<{ close: []; choose: [string[]] }>()
const id = computed(() => props.piece.id)
const ensemble = useEnsemble()
const seats = useSeats(id)
const lines = useLines(id)
const picked = ref(new Set(props.chosen))

const groups = computed(() =>
  partGroups(props.piece, ensemble.data.value ?? [], seats.data.value ?? [], lines.data.value ?? [], props),
)
function toggle(part: string) {
  const next = new Set(picked.value)
  if (!next.delete(part)) next.add(part)
  picked.value = next
}
const holds = (parts: readonly string[]) => parts.every((p) => picked.value.has(p))
function toggleAll(parts: readonly string[]) {
  const next = new Set(picked.value)
  const isIn = holds(parts)
  for (const p of parts)
    if (isIn) next.delete(p)
    else next.add(p)
  picked.value = next
}
function take() {
  emit(
    'choose',
    props.piece.parts.map((p) => p.id).filter((p) => picked.value.has(p)),
  )
  emit('close')
}
</script>

<template>
  <FormDialog
    title="Choose parts"
    width="680px"
    ok-text="Select these parts"
    :disabled="picked.size === 0"
    @save="take"
    @close="emit('close')"
  >
    <div class="picker">
      <fieldset>
        <legend>Parts</legend>
        <label v-for="p in piece.parts" :key="p.id">
          <input type="checkbox" :checked="picked.has(p.id)" @change="toggle(p.id)" /> {{ p.name || p.id }}
        </label>
      </fieldset>
      <div>
        <fieldset v-for="g in groups" :key="g.title">
          <legend>{{ g.title }}</legend>
          <label v-for="o in g.options" :key="o.words">
            <input type="checkbox" :checked="holds(o.parts)" @change="toggleAll(o.parts)" /> {{ o.words }}
          </label>
          <p v-if="g.options.length === 0" class="quiet">{{ g.none }}</p>
        </fieldset>
      </div>
    </div>
  </FormDialog>
</template>

<style scoped>
.picker {
  display: grid;
  grid-template-columns: 1fr 1.3fr;
  gap: 20px;
  max-height: 60vh;
  overflow: auto;
}
fieldset {
  border: 0;
  margin: 0 0 12px;
  padding: 0;
  display: grid;
  align-content: start;
}
legend {
  font-weight: 600;
  padding: 0 0 4px;
}
label {
  padding: 2px 0;
}
</style>
