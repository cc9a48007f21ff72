import { heatSteps, palette } from '../theme'
import type { Selection } from '../selection'
import type { Band } from './bands'
import { head, heatStep, names, type View } from './geometry'

export interface StripData {
  parts: { id: string; name: string }[]
  labels: readonly string[]
  rehearsals: readonly (string | null)[]
  keys: readonly string[]
  heat: ReadonlyMap<string, readonly number[]>
  /** Open differences and decisions: "part:measure". */
  open: ReadonlySet<string>
  settled: ReadonlySet<string>
  /** Who goes with whom; empty where the station does not show it. */
  bands: readonly Band[]
}

/** Draws what can be seen of the strip: names, numbers, heat, ticks and dots, the selection. */
export function drawStrip(
  g: CanvasRenderingContext2D,
  w: number,
  h: number,
  view: View,
  data: StripData,
  selection: Selection | null,
) {
  g.clearRect(0, 0, w, h)
  g.fillStyle = palette.card
  g.fillRect(0, 0, w, h)
  const first = Math.max(0, Math.floor(view.x / view.cell))
  const last = Math.min(data.labels.length - 1, Math.ceil((view.x + w - names) / view.cell))
  const top = Math.max(0, Math.floor(view.y / view.row))
  const bottom = Math.min(data.parts.length - 1, Math.ceil((view.y + h - head) / view.row))
  g.save()
  g.beginPath()
  g.rect(names, head, w - names, h - head)
  g.clip()
  for (let p = top; p <= bottom; p++) for (let m = first; m <= last; m++) drawCell(g, view, data, p, m)
  for (const b of data.bands) drawBand(g, view, data, b)
  if (selection) drawSelection(g, view, data, selection)
  g.restore()
  drawHead(g, w, view, data, first, last)
  drawNames(g, h, view, data, top, bottom, selection)
}

const xOf = (view: View, m: number) => names + m * view.cell - view.x
const yOf = (view: View, p: number) => head + p * view.row - view.y

function drawCell(g: CanvasRenderingContext2D, view: View, data: StripData, p: number, m: number) {
  const id = data.parts[p]!.id
  const [x, y] = [xOf(view, m), yOf(view, p)]
  const step = heatStep(data.heat.get(id)?.[m] ?? 0)
  const gap = view.cell > 6 ? 1 : 0
  g.fillStyle = heatSteps[step]!
  g.fillRect(x, y, view.cell - gap, view.row - 1)
  const key = `${id}:${m}`
  if (data.open.has(key)) {
    // A tick: a difference waits for a decision.
    g.strokeStyle = step > 2 ? palette.rosinLight : palette.rosin
    g.lineWidth = 1.8
    g.beginPath()
    g.moveTo(x + view.cell - gap - 1.5, y + 1.5)
    g.lineTo(x + Math.max(1, view.cell - gap - 5), y + Math.min(7, view.row - 3))
    g.stroke()
  } else if (data.settled.has(key)) {
    g.fillStyle = step > 2 ? palette.mossLight : palette.moss
    g.beginPath()
    g.arc(x + view.cell / 2 - gap / 2, y + view.row / 2 - 0.5, Math.min(2.4, view.cell / 3), 0, Math.PI * 2)
    g.fill()
  }
}

// A line under the cells with its letter; dashed where only the rhythm is shared.
function drawBand(g: CanvasRenderingContext2D, view: View, data: StripData, b: Band) {
  const p = data.parts.findIndex((x) => x.id === b.part)
  if (p < 0) return
  const [x, y] = [xOf(view, b.from), yOf(view, p) + view.row - 2.5]
  const width = (b.to - b.from + 1) * view.cell - 3
  g.strokeStyle = palette.slate
  g.lineWidth = 1.2
  g.setLineDash(b.loose ? [2, 2] : [])
  g.beginPath()
  g.moveTo(x, y)
  g.lineTo(x + width, y)
  g.stroke()
  g.setLineDash([])
  if (width < 7) return
  g.font = "600 9px 'Figtree Variable', sans-serif"
  g.fillStyle = palette.card
  g.fillRect(x, y - 7, 7, 7)
  g.fillStyle = palette.slate
  g.fillText(b.letter, x + 1, y - 1)
}

function drawSelection(g: CanvasRenderingContext2D, view: View, data: StripData, s: Selection) {
  const places = s.parts.map((p) => data.parts.findIndex((x) => x.id === p)).filter((p) => p >= 0)
  g.strokeStyle = palette.brass
  g.lineWidth = 2
  for (const [from, to] of runs(places)) {
    const [x, y] = [xOf(view, s.from), yOf(view, from)]
    g.strokeRect(x - 1, y - 0.5, (s.to - s.from + 1) * view.cell + 1, (to - from + 1) * view.row)
  }
}

/** Width of a cell in pixels to how many measures share a printed number. */
const labelEvery = [
  [22, 1],
  [9, 4],
  [5, 8],
  [0, 16],
] as const

function drawHead(g: CanvasRenderingContext2D, w: number, view: View, data: StripData, first: number, last: number) {
  g.fillStyle = palette.card
  g.fillRect(0, 0, w, head)
  g.textBaseline = 'alphabetic'
  const every = labelEvery.find(([least]) => view.cell >= least)![1]
  for (let m = first; m <= last; m++) {
    const x = xOf(view, m)
    if (x < names - view.cell) continue
    const rehearsal = data.rehearsals[m]
    const keyChanged = m > 0 && data.keys[m] !== data.keys[m - 1]
    if (rehearsal) {
      g.font = "600 11px 'Literata Variable', serif"
      g.fillStyle = palette.plum
      g.fillText(rehearsal, x + 1, 10)
    }
    if (m === 0 || keyChanged) {
      g.font = "10px 'Figtree Variable', sans-serif"
      g.fillStyle = palette.slate
      g.fillText(keySign(data.keys[m] ?? ''), x + (rehearsal ? 14 : 1), 10)
    }
    if (m % every === 0) {
      g.font = "10.5px 'Literata Variable', serif"
      g.fillStyle = palette.slate
      g.fillText(data.labels[m]!, x + 1, 22)
    }
  }
}

/** "2 flats" as it fits over a measure. */
export function keySign(words: string): string {
  const [count, kind] = words.split(' ')
  return kind === undefined || count === 'no' ? '♮' : `${count}${kind.startsWith('flat') ? '♭' : '♯'}`
}

function drawNames(
  g: CanvasRenderingContext2D,
  h: number,
  view: View,
  data: StripData,
  top: number,
  bottom: number,
  s: Selection | null,
) {
  g.fillStyle = palette.card
  g.fillRect(0, 0, names, h)
  g.font = `${view.row >= 13 ? 12 : 10.5}px 'Figtree Variable', sans-serif`
  g.textBaseline = 'middle'
  g.save()
  g.beginPath()
  g.rect(0, head, names - 4, h - head)
  g.clip()
  for (let p = top; p <= bottom; p++) {
    const part = data.parts[p]!
    g.fillStyle = s && s.parts.length < data.parts.length && s.parts.includes(part.id) ? palette.plum : palette.ink
    g.fillText(part.name || part.id, 8, yOf(view, p) + view.row / 2)
  }
  g.restore()
}

/** Neighbouring numbers as ranges. */
export function runs(places: readonly number[]): [number, number][] {
  const out: [number, number][] = []
  for (const p of [...places].sort((a, b) => a - b)) {
    const last = out[out.length - 1]
    if (last && p === last[1] + 1) last[1] = p
    else out.push([p, p])
  }
  return out
}
