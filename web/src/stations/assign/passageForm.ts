import type { Passage, Schemas } from '../../api/client'
import { dayFromNow } from '../../common/dates'
import type { LadderAsk } from '../tempo/ladder'

/** What is typed to hand a passage out, besides its address and tempos. */
export interface PassageForm {
  title: string
  due: string
  sections: number[]
  players: number[]
  note: string
}

export const freshPassage = (): PassageForm => ({
  title: '',
  due: dayFromNow(14),
  sections: [],
  players: [],
  note: 'Count the first measure aloud, then play.',
})

/** The form of a passage that is handed out already. */
export const formOf = (p: Passage): PassageForm => ({
  title: p.title,
  due: p.due,
  sections: [...p.sections],
  players: [...p.players],
  note: p.note,
})

/** Its ladder. */
export const ladderOf = (p: Passage): LadderAsk => ({
  start: { ...p.start },
  goal: { ...p.goal },
  by: p.climb,
  value: p.climbValue,
  days: p.steps.length,
  way: 'straight',
  past: 0,
})

/** The request for an address, a form and a ladder. */
export const requestOf = (
  place: { parts: readonly string[]; from: string; to: string },
  form: PassageForm,
  ask: LadderAsk,
  version: number | null,
): Schemas['PassageRequest'] => ({
  title: form.title || null,
  parts: [...place.parts],
  from: place.from,
  to: place.to,
  start: ask.start,
  goal: ask.goal,
  by: ask.by,
  value: ask.value,
  due: form.due,
  sections: form.sections,
  players: form.players,
  note: form.note || null,
  version,
})

/** A passage as it was asked for, to put it back so. */
export const asAsked = (p: Passage): Schemas['PassageRequest'] => requestOf(p, formOf(p), ladderOf(p), p.version)
