import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'

const answers: (() => void)[] = []
const play = vi.fn()
const stop = vi.fn()
vi.mock('./player', () => ({ play, stop }))
vi.mock('../api/client', () => ({
  api: { POST: () => new Promise((done) => answers.push(() => done({ clicks: [], seconds: 4, startsAt: 2 }))) },
  take: (answer: Promise<unknown>) => answer,
}))

const what = { piece: 1, parts: ['P1'], from: '1', to: '2', fromIndex: 0, toIndex: 1 }

beforeEach(() => {
  setActivePinia(createPinia())
  answers.length = 0
  play.mockClear()
  stop.mockClear()
})

test('what is stopped while it loads never sounds', async () => {
  const { useTransport } = await import('./store')
  const transport = useTransport()
  const starting = transport.start(what)
  await transport.stop()
  answers[0]!()
  await starting
  expect(play).not.toHaveBeenCalled()
  expect(transport.playing).toBe(false)
})

test('of two starts only the newer one sounds, however late the older is answered', async () => {
  const { useTransport } = await import('./store')
  const transport = useTransport()
  const [older, newer] = [transport.start(what), transport.start({ ...what, from: '2' })]
  answers[1]!()
  await newer
  answers[0]!()
  await older
  expect(play).toHaveBeenCalledTimes(1)
  expect(transport.playing).toBe(true)
})
