/** Says what happened where the page says such things: one place, read out politely. */
export interface Said {
  sentence: string
  isError: boolean
}
type Sayer = (said: Said) => void

let sayer: Sayer = () => {}

/** The page lends its voice: called once, by the shell. */
export const setSayer = (next: Sayer) => (sayer = next)

/** Says what was done. */
export const say = (sentence: string) => sayer({ sentence, isError: false })

/** Says why something failed, in the server's own sentence where there is one. */
export function tellError(e: unknown) {
  if (isGivenUp(e)) return
  sayer({ sentence: sentenceFor(e), isError: true })
}

/** True for a request that was given up on purpose: something else was asked meanwhile. */
export function isGivenUp(e: unknown): boolean {
  const name = (e as { name?: unknown } | null)?.name
  return name === 'AbortError' || name === 'CancelledError'
}

/** True for a failure of the connection, not of what was asked. */
export const isLost = (e: unknown) => e instanceof TypeError && /fetch|network/i.test(e.message)

/** The sentence for whatever was thrown. */
export function sentenceFor(e: unknown): string {
  if (isLost(e))
    return 'The server does not answer. What it has already confirmed is safe; this was not confirmed: look again when it is back.'
  return e instanceof Error && e.message ? e.message : 'Something went wrong on this page. Load it again.'
}
