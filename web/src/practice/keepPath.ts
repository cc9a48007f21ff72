import { doAct } from '../acts/useAct'
import { api, fetched, type Passage, type Schemas } from '../api/client'
import { keys } from '../api/queries'

/** What a path is when it is asked for again: null where it is the house's. */
export const pathAsAsked = (path: Schemas['PathView']) =>
  path.isOwn ? path.steps.map((s) => s.recipes.map((r) => r.recipe)) : null

/** Keeps a practice path, or gives it back to the house. */
export async function keepPath(
  passage: Passage,
  before: Schemas['PathView'],
  steps: string[][] | null,
  refused: (e: unknown) => void,
): Promise<boolean> {
  const kept = await doAct({
    key: `path ${passage.id}`,
    run: () =>
      fetched(
        api.PUT('/api/passages/{passage}/path', {
          params: { path: { passage: passage.id } },
          body: { steps, version: before.version },
        }),
      ),
    words: `The practice path of “${passage.title}” is ${steps ? 'changed' : 'the house’s again'}.`,
    undo: () => ({ kind: 'pathChanged', passage: passage.id, before: pathAsAsked(before) }),
    fresh: [keys.passages],
    refused,
    closes: true,
  })
  return kept !== undefined
}
