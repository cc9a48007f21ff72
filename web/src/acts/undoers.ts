import { api, fetched, type Schemas } from '../api/client'
import { ofAuditions } from './auditionUndoers'

type PassageBody = Schemas['PassageRequest']
type PlayerBody = Schemas['PlayerEdit']
type PieceBody = Schemas['PieceEdit']
export interface Reviewed {
  finding: string
  state: string | null
  words: string | null
}

/** What is needed to take an act back: data only, so that it is kept over a reload. */
export interface Undoable {
  decisions: { piece: number; act: number }
  dismissed: { piece: number; finding: string }
  recalled: { piece: number; finding: string; scope: string }
  reviewed: { piece: number; before: Reviewed[] }
  handedOut: { passage: number }
  handedOutMany: { passages: number[] }
  takenBack: { passage: number }
  passageEdited: { passage: number; before: PassageBody }
  pathChanged: { passage: number; before: string[][] | null }
  logged: { entry: number }
  logRemoved: { entry: number }
  logEdited: { entry: number; before: Schemas['LogRequest'] }
  remarkSaid: { remark: number }
  testHeld: { test: number }
  testEdited: { test: number; before: Schemas['TestRequest'] }
  testRemoved: { test: number }
  marked: { test: number; player: number; before: Record<string, number>; note: string }
  weighed: { before: Schemas['WeightEdit'][] }
  planKept: { plan: number }
  planUndone: { plan: number; seen: number | null }
  sessionMoved: { session: number; day: string; byHand: boolean }
  practiceTimes: { before: Schemas['PracticeView'] }
  ownMinutes: { before: Schemas['OwnMinutes'] }
  entriesAdded: { entries: number[] }
  entriesRemoved: { entries: number[] }
  entryEdited: { entry: number; before: Schemas['CalendarEntryView'] }
  setMade: { set: number }
  setRemoved: { set: number }
  setEdited: { set: number; before: Schemas['SetEdit'] }
  pieceAdded: { piece: number }
  auditionPiece: { set: number; entry: number; before: Schemas['EntryEdit'] }
  auditionPieceIn: { set: number; entry: number }
  auditionPieceOut: { set: number; entry: number }
  candidates: { set: number; before: Schemas['CandidateAsk'][] }
  answered: { set: number; matter: string; before: string | null }
  mockHeld: { mock: number }
  mockRemoved: { mock: number }
  mockMarked: { mock: number; number: number; listener: number; before: Record<string, number>; note: string }
  joined: { players: number[]; sections: number[] }
  left: { players: number[]; sections: number[] }
  playerEdited: { player: number; before: PlayerBody }
  sectionRenamed: { section: number; before: string }
  ruleChosen: { rule: string; before: string }
  pieceRemoved: { piece: number }
  pieceEdited: { piece: number; before: PieceBody }
  instrument: { piece: number; part: string; before: string }
  leader: { piece: number; parts: string[]; before: string | null }
  seats: { piece: number; part: string; before: number[] | null }
  /** A chart corrected, or a correction taken back: what stood there before, or null where the chart was as it came. */
  chart: { instrument: string; written: number; code: string; before: Schemas['CorrectionEdit'] | null }
}
export type Undo = { [K in keyof Undoable]: { kind: K } & Undoable[K] }[keyof Undoable]

const at = (id: number) => ({ params: { path: { id } } })
const people = (p: { players: number[]; sections: number[] }) => ({
  body: { players: p.players, sections: p.sections },
})

async function versionOf(passage: number) {
  return (await fetched(api.GET('/api/passages/{passage}', { params: { path: { passage } } }))).version
}

async function ensemble() {
  return fetched(api.GET('/api/ensemble'))
}

