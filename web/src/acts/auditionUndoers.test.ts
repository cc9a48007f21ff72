import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ofAuditions } from './auditionUndoers'

interface Call {
  method: string
  path: string
  options: { params?: { path: Record<string, unknown> }; body?: Record<string, unknown> }
}
const spoken = vi.hoisted(() => ({ calls: [] as Call[], answers: {} as Record<string, unknown> }))
vi.mock('../api/client', () => {
  const ask = (method: string) => (path: string, options: Call['options']) => {
    spoken.calls.push({ method, path, options })
    return Promise.resolve(spoken.answers[`${method} ${path}`] ?? {})
  }
  return {
    api: { GET: ask('GET'), POST: ask('POST'), PUT: ask('PUT'), DELETE: ask('DELETE') },
    fetched: (answer: Promise<unknown>) => answer,
  }
})

const last = () => spoken.calls.at(-1)!

describe('the way back of an audition', () => {
  beforeEach(() => {
    spoken.calls.length = 0
    spoken.answers = {
      'GET /api/auditions/{set}': { version: 7, entries: [{ id: 4, version: 3 }] },
      'GET /api/auditions/{set}/matters': [{ name: 'graces', answer: 'on-beat' }],
      'GET /api/mocks/{mock}': {
        seats: [{ sheets: [{ listener: 2, version: 5 }] }, { sheets: [] }],
      },
    }
  })

  it('takes a set back that was made, and brings one back that was removed', async () => {
    await ofAuditions.setMade({ set: 2 })
    expect([last().method, last().path]).toEqual(['DELETE', '/api/auditions/{set}'])
    await ofAuditions.setRemoved({ set: 2 })
    expect(last().path).toBe('/api/auditions/{set}/restore')
  })

  it('writes name, rounds and candidates over the version that stands now', async () => {
    await ofAuditions.setEdited({ set: 2, before: { name: 'Hill', rounds: [], version: null } })
    expect(last().options.body).toEqual({ name: 'Hill', rounds: [], version: 7 })
    await ofAuditions.candidates({ set: 2, before: [{ player: 1, instrument: 'flute' }] })
    expect(last().options.body!.version).toBe(7)
  })

  it('writes a piece over its own version', async () => {
    const before = { instrument: 'flute', kind: 'lyrical' } as Parameters<typeof ofAuditions.auditionPiece>[0]['before']
    await ofAuditions.auditionPiece({ set: 2, entry: 4, before })
    expect(last().options.body!.version).toBe(3)
    await ofAuditions.auditionPiece({ set: 2, entry: 99, before })
    expect(last().options.body!.version).toBe(0)
  })

  it('takes out what came in, and puts in what went out', async () => {
    await ofAuditions.auditionPieceIn({ set: 2, entry: 4 })
    expect(last().method).toBe('DELETE')
    await ofAuditions.auditionPieceOut({ set: 2, entry: 4 })
    expect(last().path).toContain('/restore')
    await ofAuditions.pieceAdded({ piece: 9 })
    expect([last().method, last().options.params!.path.id]).toEqual(['DELETE', 9])
  })

  it('opens a matter again, or gives the answer before back on what stands', async () => {
    await ofAuditions.answered({ set: 2, matter: 'graces', before: null })
    expect(last().method).toBe('DELETE')
    await ofAuditions.answered({ set: 2, matter: 'graces', before: 'before' })
    expect(last().options.body).toEqual({ answer: 'before', seen: 'on-beat' })
    await ofAuditions.answered({ set: 2, matter: 'vibrato', before: 'none' })
    expect(last().options.body).toEqual({ answer: 'none', seen: null })
  })

  it('gives a listener the marks back that stood before', async () => {
    await ofAuditions.mockMarked({ mock: 1, number: 1, listener: 2, before: { notes: 3 }, note: 'even' })
    expect(last().options.body).toEqual({ marks: { notes: 3 }, note: 'even', version: 5 })
    await ofAuditions.mockMarked({ mock: 1, number: 2, listener: 1, before: {}, note: '' })
    expect(last().options.body!.version).toBe(0)
    await ofAuditions.mockHeld({ mock: 1 })
    expect(last().method).toBe('DELETE')
    await ofAuditions.mockRemoved({ mock: 1 })
    expect(last().path).toBe('/api/mocks/{mock}/restore')
  })
})
