<script setup lang="ts">
import { Button as AButton, Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys, useInstruments } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'

/** A list of players before it is kept: every line can be mended in place or left out. */
const props = defineProps<{ file: string; preview: Schemas['RosterPreview'] }>()
const emit = defineEmits<{ close: [] }>()
const instruments = useInstruments()
const rows = ref(props.preview.rows.map((r) => ({ ...r, instrument: r.instrument ?? '' })))
const refused = ref('')
const busy = isBusy('roster')
const options = computed(() => [
  { value: '', label: 'no instrument' },
  ...(instruments.data.value ?? []).map((i) => ({ value: i.id, label: i.name })),
])
const toMend = computed(() => rows.value.filter((r) => r.problem).length)
const leaveOut = (line: number) => (rows.value = rows.value.filter((r) => r.line !== line))

async function keep() {
  const made = await doAct({
    key: 'roster',
    run: () =>
      fetched(
        api.POST('/api/ensemble/roster', {
          body: {
            rows: rows.value.map((r) => ({
              name: r.name,
              section: r.section,
              instrument: r.instrument || null,
              chair: r.chair,
            })),
          },
        }),
      ),
    words: (p) =>
      `${p.players?.length ?? 0} players added${p.sections?.length ? `, with ${p.sections.length} new sections` : ''}.`,
    undo: (p) => ({ kind: 'joined', players: [...(p.players ?? [])], sections: [...(p.sections ?? [])] }),
    fresh: [keys.ensemble, keys.pieces],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (made) emit('close')
}
</script>

<template>
  <FormDialog
    :title="`Players of ${file}`"
    :ok-text="`Add ${rows.length} players`"
    width="860px"
    :busy="busy"
    :refused="refused"
    :disabled="rows.length === 0"
    @save="keep"
    @close="emit('close')"
  >
    <p class="quiet">
      Nothing is kept yet. {{ toMend ? `${toMend} lines need a look: correct them here, or leave them out.` : '' }}
    </p>
    <div class="scroll" tabindex="0" role="region" aria-label="Lines of the list">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Section</th>
            <th scope="col">Instrument</th>
            <th scope="col">Chair</th>
            <th scope="col">Check</th>
            <th scope="col"><span class="visually-hidden">Acts</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.line">
            <td><AInput v-model:value="r.name" :aria-label="`Name in line ${r.line}`" /></td>
            <td><AInput v-model:value="r.section" :aria-label="`Section in line ${r.line}`" /></td>
            <td>
              <PickOne v-model:value="r.instrument" :options="options" :label="`Instrument in line ${r.line}`" />
            </td>
            <td>
              <AInputNumber v-model:value="r.chair" :min="1" :max="99" :aria-label="`Chair in line ${r.line}`" />
            </td>
            <td class="problem">{{ r.problem }}</td>
            <td>
              <AButton size="small" type="text" :aria-label="`Leave out line ${r.line}`" @click="leaveOut(r.line)"
                >Leave out</AButton
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </FormDialog>
</template>

<style scoped>
p {
  margin: 0;
}
.scroll {
  max-height: 52vh;
  overflow: auto;
}
.table td {
  padding: 3px 6px;
  vertical-align: middle;
}
.table :deep(.ant-input-number) {
  width: 62px;
}
.problem {
  color: var(--rosin);
  font-size: 13px;
  max-width: 170px;
}
</style>
