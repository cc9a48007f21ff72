import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { beforeEach, expect, test, vi } from 'vitest'

const answers: (() => void)[] = []
const asked: { body: { bpm: number; parts: string[] | null } }[] = []
const sound = vi.hoisted(() => ({
  play: vi.fn(),
  stop: vi.fn(),
  change: vi.fn(),
  mix: vi.fn(),
  loopAs: vi.fn(),
  warm: vi.fn(),
}))
vi.mock('./player', () => ({ ...sound }))
vi.mock('../api/client', () => ({
  api: {
    POST: (_path: string, what: (typeof asked)[number]) => {
      asked.push(what)
      return new Promise((done) =>
        answers.push(() => done({ clicks: [], notes: [], tempos: [], parts: [], seconds: 4 })),
      )
    },
  },
  fetched: (answer: Promise<unknown>) => answer,
}))

const what = { piece: 1, parts: ['P1'], from: '1', to: '2', fromIndex: 0, toIndex: 1 }
const transportOf = async () => (await import('./store')).useTransport()
const settled = () => new Promise((r) => setTimeout(r, 160))

beforeEach(async () => {
  setActivePinia(createPinia())
  answers.length = 0
  asked.length = 0
  Object.values(sound).forEach((f) => f.mockClear())
  const { queries } = await import('../api/queryClient')
  queries.clear()
})

test('what is stopped while it loads never sounds', async () => {
  const transport = await transportOf()
  const starting = transport.start(what)
  await nextTick()
  await transport.stop()
  answers[0]!()
  await starting
  expect(sound.play).not.toHaveBeenCalled()
  expect(transport.playing).toBe(null)
})

test('of two starts only the newer one sounds, however late the older is answered', async () => {
  const transport = await transportOf()
  const [older, newer] = [transport.start(what), transport.start({ ...what, from: '2' })]
  await nextTick()
  answers[1]!()
  await newer
  answers[0]!()
  await older
  expect(sound.play).toHaveBeenCalledTimes(1)
  expect(transport.playing?.from).toBe('2')
})

test('what was prepared is not asked for again', async () => {
  const transport = await transportOf()
  transport.prepare(what)
  await nextTick()
  answers[0]!()
  await settled()
  await transport.start(what)
  expect(asked).toHaveLength(1)
  expect(sound.play).toHaveBeenCalledTimes(1)
})

test('a tempo that changes while it plays goes on from where it is, once it has come to rest', async () => {
  const transport = await transportOf()
  const starting = transport.start(what)
  await nextTick()
  answers[0]!()
  await starting
  transport.nudge(1)
  transport.nudge(1)
  await settled()
  expect(asked.map((a) => a.body.bpm)).toEqual([96, 98])
  answers[1]!()
  await settled()
  expect(sound.change).toHaveBeenCalledTimes(1)
})

test('the others are asked for only when they are heard', async () => {
  const transport = await transportOf()
  const starting = transport.start(what)
  await nextTick()
  expect(asked[0]!.body.parts).toEqual(['P1'])
  answers[0]!()
  await starting
  transport.faders.others.on = true
  await settled()
  expect(asked[1]!.body.parts).toBe(null)
})

test('a fader that is off is silent, whatever its volume', async () => {
  const transport = await transportOf()
  transport.faders.click.on = false
  await settled()
  expect(sound.mix).toHaveBeenLastCalledWith({ mine: 0.8, others: 0, click: 0 })
})

test('the tempo stays between what a metronome beats', async () => {
  const transport = await transportOf()
  transport.nudge(1000)
  expect(transport.bpm).toBe(400)
  transport.nudge(-1000)
  expect(transport.bpm).toBe(10)
})