async function review(u: Undoable['reviewed']) {
  for (const b of u.before) {
    const params = { path: { id: u.piece, finding: b.finding } }
    if (b.state === null) await fetched(api.DELETE('/api/pieces/{id}/study/{finding}/review', { params }))
    else
      await fetched(
        api.PUT('/api/pieces/{id}/study/{finding}/review', { params, body: { state: b.state, words: b.words } }),
      )
  }
}

const chart = ({ instrument, written, code, before }: Undoable['chart']) =>
  before
    ? fetched(api.PUT('/api/charts/{instrument}/corrections', { params: { path: { instrument } }, body: before }))
    : fetched(
        api.DELETE('/api/charts/{instrument}/corrections/{written}/{code}', {
          params: { path: { instrument, written, code } },
        }),
      )

/** How each act is taken back. */
const undoers: { [K in keyof Undoable]: (u: Undoable[K]) => Promise<unknown> } = {
  decisions: (u) =>
    fetched(api.DELETE('/api/pieces/{id}/decisions/acts/{act}', { params: { path: { id: u.piece, act: u.act } } })),
  dismissed: (u) =>
    fetched(
      api.DELETE('/api/pieces/{id}/study/{finding}/dismissal', {
        params: { path: { id: u.piece, finding: u.finding } },
      }),
    ),
  recalled: (u) =>
    fetched(
      api.PUT('/api/pieces/{id}/study/{finding}/dismissal', {
        params: { path: { id: u.piece, finding: u.finding }, query: { scope: u.scope } },
      }),
    ),
  reviewed: review,
  handedOut: (u) => fetched(api.DELETE('/api/passages/{passage}', { params: { path: { passage: u.passage } } })),
  handedOutMany: (u) => fetched(api.POST('/api/passages/remove', { body: { passages: u.passages } })),
  takenBack: (u) => fetched(api.POST('/api/passages/{passage}/restore', { params: { path: { passage: u.passage } } })),
  passageEdited: async (u) =>
    fetched(
      api.PUT('/api/passages/{passage}', {
        params: { path: { passage: u.passage } },
        body: { ...u.before, version: await versionOf(u.passage) },
      }),
    ),
  pathChanged: async (u) => {
    const params = { path: { passage: u.passage } }
    const { version } = await fetched(api.GET('/api/passages/{passage}/path', { params }))
    return fetched(api.PUT('/api/passages/{passage}/path', { params, body: { steps: u.before, version } }))
  },
  logged: (u) => fetched(api.DELETE('/api/log/{entry}', { params: { path: { entry: u.entry } } })),
  logRemoved: (u) => fetched(api.POST('/api/log/{entry}/restore', { params: { path: { entry: u.entry } } })),
  logEdited: async (u) => {
    const now = (await fetched(api.GET('/api/log'))).find((l) => l.id === u.entry)
    return fetched(
      api.PUT('/api/log/{entry}', {
        params: { path: { entry: u.entry } },
        body: { ...u.before, version: now?.version ?? 0 },
      }),
    )
  },
  remarkSaid: (u) => fetched(api.DELETE('/api/remarks/{remark}', { params: { path: { remark: u.remark } } })),
  testHeld: (u) => fetched(api.DELETE('/api/tests/{test}', { params: { path: { test: u.test } } })),
  testEdited: async (u) => {
    const params = { path: { test: u.test } }
    const { version } = await fetched(api.GET('/api/tests/{test}', { params }))
    return fetched(api.PUT('/api/tests/{test}', { params, body: { ...u.before, version } }))
  },
  testRemoved: (u) => fetched(api.POST('/api/tests/{test}/restore', { params: { path: { test: u.test } } })),
  marked: async (u) => {
    const test = await fetched(api.GET('/api/tests/{test}', { params: { path: { test: u.test } } }))
    const version = test.players.find((p) => p.player === u.player)?.version ?? 0
    return fetched(
      api.PUT('/api/tests/{test}/marks/{player}', {
        params: { path: { test: u.test, player: u.player } },
        body: { marks: u.before, note: u.note, version },
      }),
    )
  },
  weighed: (u) => fetched(api.PUT('/api/test-criteria', { body: u.before })),
  planKept: (u) => fetched(api.DELETE('/api/season/plans/{plan}', { params: { path: { plan: u.plan } } })),
  planUndone: (u) =>
    fetched(api.POST('/api/season/plans/{plan}/keep', { params: { path: { plan: u.plan } }, body: { seen: u.seen } })),
  sessionMoved: async (u) => {
    const { plan } = await fetched(api.GET('/api/season'))
    return fetched(
      api.PUT('/api/season/sessions/{session}', {
        params: { path: { session: u.session } },
        body: { day: u.day, byHand: u.byHand, version: plan?.version ?? 0 },
      }),
    )
  },
  practiceTimes: async (u) => {
    const { practice } = await fetched(api.GET('/api/calendar'))
    return fetched(api.PUT('/api/calendar/practice', { body: { ...u.before, version: practice.version } }))
  },
  ownMinutes: (u) => fetched(api.PUT('/api/calendar/minutes', { body: u.before })),
  entriesAdded: (u) => fetched(api.POST('/api/calendar/entries/remove', { body: { entries: u.entries } })),
  entriesRemoved: (u) => fetched(api.POST('/api/calendar/entries/restore', { body: { entries: u.entries } })),
  entryEdited: async (u) => {
    const now = (await fetched(api.GET('/api/calendar'))).entries.find((e) => e.id === u.entry)
    return fetched(
      api.PUT('/api/calendar/entries/{entry}', {
        params: { path: { entry: u.entry } },
        body: { ...u.before, version: now?.version ?? 0 },
      }),
    )
  },
  ...ofAuditions,
  joined: (u) => fetched(api.POST('/api/ensemble/leave', people(u))),
  left: (u) => fetched(api.POST('/api/ensemble/return', people(u))),
  playerEdited: async (u) => {
    const now = (await ensemble()).flatMap((s) => s.players).find((p) => p.id === u.player)
    return fetched(
      api.PUT('/api/ensemble/players/{player}', {
        params: { path: { player: u.player } },
        body: { ...u.before, version: now?.version ?? 0 },
      }),
    )
  },
  sectionRenamed: async (u) => {
    const now = (await ensemble()).find((s) => s.id === u.section)
    return fetched(
      api.PUT('/api/ensemble/sections/{section}', {
        params: { path: { section: u.section } },
        body: { name: u.before, version: now?.version ?? 0 },
      }),
    )
  },
  ruleChosen: (u) =>
    fetched(api.PUT('/api/house-rules/{rule}', { params: { path: { rule: u.rule } }, body: { choice: u.before } })),
  pieceRemoved: (u) => fetched(api.POST('/api/pieces/{id}/restore', at(u.piece))),
  pieceEdited: async (u) => {
    const now = (await fetched(api.GET('/api/pieces'))).find((p) => p.id === u.piece)
    return fetched(api.PUT('/api/pieces/{id}', { ...at(u.piece), body: { ...u.before, version: now?.version ?? 0 } }))
  },
  instrument: (u) =>
    fetched(
      api.PUT('/api/pieces/{id}/parts/{part}/instrument', {
        params: { path: { id: u.piece, part: u.part } },
        body: { instrument: u.before },
      }),
    ),
  leader: (u) =>
    fetched(api.PUT('/api/pieces/{id}/lines/leader', { ...at(u.piece), body: { parts: u.parts, leader: u.before } })),
  chart,
  seats: (u) =>
    fetched(
      api.PUT('/api/pieces/{id}/parts/{part}/players', {
        params: { path: { id: u.piece, part: u.part } },
        body: { players: u.before },
      }),
    ),
}

/** Takes an act back. */
export const runUndo = (undo: Undo): Promise<unknown> => (undoers[undo.kind] as (u: Undo) => Promise<unknown>)(undo)
