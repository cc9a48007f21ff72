import { expect, test } from 'vitest'
import { place, spanOf } from './picture'

const end = (quarterBpm: number) => ({ quarterBpm, measure: '1', why: '' })
const none = { slowest: null, fastest: null, printed: null }

test('the scale holds what a window tells, in whole tens', () => {
  const span = spanOf({ ...none, slowest: end(63), fastest: end(117), printed: { from: 96, to: 104 } })
  expect(span).toEqual({ from: 60, to: 120 })
})

test('an end that is far off does not press all else together', () => {
  expect(spanOf({ ...none, fastest: end(900), printed: { from: 100, to: 100 } }).to).toBeLessThanOrEqual(170)
})

test('a scale is never without width', () => {
  const span = spanOf(none)
  expect(span.to).toBeGreaterThan(span.from)
})

test('days go to the right and tempi upward', () => {
  const { x, y } = place({ from: 60, to: 120 }, 10, { width: 200, height: 100, edge: 10 })
  expect([x(1), x(10)]).toEqual([10, 190])
  expect([y(60), y(120)]).toEqual([90, 10])
  expect(y(500)).toBe(10)
})
