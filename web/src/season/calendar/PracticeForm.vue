<script setup lang="ts">
import { Button as AButton, InputNumber as AInputNumber } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys, useEnsemble } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'

/** Minutes a day, days of rest, days for runs; and who has more or less time. */
const props = defineProps<{ practice: Schemas['PracticeView']; own: readonly Schemas['OwnMinutes'][] }>()
const ensemble = useEnsemble()
const form = ref({ ...props.practice, restDays: [...props.practice.restDays] })
watch(
  () => props.practice,
  (p) => (form.value = { ...p, restDays: [...p.restDays] }),
)
const refused = ref('')
const busy = isBusy('practice')
const weekdays = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday']
const who = ref<string>()
const minutes = ref(20)

const options = computed(() =>
  (ensemble.data.value ?? []).flatMap((s) => [
    { value: `section ${s.id}`, label: s.name },
    ...s.players.map((p) => ({ value: `player ${p.id}`, label: `${s.name}: ${p.name}` })),
  ]),
)
const nameOf = (o: Schemas['OwnMinutes']) =>
  options.value.find((x) => x.value === `${o.whose} ${o.id}`)?.label ?? 'somebody who left'

function toggle(day: number) {
  const rest = form.value.restDays
  form.value.restDays = rest.includes(day) ? rest.filter((d) => d !== day) : [...rest, day].sort()
}
const save = () =>
  doAct({
    key: 'practice',
    run: () => fetched(api.PUT('/api/calendar/practice', { body: { ...form.value, version: props.practice.version } })),
    words: `Practice: ${form.value.minutes} minutes a day. Plan anew to use it.`,
    undo: () => ({ kind: 'practiceTimes', before: props.practice }),
    fresh: [keys.calendar, keys.season],
    refused: (e) => (refused.value = (e as Error).message),
  })
function give(whose: string, id: number, to: number | null) {
  const before = props.own.find((o) => o.whose === whose && o.id === id)?.minutes ?? null
  return doAct({
    key: `minutes ${whose} ${id}`,
    run: () => fetched(api.PUT('/api/calendar/minutes', { body: { whose, id, minutes: to } })),
    words: to === null ? 'As the school again.' : `${nameOf({ whose, id, minutes: to })}: ${to} minutes a day.`,
    undo: () => ({ kind: 'ownMinutes', before: { whose, id, minutes: before } }),
    fresh: [keys.calendar, keys.season],
  })
}
function add() {
  const [whose, id] = who.value?.split(' ') ?? []
  if (whose && id) void give(whose, Number(id), minutes.value)
  who.value = undefined
}
</script>

<template>
  <form class="card practice" @submit.prevent="save">
    <h2>Practice at home</h2>
    <label class="field"
      >Minutes a day <AInputNumber v-model:value="form.minutes" :min="0" :max="240" aria-label="Minutes a day"
    /></label>
    <label class="field"
      >Last days kept for runs
      <AInputNumber v-model:value="form.runDays" :min="0" :max="30" aria-label="Last days kept for runs"
    /></label>
    <fieldset>
      <legend>Days without practice</legend>
      <label v-for="(d, i) in weekdays" :key="d" class="weekday"
        ><input type="checkbox" :checked="form.restDays.includes(i)" @change="toggle(i)" /> {{ d.slice(0, 3) }}</label
      >
    </fieldset>
    <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
    <AButton html-type="submit" type="primary" :loading="busy">Save</AButton>
    <p class="quiet caution">
      Rest five minutes in every half hour; brass rests at least as much as it plays. Pain, numbness or locked fingers:
      stop, and the teacher, the school's policy and licensed clinicians decide.
    </p>
    <h3>More or less time than the school</h3>
    <ul v-if="own.length" class="own">
      <li v-for="o in own" :key="`${o.whose} ${o.id}`">
        {{ nameOf(o) }}: {{ o.minutes }} minutes
        <AButton size="small" type="text" :aria-label="`As the school: ${nameOf(o)}`" @click="give(o.whose, o.id, null)"
          >As the school</AButton
        >
      </li>
    </ul>
    <div class="row add">
      <PickOne v-model:value="who" :options="options" label="Who has other minutes" placeholder="section or player" />
      <AInputNumber v-model:value="minutes" :min="0" :max="240" aria-label="Their minutes a day" />
      <AButton :disabled="!who" @click="add">Set</AButton>
    </div>
  </form>
</template>

<style scoped>
.practice {
  padding: 14px 16px;
  display: grid;
  gap: 10px;
  align-content: start;
}
h2,
h3 {
  margin: 0;
}
h3 {
  font-size: 15px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
.weekday {
  margin-right: 10px;
  white-space: nowrap;
}
.caution {
  font-size: 12.5px;
  margin: 0;
}
.own {
  margin: 0;
  padding-left: 18px;
}
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 80px auto;
  gap: 8px;
}
.refused {
  color: var(--rosin);
  margin: 0;
}
</style>
