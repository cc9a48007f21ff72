const unitQuarters: Record<string, number> = {
  sixteenth: 0.25,
  'dotted-sixteenth': 0.375,
  eighth: 0.5,
  'dotted-eighth': 0.75,
  quarter: 1,
  'dotted-quarter': 1.5,
  half: 2,
  'dotted-half': 3,
}

/** Names of the units, shortest first. */
export const units = Object.keys(unitQuarters)

/** Quarters of a unit. */
export const quartersOf = (unit: string) => unitQuarters[unit] ?? 1

/** "dotted-quarter" as words. */
export const unitWords = (unit: string) => unit.replace('-', ' ')

/** An exact "n/d" as a number, for sounding only. */
export const fractionValue = (text: string) => {
  const [n, d] = text.split('/')
  return Number(n) / Number(d ?? 1)
}
