<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { dayFromNow } from '../../common/dates'
import { tellError } from '../../common/tell'
import { sendScore } from '../../views/shelf/upload'
import EntryDialog from './EntryDialog.vue'
import { kindWords } from './entryKinds'
import ImportDialog from './ImportDialog.vue'
import PracticeForm from './PracticeForm.vue'
import { useCalendar, type CalendarEntry } from '../queries'
import { dayName } from '../weeks'

/** Practice at home, and the days on which something is. */
const calendar = useCalendar()
const past = ref(false)
const entries = computed(() =>
  (calendar.data.value?.entries ?? []).filter((e) => past.value || (e.last ?? e.first) >= dayFromNow(0)),
)
const dialog = ref<'new' | CalendarEntry | null>(null)
const read = ref<{ file: string; events: Schemas['ReadEvent'][] } | null>(null)
const when = (e: CalendarEntry) =>
  `${dayName(e.first)}${e.last && e.last !== e.first ? ` to ${dayName(e.last)}` : ''}${e.starts ? `, ${e.starts.slice(0, 5)}` : ''}`
const nameOf = (e: CalendarEntry) => `${e.title || kindWords(e.kind)} of ${dayName(e.first)}`

async function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  try {
    const events = await sendScore<Schemas['ReadEvent'][]>('/api/calendar/read', file, () => {}).done
    read.value = { file: file.name, events }
  } catch (e) {
    tellError(e)
  }
}
const remove = (e: CalendarEntry) =>
  doAct({
    key: `entry ${e.id}`,
    run: async () => {
      await fetched(api.POST('/api/calendar/entries/remove', { body: { entries: [e.id] } }))
      return true
    },
    words: `${nameOf(e)} is out of the calendar.`,
    undo: () => ({ kind: 'entriesRemoved', entries: [e.id] }),
    fresh: [keys.calendar, keys.season],
  })
</script>

<template>
  <div v-if="calendar.data.value" class="calendar">
    <PracticeForm :practice="calendar.data.value.practice" :own="calendar.data.value.own" />
    <section class="card days">
      <div class="row head">
        <h2>Days</h2>
        <AButton type="primary" @click="dialog = 'new'">New in the calendar</AButton>
        <label class="file"
          >Bring a calendar file
          <input
            class="visually-hidden"
            type="file"
            accept=".ics,text/calendar"
            aria-label="Calendar file"
            @change="bring"
        /></label>
        <a href="/api/calendar.ics" download>Calendar file out</a>
        <label class="past"><input v-model="past" type="checkbox" /> past days too</label>
      </div>
      <p v-if="entries.length === 0" class="empty">
        No day is entered yet. Enter rehearsals, holidays and the concert, or bring the school's calendar file (.ics).
      </p>
      <ul class="entries">
        <li v-for="e in entries" :key="e.id">
          <span class="when">{{ when(e) }}</span>
          <span
            ><strong>{{ e.title || kindWords(e.kind) }}</strong
            ><span v-if="e.title" class="quiet kind">{{ kindWords(e.kind).toLowerCase() }}</span
            ><span v-if="e.minutes" class="quiet">, {{ e.minutes }} minutes</span></span
          >
          <span class="acts">
            <AButton size="small" type="text" :aria-label="`Change ${nameOf(e)}`" @click="dialog = e">Change</AButton>
            <AButton size="small" type="text" :aria-label="`Take out ${nameOf(e)}`" @click="remove(e)"
              >Take out</AButton
            >
          </span>
        </li>
      </ul>
    </section>
    <EntryDialog v-if="dialog" :entry="dialog === 'new' ? null : dialog" @close="dialog = null" />
    <ImportDialog v-if="read" :file="read.file" :events="read.events" @close="read = null" />
  </div>
</template>

<style scoped>
.calendar {
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
.days {
  padding: 14px 16px;
}
.head {
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
h2 {
  margin: 0;
}
.past {
  margin-left: auto;
}
.file {
  border: 1px solid var(--edge);
  border-radius: 3px;
  padding: 5px 14px;
  cursor: pointer;
  background: var(--card);
}
.file:focus-within {
  outline: 2px solid var(--brass);
}
.kind {
  margin-left: 8px;
}
.entries {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr) auto;
  gap: 10px;
  border-top: 1px solid var(--line);
  padding: 4px 0;
  align-items: center;
}
</style>
