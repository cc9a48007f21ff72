// @vitest-environment jsdom
import { expect, test } from 'vitest'
import { eventsOf } from './events'
import { quartersAt, samePlace, secondsAt, type Performance } from './performance'
import { wavOf } from './wav'

// Four quarters at 60, then at 120.
const tempos = [
  { seconds: 0, quarterBpm: 60 },
  { seconds: 4, quarterBpm: 120 },
]
const note = { id: 'P1-1', part: 'P1', seconds: 4, length: 0.5, midi: 60, velocity: 80 }
const click = {
  seconds: 0,
  accent: true,
  measure: null,
  countOff: true,
  measureIndex: null,
  beat: 1,
  rank: 'accent',
  level: 1,
}
const performance: Performance = {
  seconds: 6,
  startsAt: 4,
  clicks: [click, { ...click, seconds: 1, level: 0, rank: 'beat', accent: false }],
  notes: [note, { ...note, part: 'P2', seconds: 4.5, velocity: 40 }],
  tempos,
  parts: [
    { id: 'P1', timbre: 'reed' },
    { id: 'P2', timbre: 'brass' },
  ],
}

test.each([
  [0, 0],
  [2, 2],
  [4, 4],
  [5, 6],
])('%f seconds are %f quarters, and back', (seconds, quarters) => {
  expect(quartersAt(tempos, seconds)).toBeCloseTo(quarters, 9)
  expect(secondsAt(tempos, quarters)).toBeCloseTo(seconds, 9)
})

test('the same place at twice the tempo is at half the seconds', () => {
  const quick: Performance = {
    ...performance,
    startsAt: 2,
    tempos: [
      { seconds: 0, quarterBpm: 120 },
      { seconds: 2, quarterBpm: 240 },
    ],
  }
  expect(samePlace(performance, 5, quick)).toBeCloseTo(2.5, 9)
  expect(samePlace(performance, 2, quick)).toBeCloseTo(1, 9)
})

test('a count-off that is shorter now begins at its start, never before', () => {
  const short: Performance = { ...performance, startsAt: 1 }
  expect(samePlace(performance, 0.5, short)).toBe(0)
})

test('mine, the others and the click go through their own faders, each with its sound', () => {
  const events = eventsOf(performance, ['P1'])
  expect(events.map((e) => [e.bus, e.timbre])).toEqual([
    ['click', 'click'],
    ['mine', 'reed'],
    ['others', 'brass'],
  ])
  expect(events[1]!.level).toBeGreaterThan(events[2]!.level)
})

test('what a game keeps silent is no event', () => {
  expect(eventsOf(performance, []).filter((e) => e.bus === 'click')).toHaveLength(1)
})

test('a WAV file has its head and two bytes a sample', async () => {
  const blob = wavOf(Float32Array.from([0, 1, -1, 2]), 8000)
  const bytes = new DataView(
    await new Promise<ArrayBuffer>((done) => {
      const reader = new FileReader()
      reader.onload = () => done(reader.result as ArrayBuffer)
      reader.readAsArrayBuffer(blob)
    }),
  )
  expect(bytes.byteLength).toBe(44 + 8)
  expect(bytes.getUint32(24, true)).toBe(8000)
  expect(bytes.getInt16(46, true)).toBe(32767)
  expect(bytes.getInt16(50, true)).toBe(32767)
})
