import type { Selection } from '../../selection'

/** How much is engraved at once: beyond this a page takes seconds and nobody reads it. */
const mostCells = 96
const mostParts = 10
const mostMeasures = 32

export interface Shown extends Selection {
  /** True when the selection is larger than what is shown. */
  cut: boolean
  /** All of it: what is played, and what its tempo is worked out for. */
  whole: Selection
}

/** The part of the selection that is engraved; without a selection the first part's beginning. */
export function shownRange(selection: Selection | null, partIds: readonly string[], measures: number): Shown {
  if (!selection) {
    const start = { parts: partIds.slice(0, 1), from: 0, to: Math.min(11, measures - 1) }
    return { ...start, cut: false, whole: start }
  }
  const parts = selection.parts.slice(0, mostParts)
  const length = Math.min(
    selection.to - selection.from + 1,
    mostMeasures,
    Math.max(1, Math.floor(mostCells / parts.length)),
  )
  const to = selection.from + length - 1
  return {
    parts,
    from: selection.from,
    to,
    cut: parts.length < selection.parts.length || to < selection.to,
    whole: selection,
  }
}
