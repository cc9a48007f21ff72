import type { Piece } from '../../api/client'

/** The key of each measure as some parts read it; the concert key where they read different ones, or where concert is asked for. */
export function keysOf(piece: Piece, parts: readonly string[], concert: boolean): { keys: string[]; concert: boolean } {
  const sounding = piece.frames.map((f) => f.key)
  const read = piece.parts.filter((p) => parts.includes(p.id)).map((p) => p.keys)
  const [first, ...others] = read
  if (concert || !first) return { keys: sounding, concert: true }
  const own = spread(first, sounding.length)
  const isOne = others.every((k) => spread(k, sounding.length).join() === own.join())
  return isOne ? { keys: own, concert: own.join() === sounding.join() } : { keys: sounding, concert: true }
}

/** True where a part of these reads other notes than it sounds. */
export const transposes = (piece: Piece, parts: readonly string[]) =>
  piece.parts.some((p) => parts.includes(p.id) && p.transpose % 12 !== 0)

function spread(changes: readonly { from: number; key: string }[], measures: number): string[] {
  return Array.from({ length: measures }, (_, m) => changes.findLast((c) => c.from <= m)?.key ?? '')
}

/** The key in words at the first measure that is shown: of a part that transposes its own, told apart from the concert key. */
export function keyWords(of: { keys: readonly string[]; concert: boolean }, piece: Piece, shown: Range): string {
  const key = of.keys[shown.from]
  if (!key) return ''
  return of.concert && transposes(piece, shown.parts) ? `${key} in concert` : key
}
interface Range {
  parts: readonly string[]
  from: number
}
