export interface Drawn {
  points: { x: number; y: number }[]
  goalY: number
  line: { x1: number; y1: number; x2: number; y2: number } | null
}

const [left, right, top, bottom] = [6, 106, 5, 36]

/** Places of the entries, the goal and the line to the date in a drawing of 110 × 40. */
export function forecastPoints(
  entries: readonly { day: string; quarter: number }[],
  goal: number,
  due: string,
  atDate: number | null,
): Drawn {
  const days = entries.map((e) => Date.parse(e.day) / 86_400_000)
  const last = Date.parse(due) / 86_400_000
  const first = Math.min(last - 1, ...days)
  const values = [...entries.map((e) => e.quarter), goal, ...(atDate === null ? [] : [atDate])]
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const x = (day: number) => Math.min(right, left + ((right - left) * (day - first)) / (last - first))
  const y = (value: number) => (high === low ? top : bottom - ((bottom - top) * (value - low)) / (high - low))
  const points = entries.map((e, i) => ({ x: x(days[i]!), y: y(e.quarter) })).sort((a, b) => a.x - b.x)
  const start = points[0]
  return {
    points,
    goalY: y(goal),
    line: atDate === null || !start ? null : { x1: start.x, y1: start.y, x2: right, y2: y(atDate) },
  }
}
