/** Keys of the query cache, all in one place: a change knows by them what to fetch anew, and what begins with a key goes with it. */
const root = <K extends string>(name: K) => [name] as const

/** What is asked besides the kind of thing: numbers, words, filters. */
type More = readonly unknown[]

export const keys = {
  session: root('session'),
  shelf: root('shelf'),
  /** Everything of every piece. */
  pieces: root('piece'),
  /** Everything of one piece. */
  piece: (id: number) => ['piece', id] as const,
  /** One thing of a piece. */
  of: (id: number, what: string, ...more: More) => ['piece', id, what, ...more] as const,
  ensemble: root('ensemble'),
  rules: root('house-rules'),
  instruments: root('instruments'),
  charts: root('charts'),
  chartsOf: (...more: More) => ['charts', ...more] as const,
  passages: root('passages'),
  passagesOf: (...more: More) => ['passages', ...more] as const,
  sheet: (passage: number, ...more: More) => ['passages', passage, 'sheet', ...more] as const,
  /** The log and all that rests on it. */
  log: root('log'),
  logOf: (...more: More) => ['log', ...more] as const,
  jobs: root('jobs'),
  jobsOf: (...more: More) => ['jobs', ...more] as const,
  season: root('season'),
  seasonOf: (...more: More) => ['season', ...more] as const,
  calendar: root('calendar'),
  tests: root('tests'),
  testsOf: (...more: More) => ['tests', ...more] as const,
  auditions: root('auditions'),
  auditionsOf: (...more: More) => ['auditions', ...more] as const,
  scales: root('scales'),
  scalesOf: (...more: More) => ['scales', ...more] as const,
  ladder: (...more: More) => ['ladder', ...more] as const,
}
