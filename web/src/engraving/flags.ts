/** Something to flag in the engraved music: its number in the list and the notes it speaks of. */
export interface Flagged {
  id: string
  number: number
  notes: readonly string[]
  label: string
  /** What is proposed to be written over the first of the notes; drawn in plum, apart from what is printed. */
  sign?: string
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
  /** Where the proposed sign stands: middle and lower edge. */
  signAt: { x: number; y: number } | null
}

/** Bands behind the notes and one flag each in the margin; flags that would overlap move down. */
export function placeFlags(flags: readonly Flagged[], boxOf: (note: string) => Box | null, height = 20): PlacedFlag[] {
  const placed: PlacedFlag[] = []
  for (const flag of flags) {
    const boxes = flag.notes.map(boxOf).filter((b) => b !== null)
    if (boxes.length === 0) continue
    const first = boxes[0]!
    placed.push({
      ...flag,
      y: Math.min(...boxes.map((b) => b.top)),
      bands: flag.number > 0 ? joinBoxes(boxes) : [],
      signAt: flag.sign ? { x: first.left + first.width / 2, y: first.top } : null,
    })
  }
  placed.sort((a, b) => a.y - b.y || a.number - b.number)
  // Signs without a number have no flag in the margin.
  const numbered = placed.filter((f) => f.number > 0)
  for (let i = 1; i < numbered.length; i++) numbered[i]!.y = Math.max(numbered[i]!.y, numbered[i - 1]!.y + height)
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
