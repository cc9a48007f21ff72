import type { SeasonItem } from './queries'
import { addDays, bandWords, mondayOf, workOf } from './weeks'

/** A passage of the plan by weeks: the tempos of its sessions. */
export interface PlanRow {
  key: string
  title: string
  measures: string
  who: string
  due: string
  cells: { tempos: string; sessions: number }[]
}

/** The Mondays from the first session to the last. */
export function mondaysOf(items: readonly SeasonItem[]): string[] {
  const days = items.flatMap((i) => i.sessions.map((s) => s.day)).sort()
  if (days.length === 0) return []
  const weeks: string[] = []
  for (let at = mondayOf(days[0]!); at <= days.at(-1)!; at = addDays(at, 7)) weeks.push(at)
  return weeks
}

/** The plan of a piece: a row for each passage and band, a column for each week. */
export function planRows(
  items: readonly SeasonItem[],
  mondays: readonly string[],
  nameOf: (section: number) => string,
): PlanRow[] {
  return items.map((i) => {
    const work = workOf([i], {})
    const who = i.sections.map(nameOf).join(', ')
    return {
      key: `${i.passage}/${i.band}`,
      title: i.title,
      measures: `${i.from}–${i.to}`,
      who: i.band === 'usual' ? who : `${who}: ${i.players.length} ${bandWords[i.band]}`,
      due: i.due,
      cells: mondays.map((m) => {
        const own = work.filter((w) => mondayOf(w.day) === m)
        const tempos = [...new Set(own.map((w) => w.tempo))]
        return {
          sessions: own.length,
          tempos: tempos.length > 1 ? `${tempos[0]} to ${tempos.at(-1)!.split('= ')[1]}` : (tempos[0] ?? ''),
        }
      }),
    }
  })
}
