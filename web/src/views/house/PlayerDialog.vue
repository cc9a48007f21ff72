<script setup lang="ts">
import PickOne from '../../common/PickOne.vue'
import { Button as AButton, Input as AInput, InputNumber as AInputNumber, Modal as AModal } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, isStale, take, type Schemas, type Section } from '../../api/client'
import { keys, useInstruments } from '../../api/queries'

const props = defineProps<{ section: number; player: Schemas['PlayerView'] | null; sections: readonly Section[] }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const instruments = useInstruments()
const neighbours = props.sections.find((s) => s.id === props.section)?.players ?? []

const name = ref(props.player?.name ?? '')
const section = ref(props.section)
const instrument = ref<string | undefined>(props.player?.instrument ?? neighbours[0]?.instrument ?? undefined)
const chair = ref(props.player?.chair ?? neighbours.length + 1)
const level = ref(props.player?.level ?? 'comfortable')
const has = ref<string[] | null>(props.player?.options ? [...props.player.options] : null)
const charts = useQuery({ queryKey: keys.charts, queryFn: () => take(api.GET('/api/charts')) })
const mayHave = computed(() => charts.data.value?.find((c) => c.instrument === instrument.value)?.options ?? [])
const owned = computed(() => has.value ?? mayHave.value.filter((o) => o.usual).map((o) => o.id))
const own = (id: string) => {
  has.value = owned.value.includes(id) ? owned.value.filter((o) => o !== id) : [...owned.value, id]
}
const refused = ref('')
const sure = ref(false)
const options = computed(() => instruments.data.value?.map((i) => ({ value: i.id, label: i.name })) ?? [])
const levels = [
  { value: 'comfortable', label: 'comfortable range' },
  { value: 'advanced', label: 'advanced range' },
  { value: 'extreme', label: 'whole range' },
]

async function run(act: () => Promise<unknown>) {
  try {
    await act()
    emit('saved')
    emit('close')
  } catch (e) {
    refused.value = (e as Error).message
    // What stands now is behind the dialog, to be opened anew.
    if (isStale(e)) emit('saved')
  }
}
const body = () => ({
  section: section.value,
  name: name.value,
  instrument: instrument.value ?? null,
  chair: chair.value,
  level: level.value,
  options: has.value?.filter((o) => mayHave.value.some((m) => m.id === o)) ?? null,
  version: props.player?.version ?? null,
})
const save = () =>
  run(() =>
    props.player
      ? take(api.PUT('/api/ensemble/players/{player}', { params: { path: { player: props.player.id } }, body: body() }))
      : take(api.POST('/api/ensemble/players', { body: body() })),
  )
const remove = () =>
  run(() => take(api.DELETE('/api/ensemble/players/{player}', { params: { path: { player: props.player!.id } } })))
</script>

<template>
  <AModal
    open
    :title="player ? 'Player' : 'New player'"
    ok-text="Save"
    width="420px"
    @ok="save"
    @cancel="emit('close')"
  >
    <div class="grid">
      <label class="field">Name <AInput v-model:value="name" :maxlength="120" /></label>
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
      <p v-if="refused" role="alert">{{ refused }}</p>
      <div v-if="player" class="row">
        <AButton v-if="!sure" size="small" danger @click="sure = true">Remove player</AButton>
        <template v-else>
          <span>Removes {{ player.name }} and their log for good.</span>
          <AButton size="small" danger type="primary" @click="remove">Remove for good</AButton>
        </template>
      </div>
    </div>
  </AModal>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 10px;
}
fieldset {
  border: 1px solid var(--line);
  border-radius: 3px;
  margin: 0;
  padding: 4px 10px 8px;
  display: grid;
}
</style>
