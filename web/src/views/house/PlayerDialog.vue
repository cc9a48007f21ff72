<script setup lang="ts">
import { Button as AButton, Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, toRef } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Player, type Section } from '../../api/client'
import { keys, useInstruments } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import { useDraft } from '../../common/useDraft'
import { sameName } from './people'

const props = defineProps<{ section: number; player: Player | null; sections: readonly Section[] }>()
const emit = defineEmits<{ close: [] }>()
const instruments = useInstruments()
const neighbours = () => props.sections.find((s) => s.id === props.section)?.players ?? []

// What is typed of a new player is kept over a reload.
const { draft, clear } = useDraft(`player ${props.section}`, () => ({ name: '' }))
const name = props.player ? ref(props.player.name) : toRef(draft.value, 'name')
const section = ref(props.section)
const instrument = ref<string | undefined>(props.player?.instrument ?? neighbours()[0]?.instrument ?? undefined)
const chair = ref(props.player?.chair ?? neighbours().length + 1)
const level = ref(props.player?.level ?? 'comfortable')
const has = ref<string[] | null>(props.player?.options ? [...props.player.options] : null)
const charts = useQuery({ queryKey: keys.charts, queryFn: () => fetched(api.GET('/api/charts')) })
const mayHave = computed(() => charts.data.value?.find((c) => c.instrument === instrument.value)?.options ?? [])
const owned = computed(() => has.value ?? mayHave.value.filter((o) => o.usual).map((o) => o.id))
const own = (id: string) => {
  has.value = owned.value.includes(id) ? owned.value.filter((o) => o !== id) : [...owned.value, id]
}
const refused = ref('')
const busy = isBusy('player')
const twin = computed(() => sameName(props.sections, name.value, props.player?.id))
const options = computed(() => instruments.data.value?.map((i) => ({ value: i.id, label: i.name })) ?? [])
const levels = [
  { value: 'comfortable', label: 'comfortable range' },
  { value: 'advanced', label: 'advanced range' },
  { value: 'extreme', label: 'whole range' },
]

const body = () => ({
  section: section.value,
  name: name.value,
  instrument: instrument.value ?? null,
  chair: chair.value,
  level: level.value,
  options: has.value?.filter((o) => mayHave.value.some((m) => m.id === o)) ?? null,
  version: props.player?.version ?? null,
})
const refuse = (e: unknown) => (refused.value = (e as Error).message)
const fresh = [keys.ensemble, keys.pieces, keys.log]

async function add() {
  refused.value = ''
  const made = await doAct({
    key: 'player',
    run: () => fetched(api.POST('/api/ensemble/players', { body: body() })),
    words: `${name.value} is in the ensemble.`,
    undo: (p) => ({ kind: 'joined', players: [p.id], sections: [] }),
    fresh,
    refused: refuse,
  })
  return made !== undefined
}
async function change(was: Player) {
  refused.value = ''
  const { id, name: n, instrument: i, chair: c, level: l, options: o, version } = was
  const before = { section: props.section, name: n, instrument: i, chair: c, level: l, options: o, version }
  const made = await doAct({
    key: 'player',
    run: () => fetched(api.PUT('/api/ensemble/players/{player}', { params: { path: { player: id } }, body: body() })),
    words: `${name.value} is changed.`,
    undo: () => ({ kind: 'playerEdited', player: id, before }),
    fresh,
    refused: refuse,
    closes: true,
  })
  return made !== undefined
}
async function save() {
  if (!(await (props.player ? change(props.player) : add()))) return
  if (!props.player) clear()
  emit('close')
}
async function another() {
  if (!(await add())) return
  name.value = ''
  chair.value++
  document.querySelector<HTMLElement>('.form-dialog input')?.focus()
}
async function leave() {
  const { id, name: n } = props.player!
  const done = await doAct({
    key: 'player',
    run: async () => {
      await fetched(api.DELETE('/api/ensemble/players/{player}', { params: { path: { player: id } } }))
      return true
    },
    words: `${n} has left the ensemble; what was heard of them stays in the records.`,
    undo: () => ({ kind: 'left', players: [id], sections: [] }),
    fresh,
    refused: refuse,
  })
  if (done) emit('close')
}
</script>

<template>
  <FormDialog
    :title="player ? 'Player' : 'New player'"
    ok-text="Save"
    :another="player ? undefined : 'Save and add another'"
    :busy="busy"
    :refused="refused"
    @save="save"
    @another="another"
    @close="emit('close')"
  >
    <label class="field">Name <AInput v-model:value="name" :maxlength="120" /></label>
    <p v-if="twin" class="told" role="status">{{ twin }}</p>
    <div class="field">
      <span>Section</span>
      <PickOne
        v-model:value="section"
        label="Section"
        :options="sections.map((s) => ({ value: s.id, label: s.name }))"
      />
    </div>
    <div class="field">
      <span>Instrument</span>
      <PickOne v-model:value="instrument" label="Instrument" :options="options" />
    </div>
    <label class="field">Chair <AInputNumber v-model:value="chair" :min="1" :max="99" /></label>
    <div class="field">
      <span>Range asked of them</span><PickOne v-model:value="level" label="Range asked of them" :options="levels" />
    </div>
    <fieldset v-if="mayHave.length">
      <legend>The instrument has</legend>
      <label v-for="o in mayHave" :key="o.id">
        <input type="checkbox" :checked="owned.includes(o.id)" @change="own(o.id)" /> {{ o.name }}
      </label>
    </fieldset>
    <template #left>
      <AButton v-if="player" class="left" :disabled="busy" @click="leave">Leaves the ensemble</AButton>
    </template>
  </FormDialog>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--line);
  border-radius: 3px;
  margin: 0;
  padding: 4px 10px 8px;
  display: grid;
}
.told {
  margin: 0;
  color: var(--rosin);
}
.left {
  margin-right: auto;
}
</style>
