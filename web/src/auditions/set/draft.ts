import type { Schemas } from '../../api/client'

type Guess = Schemas['GuessView']

/** A dropped file in the table: what it seems to be, and what the director made of it. */
export interface FileRow {
  file: File
  guess: Guess
  instrument: string
  kind: string
  wanted: boolean
}

/** A round while it is being set. */
export interface RoundDraft {
  id: number
  name: string
  held: string
  way: string
  screened: boolean
}

export const ways = [
  { value: 'live', label: 'played live' },
  { value: 'one-take', label: 'recorded in one take' },
  { value: 'by-piece', label: 'recorded piece by piece' },
] as const

// What needs a look stands on top.
const inOrder = (a: FileRow, b: FileRow) =>
  Number(a.guess.isSure) - Number(b.guess.isSure) || a.file.name.localeCompare(b.file.name)

/** Rows for dropped files, those that need a look first; what cannot be read stays in the table and is not wanted. */
export const rowsOf = (files: readonly File[], guesses: readonly Guess[]): FileRow[] =>
  guesses
    .map((guess, i) => ({
      file: files[i]!,
      guess,
      instrument: guess.instrument ?? '',
      kind: guess.kind,
      wanted: guess.problem == null,
    }))
    .sort(inOrder)

/** A file dropped a second time takes the place of the first. */
export const joined = (rows: readonly FileRow[], more: readonly FileRow[]): FileRow[] =>
  [...rows.filter((r) => !more.some((m) => m.file.name === r.file.name)), ...more].sort(inOrder)

/** Needs a look: nothing or two things speak for it. */
export const isUnsure = (row: FileRow) => row.wanted && (!row.guess.isSure || row.instrument === '')

/** Why the set cannot be made yet, in a sentence; empty when it can. */
export function lacking(name: string, rounds: readonly RoundDraft[], rows: readonly FileRow[]): string {
  if (name.trim() === '') return 'Give the set a name, as the audition is called.'
  if (rounds.length === 0 || rounds.some((r) => r.held === '')) return 'Give each round its day.'
  const wanted = rows.filter((r) => r.wanted)
  if (wanted.length === 0) return 'Drop the etudes of the audition: MusicXML files.'
  const open = wanted.find((r) => r.instrument === '')
  return open ? `Choose the instrument of ${open.file.name}.` : ''
}

/** The set as it is sent beside the files. */
export const setBody = (name: string, rounds: readonly RoundDraft[], rows: readonly FileRow[]) => ({
  name: name.trim(),
  rounds: rounds.map((r) => ({ ...r, id: r.id || null })),
  entries: rows.filter((r) => r.wanted).map((r) => ({ file: r.guess.file, instrument: r.instrument, kind: r.kind })),
})
