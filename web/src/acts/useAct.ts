import type { QueryKey } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { isAway } from '../api/connection'
import { keys } from '../api/queries'
import { queries } from '../api/queryClient'
import { say, tellError } from '../common/tell'
import { useActs, type Done } from './store'
import { runUndo, type Undo } from './undoers'

/** Something to do: sent once, shown at once where that can be, told when it is done, and on the list of acts with its way back. */
export interface Act<R> {
  /** The same act is not sent twice while it runs. */
  key: string
  run: () => Promise<R>
  /** What was done, in a sentence; null where the page shows it already. */
  words: string | ((result: R) => string) | null
  undo?: (result: R) => Undo | null
  /** Shows at once what is expected, and gives the way back for when it is refused. */
  expect?: () => () => void
  /** What to fetch anew; by default all that tells of pieces. */
  fresh?: readonly QueryKey[]
  /** Where a refusal is told; by default where the page tells such things. */
  refused?: (e: unknown) => void
  /** True for a form that closes then: what it has changed is fetched first, so that opened again it does not show what was there
   *  before. */
  closes?: boolean
}

const running = reactive(new Set<string>())
let line: Promise<unknown> = Promise.resolve()
let waiting = 0
let stale: QueryKey[] = []
let refreshed: Promise<unknown> = Promise.resolve()

const ofPieces: readonly QueryKey[] = [keys.pieces, keys.shelf, keys.passages, keys.log, keys.season, keys.auditions]

/** True while an act with the key runs; without a key while any does. */
export const isBusy = (key?: string) => computed(() => (key ? running.has(key) : running.size > 0))

/** Does acts one after the other, in the order of the keys that were pressed. */
export async function doAct<R>(act: Act<R>): Promise<R | undefined> {
  if (running.has(act.key)) return undefined
  if (isAway.value) {
    say('The server does not answer, so this was not done. Try again when it is back.')
    return undefined
  }
  running.add(act.key)
  try {
    const result = await doNext(act)
    if (act.closes && result !== undefined) await refreshed
    return result
  } finally {
    running.delete(act.key)
  }
}

async function doNext<R>(act: Act<R>): Promise<R | undefined> {
  const back = act.expect?.()
  waiting++
  const mine = line.then(() => act.run())
  line = mine.catch(() => undefined)
  try {
    const result = await mine
    const words = typeof act.words === 'function' ? act.words(result) : act.words
    if (words) say(words)
    const undo = act.undo?.(result) ?? null
    if (words || undo) useActs().add(words ?? '', undo)
    return result
  } catch (e) {
    back?.()
    if (act.refused) act.refused(e)
    else tellError(e)
    return undefined
  } finally {
    stale.push(...(act.fresh ?? ofPieces))
    // What the server says is fetched once the keys have come to rest.
    if (--waiting === 0) refreshed = refresh()
  }
}

async function refresh() {
  const all = stale
  stale = []
  const once = [...new Map(all.map((k) => [JSON.stringify(k), k])).values()]
  await Promise.all(once.map((queryKey) => queries.invalidateQueries({ queryKey })))
}

// Acts that are being taken back: the next Ctrl+Z means the one before.
const undoing = new Set<number>()

/** Takes back one act of the list. */
export async function undoAct(done: Done) {
  if (!done.undo || undoing.has(done.id)) return
  const undo = done.undo
  undoing.add(done.id)
  const gone = await doAct({
    key: `undo ${done.id}`,
    run: async () => {
      await runUndo(undo)
      return true
    },
    words: null,
    fresh: [...ofPieces, keys.ensemble, keys.rules, keys.charts, keys.calendar, keys.tests],
  })
  if (gone) useActs().remove(done.id)
  undoing.delete(done.id)
  if (!gone) return
  say(`Undone: ${done.words}`)
}

/** Takes back the newest act that can be. */
export async function undoLast() {
  // What was pressed before is done first, and then is the newest.
  await line
  const last = useActs().newest.find((d) => d.undo !== null && !undoing.has(d.id))
  if (last) await undoAct(last)
  else say('There is nothing to undo in this session.')
}
