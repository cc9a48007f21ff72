import type { Schemas } from '../../api/client'

/** What a director asks of a list of scales. */
export interface ScaleWish {
  instrument: string
  kinds: string[]
  tonics: string[]
  octaves: number | undefined
  up: number
  rhythm: string
  slurring: string
  signs: string
  fingerings: string
  positions: string
  level: string
}

/** The words of the query that are not scales. */
const style = (w: ScaleWish) => ({
  pitch: 'concert',
  rhythm: w.rhythm,
  slurring: w.slurring,
  signs: w.signs,
  fingerings: w.fingerings,
  ...(w.instrument === 'contrabass' && w.positions ? { positions: w.positions } : {}),
  ...(w.level ? { level: w.level } : {}),
})

/** Where the music of the list is to be had; null while nothing is chosen. */
export function listUrl(w: ScaleWish): string | null {
  if (!w.instrument || w.kinds.length === 0 || w.tonics.length === 0) return null
  const query = new URLSearchParams({
    instrument: w.instrument,
    kinds: w.kinds.join(','),
    tonics: w.tonics.join(','),
    ...(w.octaves ? { octaves: String(w.octaves) } : {}),
    ...(w.up ? { up: String(w.up) } : {}),
    ...style(w),
  })
  return `/api/scales/list.musicxml?${query}`
}

/** The list as it is kept on the shelf: every kind on every tonic. */
export const listBody = (w: ScaleWish): Schemas['ScaleListRequest'] => ({
  instrument: w.instrument,
  scales: w.kinds.flatMap((kind) => w.tonics.map((tonic) => ({ kind, tonic, octaves: w.octaves ?? null }))),
  positions: null,
  level: null,
  title: null,
  up: w.up || null,
  ...style(w),
})

/** The first keys of the usual order that the instrument has an octave of at the level. */
export const proposed = (all: readonly Schemas['KeyView'][], count: number) =>
  all
    .filter((k) => k.octaves > 0 && !k.wider)
    .slice(0, count)
    .map((k) => k.tonic)
