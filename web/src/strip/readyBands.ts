import type { Schemas } from '../api/client'
import type { Band } from './bands'

const ready = 0.8
/** A shape for each state, as in the lists: never colour alone. */
const shapes = { ready: '●', late: '▼', unknown: '?' }

/** The shape of a passage: that of its least sure section. */
export function shapeOf(sections: readonly Pick<Schemas['SectionChanceView'], 'chance'>[]): string {
  const told = sections.map((s) => s.chance).filter((c): c is number => c !== null && c !== undefined)
  if (told.length === 0) return shapes.unknown
  return Math.min(...told) >= ready ? shapes.ready : shapes.late
}

/** Passages on the strip, each with the shape of its readiness. */
export const readyBands = (passages: readonly Schemas['PassageReadinessView'][]): Band[] =>
  passages
    .filter((p) => p.passage.placed)
    .flatMap((p) =>
      p.passage.parts.map((part) => ({
        part,
        from: p.passage.fromIndex,
        to: p.passage.toIndex,
        letter: shapeOf(p.sections),
        loose: false,
      })),
    )
