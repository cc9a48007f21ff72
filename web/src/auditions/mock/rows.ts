import type { MarkRow } from '../../grading/grades'
import type { Mock } from '../queries'

type Seat = Mock['seats'][number]

/** The sheet of a listener for a number; an empty one where nothing was marked. */
export const sheetOf = (seat: Seat, listener: number) =>
  seat.sheets.find((s) => s.listener === listener) ?? { listener, marks: {}, note: '', percent: null, version: 0 }

/** Rows of a listener's mark sheet: numbers, and names only where the listeners may know them. */
export const rowsOf = (mock: Mock, listener: number): MarkRow[] =>
  mock.seats.map((seat) => {
    const sheet = sheetOf(seat, listener)
    return {
      key: seat.number,
      name: seat.name ? `${seat.number}, ${seat.name}` : `Number ${seat.number}`,
      sub: seat.instrument,
      marks: sheet.marks,
      note: sheet.note,
      percent: sheet.percent ?? null,
      weakest: [],
    }
  })

/** How many were heard by all listeners. */
export const heard = (mock: Mock) =>
  mock.seats.filter((s) => mock.listeners.every((_, i) => sheetOf(s, i + 1).percent != null)).length

/** How many a listener has marked in full. */
export const marked = (mock: Mock, listener: number) =>
  mock.seats.filter((s) => sheetOf(s, listener).percent != null).length
