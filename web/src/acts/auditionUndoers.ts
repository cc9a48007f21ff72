import { api, fetched } from '../api/client'
import type { Undoable } from './undoers'

const set = (id: number) => ({ params: { path: { set: id } } })
const entry = (u: { set: number; entry: number }) => ({ params: { path: { set: u.set, entry: u.entry } } })
const mock = (id: number) => ({ params: { path: { mock: id } } })

type Auditions =
  | 'setMade'
  | 'setRemoved'
  | 'setEdited'
  | 'pieceAdded'
  | 'auditionPiece'
  | 'auditionPieceIn'
  | 'auditionPieceOut'
  | 'candidates'
  | 'answered'
  | 'mockHeld'
  | 'mockRemoved'
  | 'mockMarked'

/** How acts on audition sets are taken back. */
export const ofAuditions: { [K in Auditions]: (u: Undoable[K]) => Promise<unknown> } = {
  setMade: (u) => fetched(api.DELETE('/api/auditions/{set}', set(u.set))),
  setRemoved: (u) => fetched(api.POST('/api/auditions/{set}/restore', set(u.set))),
  setEdited: async (u) => {
    const { version } = await fetched(api.GET('/api/auditions/{set}', set(u.set)))
    return fetched(api.PUT('/api/auditions/{set}', { ...set(u.set), body: { ...u.before, version } }))
  },
  pieceAdded: (u) => fetched(api.DELETE('/api/pieces/{id}', { params: { path: { id: u.piece } } })),
  auditionPiece: async (u) => {
    const now = (await fetched(api.GET('/api/auditions/{set}', set(u.set)))).entries.find((e) => e.id === u.entry)
    return fetched(
      api.PUT('/api/auditions/{set}/entries/{entry}', {
        ...entry(u),
        body: { ...u.before, version: now?.version ?? 0 },
      }),
    )
  },
  auditionPieceIn: (u) => fetched(api.DELETE('/api/auditions/{set}/entries/{entry}', entry(u))),
  auditionPieceOut: (u) => fetched(api.POST('/api/auditions/{set}/entries/{entry}/restore', entry(u))),
  candidates: async (u) => {
    const { version } = await fetched(api.GET('/api/auditions/{set}', set(u.set)))
    return fetched(
      api.PUT('/api/auditions/{set}/candidates', { ...set(u.set), body: { candidates: u.before, version } }),
    )
  },
  answered: async (u) => {
    const params = { path: { set: u.set, matter: u.matter } }
    if (u.before === null) return fetched(api.DELETE('/api/auditions/{set}/matters/{matter}', { params }))
    const now = (await fetched(api.GET('/api/auditions/{set}/matters', set(u.set)))).find((m) => m.name === u.matter)
    const body = { answer: u.before, seen: now?.answer ?? null }
    return fetched(api.POST('/api/auditions/{set}/matters/{matter}', { params, body }))
  },
  mockHeld: (u) => fetched(api.DELETE('/api/mocks/{mock}', mock(u.mock))),
  mockRemoved: (u) => fetched(api.POST('/api/mocks/{mock}/restore', mock(u.mock))),
  mockMarked: async (u) => {
    const now = await fetched(api.GET('/api/mocks/{mock}', mock(u.mock)))
    const sheet = now.seats[u.number - 1]?.sheets.find((s) => s.listener === u.listener)
    return fetched(
      api.PUT('/api/mocks/{mock}/marks/{number}/{listener}', {
        params: { path: { mock: u.mock, number: u.number, listener: u.listener } },
        body: { marks: u.before, note: u.note, version: sheet?.version ?? 0 },
      }),
    )
  },
}
