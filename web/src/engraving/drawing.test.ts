// @vitest-environment jsdom
import { describe, expect, it } from 'vitest'
import { heightOf } from '../parts/sheets/fitMusic'
import { liftOf } from './measureNumbers'
import { sizeFor } from './size'

describe('the size of the music', () => {
  it('grows where little is drawn', () => {
    const sizes = [sizeFor(1, 2), sizeFor(1, 8), sizeFor(4, 4), sizeFor(10, 8)]
    expect(sizes).toEqual([...sizes].sort((a, b) => b - a))
    expect(new Set(sizes).size).toBe(4)
  })
})

describe('a measure number', () => {
  const box = (left: number, top: number, width = 10, height = 10) => ({
    left,
    right: left + width,
    top,
    bottom: top + height,
  })
  it('stays where it touches nothing', () => expect(liftOf(box(0, 50), [box(40, 50), box(0, 80)])).toBe(0))
  it('goes up over a note', () => expect(liftOf(box(0, 50), [box(5, 45)])).toBe(17))
  it('goes up over what stands above that note', () => {
    const up = liftOf(box(0, 50), [box(5, 45), box(0, 30)])
    expect(up).toBeGreaterThanOrEqual(32)
  })
})

it('the height of a drawing follows its shape', () => {
  expect(heightOf({ svg: '<svg viewBox="0 0 2000 500">' }, 400)).toBe(100)
  expect(heightOf({ svg: '<svg>' }, 400)).toBe(Infinity)
})
