<script setup lang="ts">
import { Button as AButton, Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'
import { dayFromNow } from '../../common/dates'
import DayField from '../../common/DayField.vue'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import type { AuditionSet } from '../queries'

/** A mock audition to hold: round, listeners, screened or not, and how marks become one. */
const props = defineProps<{ set: AuditionSet }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const round = ref(props.set.rounds[0]?.id ?? 0)
const held = ref(dayFromNow(0))
const listeners = ref(['Listener 1', 'Listener 2', 'Listener 3'])
const screened = ref(props.set.rounds[0]?.screened ?? true)
const trimmed = ref<'mean' | 'trimmed'>('mean')
const seed = ref<number>()
const only = ref<string>('')
const refused = ref('')
const busy = isBusy('new mock')
const rounds = computed(() => props.set.rounds.map((r) => ({ value: r.id ?? 0, label: r.name ?? '' })))
const ways = [
  { value: 'mean', label: 'the mean of all listeners' },
  { value: 'trimmed', label: 'without the highest and the lowest' },
] as const
const instruments = computed(() => [
  { value: '', label: `all ${props.set.candidates.length} candidates` },
  ...[...new Map(props.set.candidates.map((c) => [c.instrument, c.instrumentName]))].map(([value, label]) => ({
    value,
    label: `only ${label}`,
  })),
])

async function save() {
  const who = props.set.candidates.filter((c) => !only.value || c.instrument === only.value)
  const made = await doAct({
    key: 'new mock',
    run: () =>
      fetched(
        api.POST('/api/auditions/{set}/mocks', {
          params: { path: { set: props.set.id } },
          body: {
            round: round.value,
            title: null,
            held: held.value,
            screened: screened.value,
            trimmed: trimmed.value === 'trimmed',
            listeners: listeners.value,
            candidates: who.map((c) => c.id),
            seed: seed.value ?? null,
            weights: null,
          },
        }),
      ),
    words: (m) => `The order is drawn from the seed ${m.seed}, which is kept.`,
    undo: (m) => ({ kind: 'mockHeld', mock: m.id }),
    fresh: [keys.auditions],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (!made) return
  emit('close')
  void router.push({ name: 'mock', params: { mock: made.id } })
}
</script>

<template>
  <FormDialog
    title="New mock audition"
    ok-text="Draw the order"
    width="520px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <div class="field"><span>Round</span><PickOne v-model:value="round" :options="rounds" label="Round" /></div>
    <label class="field">Held on <DayField v-model="held" required /></label>
    <div class="field">
      <span>Who plays</span><PickOne v-model:value="only" :options="instruments" label="Who plays" />
    </div>
    <fieldset>
      <legend>Listeners</legend>
      <div v-for="(l, i) in listeners" :key="i" class="row">
        <AInput v-model:value="listeners[i]" :aria-label="`Listener ${i + 1}`" :maxlength="60" />
        <AButton
          size="small"
          type="text"
          :disabled="listeners.length === 1"
          :aria-label="`Leave out ${l}`"
          @click="listeners.splice(i, 1)"
          >Leave out</AButton
        >
      </div>
      <AButton size="small" :disabled="listeners.length > 8" @click="listeners.push(`Listener ${listeners.length + 1}`)"
        >Add a listener</AButton
      >
    </fieldset>
    <label><input v-model="screened" type="checkbox" /> screened: listeners see numbers instead of names</label>
    <div class="field">
      <span>The result is</span><PickOne v-model:value="trimmed" :options="ways" label="How marks become one" />
    </div>
    <label class="field"
      >Seed of the order
      <AInputNumber
        v-model:value="seed"
        :min="0"
        :max="999999999"
        placeholder="drawn itself"
        aria-label="Seed of the order"
    /></label>
  </FormDialog>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
  justify-items: start;
}
legend {
  padding: 0 0 4px;
  font-weight: 600;
}
</style>
