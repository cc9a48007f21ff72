/** How sure the recognition of an instrument is, in words. */
export function sureness(instrument: string | null | undefined, confidence: number): string {
  if (!instrument) return 'not known: please choose'
  if (confidence >= 0.8) return 'sure'
  return confidence >= 0.5 ? 'likely' : 'a guess'
}
