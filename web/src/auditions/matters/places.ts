import type { Matter } from '../queries'

type Place = Matter['places'][number]

/** Places of a matter piece by piece, in the order in which they came. */
export function placesByPiece(places: readonly Place[]): { piece: number; title: string; places: Place[] }[] {
  const groups = new Map<number, { piece: number; title: string; places: Place[] }>()
  for (const p of places) {
    const group = groups.get(p.piece) ?? { piece: p.piece, title: p.title, places: [] }
    group.places.push(p)
    groups.set(p.piece, group)
  }
  return [...groups.values()]
}
