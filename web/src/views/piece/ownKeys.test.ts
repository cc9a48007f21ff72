import { describe, expect, it } from 'vitest'
import type { Piece } from '../../api/client'
import { keysOf, transposes } from './ownKeys'

const piece = {
  frames: [{ key: '2 flats' }, { key: '2 flats' }, { key: '1 flat' }],
  parts: [
    { id: 'C', transpose: -2, keys: [{ from: 0, key: 'no sharps or flats' }, { from: 2, key: '1 sharp' }] }, // prettier-ignore
    { id: 'T', transpose: -2, keys: [{ from: 0, key: 'no sharps or flats' }, { from: 2, key: '1 sharp' }] }, // prettier-ignore
    {
      id: 'F',
      transpose: 0,
      keys: [
        { from: 0, key: '2 flats' },
        { from: 2, key: '1 flat' },
      ],
    },
  ],
} as unknown as Piece

describe('the key that a strip shows', () => {
  it('is what its part reads', () =>
    expect(keysOf(piece, ['C'], false)).toEqual({
      keys: ['no sharps or flats', 'no sharps or flats', '1 sharp'],
      concert: false,
    }))
  it('is shared by parts that read the same', () => expect(keysOf(piece, ['C', 'T'], false).concert).toBe(false))
  it('is the concert key of parts that read different ones', () =>
    expect(keysOf(piece, ['C', 'F'], false)).toEqual({ keys: ['2 flats', '2 flats', '1 flat'], concert: true }))
  it('is the concert key where that is asked for', () => expect(keysOf(piece, ['C'], true).concert).toBe(true))
  it('knows who transposes', () => {
    expect(transposes(piece, ['F'])).toBe(false)
    expect(transposes(piece, ['F', 'C'])).toBe(true)
  })
})
