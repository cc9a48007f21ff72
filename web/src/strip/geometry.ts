/** Sizes of the strip in CSS pixels. */
export const names = 118
export const head = 26
const leastCell = 3
const mostCell = 60

export interface View {
  /** Width of a measure. */
  cell: number
  /** Height of a part. */
  row: number
  /** First visible pixel of the measures. */
  x: number
  /** First visible pixel of the parts. */
  y: number
}

export interface Cell {
  part: number
  measure: number
}

/** Row height for a number of parts: readable names, and the whole of a band when it fits. */
export const rowHeight = (parts: number) => Math.min(24, Math.max(11, Math.floor(170 / Math.max(1, parts))))

/** The view that shows all measures in a width. */
export function fit(width: number, measures: number, parts: number): View {
  return { cell: bound((width - names) / Math.max(1, measures)), row: rowHeight(parts), x: 0, y: 0 }
}

/** The cell under a point, or null in the margins. */
export function cellAt(view: View, px: number, py: number, parts: number, measures: number): Cell | null {
  if (px < names || py < head) return null
  const measure = Math.floor((px - names + view.x) / view.cell)
  const part = Math.floor((py - head + view.y) / view.row)
  return measure < measures && part < parts ? { part, measure } : null
}

/** The part whose name is under a point, or null. */
export function nameAt(view: View, px: number, py: number, parts: number): number | null {
  if (px >= names || py < head) return null
  const part = Math.floor((py - head + view.y) / view.row)
  return part < parts ? part : null
}

/** The nearest cell to a point: a drag may leave the strip. */
export function nearestCell(view: View, px: number, py: number, parts: number, measures: number): Cell {
  const measure = Math.floor((px - names + view.x) / view.cell)
  const part = Math.floor((py - head + view.y) / view.row)
  return { part: Math.min(Math.max(0, part), parts - 1), measure: Math.min(Math.max(0, measure), measures - 1) }
}

/** Zooms around a point, which stays where it is. */
export function zoom(view: View, factor: number, px: number, width: number, measures: number): View {
  const least = Math.min(bound((width - names) / Math.max(1, measures)), mostCell)
  const cell = Math.min(mostCell, Math.max(least, view.cell * factor))
  const at = (px - names + view.x) / view.cell
  return pan({ ...view, cell }, at * cell - (px - names) - view.x, width, measures)
}

/** Moves the view sideways, inside the score. */
export function pan(view: View, by: number, width: number, measures: number): View {
  const most = Math.max(0, measures * view.cell - (width - names))
  return { ...view, x: Math.min(Math.max(0, view.x + by), most) }
}

/** Moves the view so that measures can be seen. */
export function reveal(view: View, from: number, to: number, width: number, measures: number): View {
  const [left, right] = [from * view.cell, (to + 1) * view.cell]
  if (left < view.x) return pan(view, left - view.x, width, measures)
  if (right > view.x + width - names)
    return pan(view, Math.min(left - view.x, right - view.x - (width - names)), width, measures)
  return view
}

/** Step of the heat scale, 0 to 4. */
export const heatStep = (heat: number) => (heat <= 0 ? 0 : Math.min(4, 1 + Math.floor(heat * 5.7)))

const bound = (cell: number) => Math.min(mostCell, Math.max(leastCell, cell))
