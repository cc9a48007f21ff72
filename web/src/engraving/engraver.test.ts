// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest'

/** A worker of the tests: it draws, dies on what is called "deadly", breaks on "broken". */
class FakeWorker {
  static made: FakeWorker[] = []
  static deaths = 0
  onmessage: ((e: { data: unknown }) => void) | null = null
  onerror: ((e: { preventDefault: () => void }) => void) | null = null
  isEnded = false

  constructor() {
    FakeWorker.made.push(this)
  }
  postMessage({ id, xml }: { id: number; xml: string }) {
    queueMicrotask(() => {
      if (xml === 'silent') return
      if (xml === 'deadly' || (xml === 'once' && FakeWorker.deaths === 0)) {
        FakeWorker.deaths++
        this.onerror?.({ preventDefault: () => undefined })
      } else if (xml === 'broken') this.onmessage?.({ data: { id, error: 'unreachable', broken: true } })
      else this.onmessage?.({ data: { id, svg: `<svg>${xml}</svg>` } })
    })
  }
  terminate() {
    this.isEnded = true
  }
}

async function engraver() {
  vi.resetModules()
  vi.stubGlobal('Worker', FakeWorker)
  FakeWorker.made = []
  FakeWorker.deaths = 0
  return (await import('./engraver')).engrave
}
const options = { width: 600, scale: 40 }

describe('an engraver that dies', () => {
  afterEach(() => {
    vi.unstubAllGlobals()
    vi.useRealTimers()
  })

  it('is started again, and what it was drawing is drawn all the same', async () => {
    const engrave = await engraver()
    expect((await engrave('once', options)).svg).toBe('<svg>once</svg>')
    expect(FakeWorker.made.map((w) => w.isEnded)).toEqual([true, false])
  })

  it('gives a slice up that kills it twice, and goes on with the next', async () => {
    const engrave = await engraver()
    const [deadly, fine] = await Promise.allSettled([engrave('deadly', options), engrave('fine', options)])
    expect(deadly).toMatchObject({ status: 'rejected', reason: { message: 'The engraver stopped. Try again.' } })
    expect(fine).toMatchObject({ status: 'fulfilled', value: { svg: '<svg>fine</svg>' } })
    expect(FakeWorker.made).toHaveLength(3)
  })

  it('is replaced when it says that it broke', async () => {
    const engrave = await engraver()
    await expect(engrave('broken', options)).rejects.toThrow('unreachable')
    expect((await engrave('fine', options)).svg).toBe('<svg>fine</svg>')
    expect(FakeWorker.made.map((w) => w.isEnded)).toEqual([true, false])
  })

  it('is taken for dead when it says nothing for long', async () => {
    const engrave = await engraver()
    vi.useFakeTimers()
    const answer = expect(engrave('silent', options)).rejects.toThrow('stopped')
    await vi.advanceTimersByTimeAsync(300_000)
    await answer
    expect(FakeWorker.made).toHaveLength(2)
  })
})
