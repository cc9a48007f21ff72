/** Something to flag in the engraved music: its number in the list and the notes it speaks of. */
export interface Flagged {
  id: string
  number: number
  notes: readonly string[]
  label: string
}

export interface Box {
  left: number
  top: number
  width: number
  height: number
}

export interface PlacedFlag extends Flagged {
  /** Pixels from the top of the page. */
  y: number
  bands: Box[]
}

/** Bands behind the notes and one flag each in the margin; flags that would overlap move down. */
export function placeFlags(flags: readonly Flagged[], boxOf: (note: string) => Box | null, height = 20): PlacedFlag[] {
  const placed: PlacedFlag[] = []
  for (const flag of flags) {
    const boxes = flag.notes.map(boxOf).filter((b) => b !== null)
    if (boxes.length === 0) continue
    placed.push({ ...flag, y: Math.min(...boxes.map((b) => b.top)), bands: joinBoxes(boxes) })
  }
  placed.sort((a, b) => a.y - b.y || a.number - b.number)
  for (let i = 1; i < placed.length; i++) placed[i]!.y = Math.max(placed[i]!.y, placed[i - 1]!.y + height)
  return placed
}

/** Boxes on the same line that stand close together become one band. */
export function joinBoxes(boxes: readonly Box[], near = 60): Box[] {
  const out: Box[] = []
  for (const b of [...boxes].sort((a, c) => a.top - c.top || a.left - c.left)) {
    const last = out.find(
      (o) => Math.abs(o.top - b.top) < 40 && b.left <= o.left + o.width + near && b.left >= o.left - near,
    )
    if (!last) {
      out.push({ ...b })
      continue
    }
    const right = Math.max(last.left + last.width, b.left + b.width)
    const bottom = Math.max(last.top + last.height, b.top + b.height)
    last.left = Math.min(last.left, b.left)
    last.top = Math.min(last.top, b.top)
    last.width = right - last.left
    last.height = bottom - last.top
  }
  return out
}
