import type { Entry, Figures } from '../queries'

export type Order = 'score' | 'hardest' | 'longest' | 'open'

export const orders: readonly { value: Order; label: string }[] = [
  { value: 'hardest', label: 'the hardest first' },
  { value: 'score', label: 'score order' },
  { value: 'longest', label: 'the longest first' },
  { value: 'open', label: 'most not done first' },
]

/** One instrument with its pieces by kind. */
export interface MatrixRow {
  instrument: string
  name: string
  cells: Record<string, Entry[]>
}

/** Instruments × kinds; instruments in the order in which the set lists them. */
export function matrix(entries: readonly Entry[]): { kinds: { name: string; words: string }[]; rows: MatrixRow[] } {
  const kinds = new Map<string, string>()
  const rows = new Map<string, MatrixRow>()
  for (const e of entries) {
    kinds.set(e.kind, e.kindWords)
    const row = rows.get(e.instrument) ?? { instrument: e.instrument, name: e.instrumentName, cells: {} }
    row.cells[e.kind] = [...(row.cells[e.kind] ?? []), e]
    rows.set(e.instrument, row)
  }
  const usual = ['lyrical', 'technical', 'excerpt', 'scales']
  const place = (k: string) => (usual.includes(k) ? usual.indexOf(k) : usual.length)
  return {
    kinds: [...kinds].map(([name, words]) => ({ name, words })).sort((a, b) => place(a.name) - place(b.name)),
    rows: [...rows.values()],
  }
}

/** Rows by what is hardest, longest or least done; of equal ones the score's order stays. */
export function sorted(rows: readonly MatrixRow[], order: Order, figures: ReadonlyMap<number, Figures>): MatrixRow[] {
  const of = (row: MatrixRow) => Object.values(row.cells).flatMap((c) => c.map((e) => figures.get(e.id)))
  const weigh: Record<Order, (row: MatrixRow) => number> = {
    score: () => 0,
    hardest: (row) => Math.max(0, ...of(row).map((f) => f?.heat ?? 0)),
    longest: (row) => of(row).reduce((sum, f) => sum + (f?.seconds ?? 0), 0),
    open: (row) => of(row).reduce((sum, f) => sum + (f?.notDone.length ?? 0), 0),
  }
  return [...rows].sort((a, b) => weigh[order](b) - weigh[order](a))
}

/** Minutes and seconds: 1:05. */
export const clock = (seconds: number) => {
  const whole = Math.round(seconds)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/** The window of workable tempi in a few words. */
export function windowWords(f: Pick<Figures, 'slowest' | 'fastest'>): string {
  const round = (n: number) => Math.round(n)
  if (f.slowest != null && f.fastest != null) return `♩ ${round(f.slowest)} to ${round(f.fastest)}`
  if (f.fastest != null) return `♩ up to ${round(f.fastest)}`
  return f.slowest != null ? `♩ from ${round(f.slowest)}` : 'any tempo'
}

/** The measures that a round asks: "1–16", "all", or null where it asks nothing. */
export function askedWords(entry: Pick<Entry, 'asked'>, round: number): string | null {
  const asked = entry.asked.find((a) => a.round === round)
  if (!asked) return null
  return asked.from || asked.to ? `${asked.from || 'start'}–${asked.to || 'end'}` : 'all'
}
