import type { Line, Piece, Schemas, Section } from '../../api/client'

/** Parts that go together under a name. */
export interface PartOption {
  words: string
  parts: readonly string[]
}
export interface PartGroup {
  title: string
  none: string
  options: PartOption[]
}

const relations: Record<string, string> = { unison: 'unison', octave: 'octaves', 'same-rhythm': 'the same rhythm' }

/** Sections of the ensemble with the parts that their players have, and lines of the measures shown. */
export function partGroups(
  piece: Piece,
  sections: readonly Section[],
  seats: readonly Schemas['SeatsView'][],
  lines: readonly Line[],
  range: { from: number; to: number },
): PartGroup[] {
  const name = (id: string) => piece.parts.find((p) => p.id === id)?.name || id
  const bySection = sections
    .map((s) => {
      const own = new Set(s.players.map((p) => p.id))
      return { words: s.name, parts: seats.filter((x) => x.players.some((p) => own.has(p.player))).map((x) => x.part) }
    })
    .filter((o) => o.parts.length > 0)
  const here = lines.filter((l) => l.relation !== 'return' && l.toIndex >= range.from && l.fromIndex <= range.to)
  const byLine = new Map<string, PartOption>()
  for (const l of here) {
    const key = [...l.parts].sort().join()
    if (!byLine.has(key))
      byLine.set(key, {
        words: `${l.parts.map(name).join(', ')}: ${relations[l.relation] ?? l.relation}`,
        parts: l.parts,
      })
  }
  return [
    { title: 'By section', none: 'Nobody is seated at these parts yet.', options: bySection },
    { title: 'By line in these measures', none: 'No two parts share a line here.', options: [...byLine.values()] },
  ]
}
