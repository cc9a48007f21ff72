import { api, take, type Schemas } from '../api/client'

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
  takenBack: { passage: number }
  passageEdited: { passage: number; before: PassageBody }
  pathChanged: { passage: number; before: string[][] | null }
  logged: { entry: number }
  logRemoved: { entry: number }
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
  return (await take(api.GET('/api/passages/{passage}', { params: { path: { passage } } }))).version
}

async function ensemble() {
  return take(api.GET('/api/ensemble'))
}

async function review(u: Undoable['reviewed']) {
  for (const b of u.before) {
    const params = { path: { id: u.piece, finding: b.finding } }
    if (b.state === null) await take(api.DELETE('/api/pieces/{id}/study/{finding}/review', { params }))
    else
      await take(
        api.PUT('/api/pieces/{id}/study/{finding}/review', { params, body: { state: b.state, words: b.words } }),
      )
  }
}

const chart = ({ instrument, written, code, before }: Undoable['chart']) =>
  before
    ? take(api.PUT('/api/charts/{instrument}/corrections', { params: { path: { instrument } }, body: before }))
    : take(
        api.DELETE('/api/charts/{instrument}/corrections/{written}/{code}', {
          params: { path: { instrument, written, code } },
        }),
      )

/** How each act is taken back. */
const undoers: { [K in keyof Undoable]: (u: Undoable[K]) => Promise<unknown> } = {
  decisions: (u) =>
    take(api.DELETE('/api/pieces/{id}/decisions/acts/{act}', { params: { path: { id: u.piece, act: u.act } } })),
  dismissed: (u) =>
    take(
      api.DELETE('/api/pieces/{id}/study/{finding}/dismissal', {
        params: { path: { id: u.piece, finding: u.finding } },
      }),
    ),
  recalled: (u) =>
    take(
      api.PUT('/api/pieces/{id}/study/{finding}/dismissal', {
        params: { path: { id: u.piece, finding: u.finding }, query: { scope: u.scope } },
      }),
    ),
  reviewed: review,
  handedOut: (u) => take(api.DELETE('/api/passages/{passage}', { params: { path: { passage: u.passage } } })),
  takenBack: (u) => take(api.POST('/api/passages/{passage}/restore', { params: { path: { passage: u.passage } } })),
  passageEdited: async (u) =>
    take(
      api.PUT('/api/passages/{passage}', {
        params: { path: { passage: u.passage } },
        body: { ...u.before, version: await versionOf(u.passage) },
      }),
    ),
  pathChanged: async (u) => {
    const params = { path: { passage: u.passage } }
    const { version } = await take(api.GET('/api/passages/{passage}/path', { params }))
    return take(api.PUT('/api/passages/{passage}/path', { params, body: { steps: u.before, version } }))
  },
  logged: (u) => take(api.DELETE('/api/log/{entry}', { params: { path: { entry: u.entry } } })),
  logRemoved: (u) => take(api.POST('/api/log/{entry}/restore', { params: { path: { entry: u.entry } } })),
  joined: (u) => take(api.POST('/api/ensemble/leave', people(u))),
  left: (u) => take(api.POST('/api/ensemble/return', people(u))),
  playerEdited: async (u) => {
    const now = (await ensemble()).flatMap((s) => s.players).find((p) => p.id === u.player)
    return take(
      api.PUT('/api/ensemble/players/{player}', {
        params: { path: { player: u.player } },
        body: { ...u.before, version: now?.version ?? 0 },
      }),
    )
  },
  sectionRenamed: async (u) => {
    const now = (await ensemble()).find((s) => s.id === u.section)
    return take(
      api.PUT('/api/ensemble/sections/{section}', {
        params: { path: { section: u.section } },
        body: { name: u.before, version: now?.version ?? 0 },
      }),
    )
  },
  ruleChosen: (u) =>
    take(api.PUT('/api/house-rules/{rule}', { params: { path: { rule: u.rule } }, body: { choice: u.before } })),
  pieceRemoved: (u) => take(api.POST('/api/pieces/{id}/restore', at(u.piece))),
  pieceEdited: async (u) => {
    const now = (await take(api.GET('/api/pieces'))).find((p) => p.id === u.piece)
    return take(api.PUT('/api/pieces/{id}', { ...at(u.piece), body: { ...u.before, version: now?.version ?? 0 } }))
  },
  instrument: (u) =>
    take(
      api.PUT('/api/pieces/{id}/parts/{part}/instrument', {
        params: { path: { id: u.piece, part: u.part } },
        body: { instrument: u.before },
      }),
    ),
  leader: (u) =>
    take(api.PUT('/api/pieces/{id}/lines/leader', { ...at(u.piece), body: { parts: u.parts, leader: u.before } })),
  chart,
  seats: (u) =>
    take(
      api.PUT('/api/pieces/{id}/parts/{part}/players', {
        params: { path: { id: u.piece, part: u.part } },
        body: { players: u.before },
      }),
    ),
}

/** Takes an act back. */
export const runUndo = (undo: Undo): Promise<unknown> => (undoers[undo.kind] as (u: Undo) => Promise<unknown>)(undo)
