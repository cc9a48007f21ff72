const clearance = 2

interface Rect {
  left: number
  right: number
  top: number
  bottom: number
}

const obstacles = 'g.note, g.slur, g.dynam, g.tempo, g.dir, g.artic, g.fermata, g.trill'

/** Share of a word's box that is empty above and below its letters. */
const emptyAbove = 0.28
const emptyBelow = 0.18

/** Moves measure numbers and rehearsal marks of a drawing up until they touch no note, slur or sign; never off the drawing. */
export function clearNumbers(page: HTMLElement) {
  for (const system of page.querySelectorAll<SVGGElement>('g.system')) {
    const marks = [...system.querySelectorAll<SVGGElement>('g.reh')]
    const numbers = [...system.querySelectorAll<SVGGElement>('g.mNum')]
    if (numbers.length + marks.length === 0) continue
    const highest = (system.ownerSVGElement ?? page).getBoundingClientRect().top
    const others = [...system.querySelectorAll(obstacles)].map(inkOf)
    for (const mark of marks) lift(mark, others, highest)
    const all = [...others, ...marks.map(inkOf)]
    for (const number of numbers) lift(number, all, highest)
  }
}

// Words stand in a box that is taller than their letters.
function inkOf(e: Element): Rect {
  const r = e.getBoundingClientRect()
  if (!e.querySelector('text')) return r
  return { left: r.left, right: r.right, top: r.top + r.height * emptyAbove, bottom: r.bottom - r.height * emptyBelow }
}

function lift(mark: SVGGElement, others: readonly Rect[], highest: number) {
  mark.removeAttribute('transform')
  const at = inkOf(mark)
  if (at.bottom <= at.top) return
  const up = Math.min(liftOf(at, others), at.top - highest - clearance)
  if (up <= 0) return
  const matrix = mark.getScreenCTM()
  mark.setAttribute('transform', `translate(0 ${-up / (matrix?.a || 1)})`)
}

/** How far a number has to go up in pixels so that it stands clear. */
export function liftOf(number: Rect, others: readonly Rect[]): number {
  let top = number.top
  const height = number.bottom - number.top
  // Each step clears what is hit now and may hit what stands above it.
  for (let i = 0; i < others.length; i++) {
    const hit = others.filter(
      (o) =>
        o.left < number.right + clearance &&
        o.right > number.left - clearance &&
        o.top < top + height + clearance &&
        o.bottom > top - clearance,
    )
    if (hit.length === 0) break
    const next = Math.min(...hit.map((o) => o.top)) - height - clearance
    if (next >= top) break
    top = next
  }
  return number.top - top
}
