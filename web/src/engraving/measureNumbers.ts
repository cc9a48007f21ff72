const clearance = 2

interface Rect {
  left: number
  right: number
  top: number
  bottom: number
}

const obstacles = 'g.note, g.slur, g.dynam, g.tempo, g.dir, g.artic, g.fermata, g.trill'

/** Moves measure numbers and rehearsal marks of a drawing up until they touch no note, slur or sign. */
export function clearNumbers(page: HTMLElement) {
  for (const system of page.querySelectorAll<SVGGElement>('g.system')) {
    const marks = [...system.querySelectorAll<SVGGElement>('g.reh')]
    const numbers = [...system.querySelectorAll<SVGGElement>('g.mNum')]
    if (numbers.length + marks.length === 0) continue
    const others = [...system.querySelectorAll(obstacles)].map((e) => e.getBoundingClientRect())
    for (const mark of marks) lift(mark, others)
    const all = [...others, ...marks.map((m) => m.getBoundingClientRect())]
    for (const number of numbers) lift(number, all)
  }
}

function lift(number: SVGGElement, others: readonly Rect[]) {
  number.removeAttribute('transform')
  const at = number.getBoundingClientRect()
  if (at.height === 0) return
  const up = liftOf(at, others)
  if (up === 0) return
  const matrix = number.getScreenCTM()
  number.setAttribute('transform', `translate(0 ${-up / (matrix?.a || 1)})`)
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
