<script setup lang="ts">
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../acts/useAct'
import { api, fetched, type Piece, type Schemas } from '../api/client'
import { useEnsemble } from '../api/queries'
import FormDialog from '../common/FormDialog.vue'

/** Who plays a part: by chairs, or as the director says. */
const props = defineProps<{ piece: number; part: Piece['parts'][number]; seats: Schemas['SeatsView'] | undefined }>()
const emit = defineEmits<{ close: [] }>()
const ensemble = useEnsemble()
const chosen = ref(new Set(props.seats?.players.map((p) => p.player) ?? []))
const byChairs = ref(!props.seats?.byHand)
const busy = isBusy('seats')
const name = computed(() => props.part.name || props.part.id)
const sections = computed(() => (ensemble.data.value ?? []).filter((s) => s.players.length > 0))

function toggle(player: number) {
  const next = new Set(chosen.value)
  if (!next.delete(player)) next.add(player)
  chosen.value = next
  byChairs.value = false
}

async function save() {
  const before = props.seats?.byHand ? props.seats.players.map((p) => p.player) : null
  const done = await doAct({
    key: 'seats',
    run: () =>
      fetched(
        api.PUT('/api/pieces/{id}/parts/{part}/players', {
          params: { path: { id: props.piece, part: props.part.id } },
          body: { players: byChairs.value ? null : [...chosen.value] },
        }),
      ),
    words: byChairs.value ? `${name.value} is seated by chairs again.` : `The players of ${name.value} are set.`,
    undo: () => ({ kind: 'seats', piece: props.piece, part: props.part.id, before }),
  })
  if (done) emit('close')
}
</script>

<template>
  <FormDialog
    :title="`Who plays ${name}`"
    ok-text="Save"
    width="560px"
    :busy="busy"
    @save="save"
    @close="emit('close')"
  >
    <label
      ><input v-model="byChairs" type="checkbox" /> by chairs: players of the instrument, first chairs to the first
      part</label
    >
    <p v-if="sections.length === 0" class="quiet">Nobody is in the ensemble yet. Add players under Ensemble first.</p>
    <div class="people">
      <fieldset v-for="s in sections" :key="s.id">
        <legend>{{ s.name }}</legend>
        <label v-for="p in s.players" :key="p.id">
          <input type="checkbox" :checked="chosen.has(p.id)" @change="toggle(p.id)" /> {{ p.name }}
        </label>
      </fieldset>
    </div>
  </FormDialog>
</template>

<style scoped>
.people {
  columns: 2;
  max-height: 46vh;
  overflow: auto;
}
fieldset {
  border: 0;
  margin: 0 0 8px;
  padding: 0;
  display: grid;
  break-inside: avoid;
}
legend {
  font-weight: 600;
  padding: 0;
}
</style>
