import { computed, ref, type Ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Piece } from '../../api/client'
import { tellError } from '../../common/tell'
import type { Selection } from '../../selection'
import { piecesOf, type CutPiece } from './cutDraft'

const steps = 60

/** Proposed passages, shaped step by step, each step taken back; and handed out all in one act. */
export function useCut(piece: Ref<Piece>, selection: Ref<Selection | null>) {
  const history = ref<CutPiece[][]>([])
  const pieces = ref<CutPiece[]>([])
  const asking = ref(false)
  const kept = computed(() => pieces.value.filter((p) => p.kept))

  async function propose(longest: number) {
    if (asking.value) return
    asking.value = true
    const s = selection.value
    const { measures } = piece.value
    try {
      const views = await fetched(
        api.POST('/api/pieces/{id}/cut', {
          params: { path: { id: piece.value.id } },
          body: {
            parts: s ? s.parts : null,
            from: s ? measures[s.from]! : null,
            to: s ? measures[s.to]! : null,
            longest,
          },
        }),
      )
      history.value = []
      pieces.value = piecesOf(views)
    } catch (e) {
      tellError(e)
    } finally {
      asking.value = false
    }
  }
  function change(next: CutPiece[], isStep = true) {
    if (isStep) remember()
    pieces.value = next
  }
  function remember() {
    history.value = [...history.value.slice(-steps), pieces.value]
  }
  function back() {
    const before = history.value.at(-1)
    if (!before) return
    history.value = history.value.slice(0, -1)
    pieces.value = before
  }

  async function handOut(due: string, note: string, refused: (e: unknown) => void) {
    const { measures, id } = piece.value
    const done = await doAct({
      key: 'hand out many',
      run: () =>
        fetched(
          api.POST('/api/pieces/{id}/passages/many', {
            params: { path: { id } },
            body: {
              passages: kept.value.map((p) => ({
                title: null,
                parts: p.parts,
                from: measures[p.from]!,
                to: measures[p.to]!,
                start: null,
                goal: null,
                by: null,
                value: null,
                due,
                sections: null,
                players: null,
                note: note || null,
                version: null,
              })),
            },
          }),
        ),
      words: (made) => `${made.length} passages are handed out to those who play them.`,
      undo: (made) => ({ kind: 'handedOutMany', passages: made.map((p) => p.id) }),
      refused,
    })
    if (done) pieces.value = []
    return done !== undefined
  }
  return { pieces, kept, asking, history, propose, change, remember, back, handOut }
}
