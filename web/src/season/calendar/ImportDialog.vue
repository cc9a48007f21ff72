<script setup lang="ts">
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { shortDate } from '../../common/dates'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import { entryKinds } from './entryKinds'

/** Events of a calendar file before they are kept: what each is, guessed from its words, corrected here. */
const props = defineProps<{ file: string; events: readonly Schemas['ReadEvent'][] }>()
const emit = defineEmits<{ close: [] }>()
const kinds = [{ value: '', label: 'leave out' }, ...entryKinds]

type Read = Schemas['ReadEvent']
// The same words mean the same: they are chosen once.
function byTitle(events: readonly Read[]): Map<string, Read[]> {
  const groups = new Map<string, Read[]>()
  for (const e of events) groups.set(e.title, [...(groups.get(e.title) ?? []), e])
  return groups
}
const groups = ref(
  [...byTitle(props.events)].map(([title, events]) => ({
    title,
    events,
    kind: events[0]!.kind ?? '',
  })),
)
const wanted = computed(() => groups.value.filter((g) => g.kind))
const count = computed(() => wanted.value.reduce((n, g) => n + g.events.length, 0))
const refused = ref('')
const busy = isBusy('calendar import')
const days = (events: readonly Schemas['ReadEvent'][]) =>
  events.length === 1
    ? shortDate(events[0]!.first)
    : `${events.length} times, ${shortDate(events[0]!.first)} to ${shortDate(events.at(-1)!.first)}`

async function keep() {
  const entries = wanted.value.flatMap((g) =>
    g.events.map((e) => ({
      id: 0,
      version: null,
      ...e,
      kind: g.kind,
      minutes: g.kind === 'rehearsal' ? e.minutes : 0,
    })),
  )
  const done = await doAct({
    key: 'calendar import',
    run: () => fetched(api.POST('/api/calendar/entries', { body: { entries } })),
    words: (ids) => `${ids.entries?.length ?? 0} events of ${props.file} are in the calendar.`,
    undo: (ids) => ({ kind: 'entriesAdded', entries: [...(ids.entries ?? [])] }),
    fresh: [keys.calendar, keys.season],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (done) emit('close')
}
</script>

<template>
  <FormDialog
    :title="`Events of ${file}`"
    :ok-text="`Take ${count} events`"
    width="680px"
    :busy="busy"
    :refused="refused"
    :disabled="count === 0"
    @save="keep"
    @close="emit('close')"
  >
    <p class="quiet">Nothing is kept yet. Say what each is.</p>
    <div class="scroll" tabindex="0" role="region" aria-label="Events of the file">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">Event</th>
            <th scope="col">When</th>
            <th scope="col">What it is</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="g in groups" :key="g.title">
            <td>{{ g.title }}</td>
            <td>{{ days(g.events) }}</td>
            <td><PickOne v-model:value="g.kind" :options="kinds" :label="`What ${g.title} is`" /></td>
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
  max-height: 420px;
  overflow: auto;
}
td {
  padding: 3px 10px 3px 0;
}
</style>
