<script setup lang="ts">
import { Input as AInput, InputNumber as AInputNumber } from 'ant-design-vue'
import { ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'
import { dayFromNow } from '../../common/dates'
import DayField from '../../common/DayField.vue'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import { entryKinds } from './entryKinds'
import type { CalendarEntry } from '../queries'
import { addDays } from '../weeks'

/** A day or stretch of the calendar: new, repeated by the week, or changed. */
const props = defineProps<{ entry: CalendarEntry | null }>()
const emit = defineEmits<{ close: [] }>()
const form = ref({
  kind: props.entry?.kind ?? 'rehearsal',
  first: props.entry?.first ?? dayFromNow(1),
  last: props.entry?.last ?? dayFromNow(1),
  title: props.entry?.title ?? '',
  minutes: props.entry?.minutes ?? 60,
  starts: props.entry?.starts?.slice(0, 5) ?? '',
})
const weeks = ref(1)
const refused = ref('')
const busy = isBusy('calendar entry')
const withMinutes = () => form.value.kind === 'rehearsal' || form.value.kind === 'minutes'

function body(first: string): CalendarEntry {
  const isOneDay = form.value.kind === 'rehearsal' || form.value.kind === 'concert'
  return {
    id: 0,
    first,
    last: isOneDay || form.value.last < first ? first : form.value.last,
    kind: form.value.kind,
    minutes: withMinutes() ? form.value.minutes : 0,
    title: form.value.title || null,
    starts: form.value.starts ? `${form.value.starts}:00` : null,
    uid: props.entry?.uid ?? null,
    version: props.entry?.version ?? null,
  }
}
async function save() {
  const there = props.entry
  const about = { key: 'calendar entry', fresh: [keys.calendar, keys.season] as const }
  const fail = (e: unknown) => (refused.value = (e as Error).message)
  const done = there
    ? await doAct({
        ...about,
        run: () =>
          fetched(
            api.PUT('/api/calendar/entries/{entry}', {
              params: { path: { entry: there.id } },
              body: body(form.value.first),
            }),
          ),
        words: 'The calendar is changed.',
        undo: () => ({ kind: 'entryEdited', entry: there.id, before: there }),
        refused: fail,
        closes: true,
      })
    : await doAct({
        ...about,
        run: () =>
          fetched(
            api.POST('/api/calendar/entries', {
              body: { entries: Array.from({ length: weeks.value }, (_, i) => body(addDays(form.value.first, 7 * i))) },
            }),
          ),
        words: (ids) => `${ids.entries?.length ?? 0} in the calendar. Plan anew to use it.`,
        undo: (ids) => ({ kind: 'entriesAdded', entries: [...(ids.entries ?? [])] }),
        refused: fail,
        closes: true,
      })
  if (done) emit('close')
}
</script>

<template>
  <FormDialog
    :title="entry ? 'Change an entry' : 'New in the calendar'"
    ok-text="Save"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <div class="field"><span>What</span><PickOne v-model:value="form.kind" :options="entryKinds" label="What" /></div>
    <label class="field"
      >{{ form.kind === 'off' ? 'First day' : 'Day' }} <DayField v-model="form.first" required
    /></label>
    <label v-if="form.kind === 'off' || form.kind === 'minutes'" class="field"
      >Last day <DayField v-model="form.last" required
    /></label>
    <label v-if="withMinutes()" class="field"
      >Minutes <AInputNumber v-model:value="form.minutes" :min="0" :max="600" aria-label="Minutes"
    /></label>
    <label v-if="form.kind === 'rehearsal' || form.kind === 'concert'" class="field"
      >Begins at <input v-model="form.starts" type="time" class="time"
    /></label>
    <label v-if="!entry && form.kind === 'rehearsal'" class="field"
      >For so many weeks <AInputNumber v-model:value="weeks" :min="1" :max="52" aria-label="Weeks"
    /></label>
    <label class="field">Words <AInput v-model:value="form.title" :maxlength="120" /></label>
  </FormDialog>
</template>

<style scoped>
.time {
  height: 32px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--card);
  font: inherit;
  padding: 0 8px;
}
</style>
