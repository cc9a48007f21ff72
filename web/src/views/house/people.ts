import type { Section } from '../../api/client'

/** Tells where somebody of the same name sits already; null where nobody does. */
export function sameName(sections: readonly Section[], name: string, self?: number): string | null {
  const wanted = name.trim().toLowerCase()
  if (!wanted) return null
  for (const s of sections) {
    const twin = s.players.find((p) => p.id !== self && p.name.toLowerCase() === wanted)
    if (twin) return `There is a ${twin.name} already: ${s.name}, chair ${twin.chair}. Add a second name or initial.`
  }
  return null
}
