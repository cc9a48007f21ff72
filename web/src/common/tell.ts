/** Says a sentence where the page says such things; the same sentence is said once, however many tell it. */
type Sayer = (sentence: string) => void

let say: Sayer = () => {}

/** The page lends its voice: called once, by the shell. */
export const setSayer = (sayer: Sayer) => (say = sayer)

/** Says why something failed, in the server's own sentence where there is one. */
export const tellError = (e: unknown) => say(sentenceFor(e))

/** The sentence for whatever was thrown. */
export function sentenceFor(e: unknown): string {
  if (e instanceof TypeError && /fetch|network/i.test(e.message))
    return 'The server cannot be reached. Is it running? Nothing was lost that it has answered.'
  return e instanceof Error && e.message ? e.message : 'Something went wrong on the page. Load it again.'
}
