import type { Schemas } from '../../api/client'

const words: readonly [keyof Schemas['CarriedView'], string, string][] = [
  ['decisions', 'decision', 'decisions'],
  ['passages', 'passage', 'passages'],
  ['dismissals', 'dismissed finding', 'dismissed findings'],
  ['instruments', 'chosen instrument', 'chosen instruments'],
  ['leaders', 'leader', 'leaders'],
]

/** What a new edition takes over, in words: "1 decision and 2 passages carry over". */
export function carriedWords(carried: Schemas['CarriedView']): string {
  const told = words
    .filter(([k]) => carried[k] > 0)
    .map(([k, one, many]) => `${carried[k]} ${carried[k] === 1 ? one : many}`)
  if (told.length === 0) return 'Nothing was decided yet that could carry over'
  const list = told.length === 1 ? told[0] : `${told.slice(0, -1).join(', ')} and ${told.at(-1)}`
  return `${list} ${carried.all === 1 ? 'carries' : 'carry'} over`
}
