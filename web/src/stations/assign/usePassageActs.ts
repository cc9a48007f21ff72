import { ref, type Ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Passage, type Schemas } from '../../api/client'
import { asAsked } from './passageForm'

type Request = Schemas['PassageRequest']

/** Handing out, changing and taking back; what looks like a slip is asked first. */
export function usePassageActs(id: Ref<number>) {
  const refused = ref('')
  /** What is asked before it is handed out, and what the answer yes does. */
  const asking = ref<{ questions: readonly string[]; go: () => Promise<void> } | null>(null)

  async function withQuestions(body: Request, go: () => Promise<boolean>): Promise<boolean> {
    refused.value = ''
    const questions = await fetched(
      api.POST('/api/pieces/{id}/passages/questions', { params: { path: { id: id.value } }, body }),
    ).catch(() => [])
    if (questions.length === 0) return go()
    return new Promise((done) => {
      asking.value = {
        questions,
        go: async () => {
          asking.value = null
          done(await go())
        },
      }
    })
  }

  const handOut = (body: Request) =>
    withQuestions(body, async () => {
      const made = await doAct({
        key: 'hand out',
        run: () => fetched(api.POST('/api/pieces/{id}/passages', { params: { path: { id: id.value } }, body })),
        words: (p) => `“${p.title}” is handed out. Its section sheet is ready to print.`,
        undo: (p) => ({ kind: 'handedOut', passage: p.id }),
        refused: (e) => (refused.value = (e as Error).message),
      })
      return made !== undefined
    })

  const edit = (p: Passage, body: Request) =>
    withQuestions(body, async () => {
      const made = await doAct({
        key: `passage ${p.id}`,
        run: () => fetched(api.PUT('/api/passages/{passage}', { params: { path: { passage: p.id } }, body })),
        words: (now) => `“${now.title}” is changed.`,
        undo: () => ({ kind: 'passageEdited', passage: p.id, before: asAsked(p) }),
        refused: (e) => (refused.value = (e as Error).message),
        closes: true,
      })
      return made !== undefined
    })

  const takeBack = (p: Passage) =>
    doAct({
      key: `passage ${p.id}`,
      run: async () => {
        await fetched(api.DELETE('/api/passages/{passage}', { params: { path: { passage: p.id } } }))
        return true
      },
      words: `“${p.title}” is taken back.`,
      undo: () => ({ kind: 'takenBack', passage: p.id }),
    })

  return { refused, asking, handOut, edit, takeBack }
}
