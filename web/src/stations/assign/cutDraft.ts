import type { Schemas } from '../../api/client'

/** A proposed passage as the director shapes it; measures from 0. */
export interface CutPiece {
  key: string
  parts: string[]
  from: number
  to: number
  minutes: number
  heat: number
  why: string
  same: string[]
  sections: string[]
  players: number
  /** False when it is dropped. */
  kept: boolean
}

let made = 0
const fresh = () => `cut ${++made}`

/** What the server proposes, ready to be shaped. */
export const piecesOf = (views: readonly Schemas['CutView'][]): CutPiece[] =>
  views.map((v) => ({
    key: fresh(),
    parts: [...v.parts],
    from: v.fromIndex,
    to: v.toIndex,
    minutes: v.minutes,
    heat: v.heat,
    why: v.why,
    same: v.same.map((r) => (r.from === r.to ? r.from : `${r.from}–${r.to}`)),
    sections: [...v.sections],
    players: v.players,
    kept: true,
  }))

const sameParts = (a: CutPiece, b: CutPiece) => a.parts.join() === b.parts.join()
const length = (p: CutPiece) => p.to - p.from + 1

/** Minutes go along with the measures. */
const resized = (p: CutPiece, from: number, to: number): CutPiece => ({
  ...p,
  from,
  to,
  minutes: Math.max(1, Math.round((p.minutes * (to - from + 1)) / length(p))),
})

const shares = (a: CutPiece, b: CutPiece) => a.parts.some((p) => b.parts.includes(p))

/** Passages that go on where one ends, for some of its parts. */
export const followers = (pieces: readonly CutPiece[], p: CutPiece) =>
  pieces.filter((x) => x !== p && x.from === p.to + 1 && shares(x, p))

/** The passage of the same parts that follows one, or undefined. */
export const after = (pieces: readonly CutPiece[], p: CutPiece) =>
  pieces.find((x) => x !== p && sameParts(x, p) && x.from > p.from && x.from <= p.to + 1)

/** Moves the end of a passage; those that go on from it begin where it ends. */
export function moveEnd(pieces: readonly CutPiece[], key: string, to: number): CutPiece[] {
  const p = pieces.find((x) => x.key === key)
  if (!p) return [...pieces]
  const next = followers(pieces, p)
  const last = Math.min(...next.map((n) => n.to - 1), next.length ? Infinity : to)
  const end = Math.max(p.from, Math.min(to, last))
  return pieces.map((x) => {
    if (x === p) return resized(p, p.from, end)
    return next.includes(x) ? resized(x, end + 1, x.to) : x
  })
}

/** Joins a passage with the one that follows it. */
export function join(pieces: readonly CutPiece[], key: string): CutPiece[] {
  const p = pieces.find((x) => x.key === key)
  const next = p && after(pieces, p)
  if (!p || !next) return [...pieces]
  const whole = length(p) + length(next)
  const joined: CutPiece = {
    ...p,
    to: next.to,
    minutes: p.minutes + next.minutes,
    heat: (p.heat * length(p) + next.heat * length(next)) / whole,
    same: [...p.same, ...next.same],
  }
  return pieces.filter((x) => x !== next).map((x) => (x === p ? joined : x))
}

/** Splits a passage before a measure. */
export function split(pieces: readonly CutPiece[], key: string, before: number): CutPiece[] {
  const p = pieces.find((x) => x.key === key)
  if (!p || before <= p.from || before > p.to) return [...pieces]
  const second = { ...resized(p, before, p.to), key: fresh(), same: [] }
  return pieces.flatMap((x) => (x === p ? [resized(p, p.from, before - 1), second] : [x]))
}

/** Drops a passage, or takes it in again. */
export const toggle = (pieces: readonly CutPiece[], key: string): CutPiece[] =>
  pieces.map((x) => (x.key === key ? { ...x, kept: !x.kept } : x))
