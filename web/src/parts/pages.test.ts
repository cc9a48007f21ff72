import { describe, expect, it } from 'vitest'
import { pageEnd, pixels } from './pages'

describe('where a page ends', () => {
  it('takes all that fits when nobody rests', () => expect(pageEnd(0, 20, 60, new Set())).toBe(19))
  it('ends on a rest, so that the page can be turned', () => expect(pageEnd(0, 20, 60, new Set([16]))).toBe(16))
  it('ends before a rest that would open the next page', () => expect(pageEnd(0, 20, 60, new Set([20]))).toBe(19))
  it('takes the latest of several rests', () => expect(pageEnd(0, 20, 60, new Set([12, 17]))).toBe(17))
  it('does not waste half a page for a rest', () => expect(pageEnd(0, 20, 60, new Set([5]))).toBe(19))
  it('ends with the part', () => expect(pageEnd(50, 20, 60, new Set([55]))).toBe(59))
  it('goes on even where not one measure fits', () => expect(pageEnd(3, 0, 60, new Set())).toBe(3))
})

it('a millimetre has 3.78 pixels', () => expect(pixels(25.4)).toBe(96))
