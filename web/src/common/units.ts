import table from './units.json'

/** The beat units of the core (Core/Tempo/BeatUnit.cs); a test of the server holds the file equal to it. */
const quarters = new Map(table.map((u) => [u.name, u.quarters]))

/** Names of the units, shortest first. */
export const units: readonly string[] = table.map((u) => u.name)

/** Quarters of a unit; an unknown one is an error, for it would be counted wrong in silence. */
export function quartersOf(unit: string): number {
  const length = quarters.get(unit)
  if (length === undefined) throw new Error(`There is no beat unit “${unit}”.`)
  return length
}

/** "dotted-quarter" as words. */
export const unitWords = (unit: string) => unit.replace('-', ' ')

/** An exact "n/d" as a number, for sounding only. */
export const fractionValue = (text: string) => {
  const [n, d] = text.split('/')
  return Number(n) / Number(d ?? 1)
}
