import { describe, expect, it } from 'vitest'
import { listBody, listUrl, proposed, type ScaleWish } from './wish'

const wish: ScaleWish = {
  instrument: 'trumpet-bb',
  kinds: ['major'],
  tonics: ['Bb', 'F#'],
  octaves: undefined,
  up: 0,
  rhythm: 'quarters',
  slurring: 'separate',
  signs: 'signature',
  fingerings: 'all',
  positions: 'six',
  level: '',
}
const query = (w: ScaleWish) => new URL(listUrl(w)!, 'http://x').searchParams

describe('a list of scales', () => {
  it('asks for every kind on every tonic', () => {
    expect(query(wish).get('tonics')).toBe('Bb,F#')
    expect(listBody({ ...wish, kinds: ['major', 'chromatic'] }).scales).toHaveLength(4)
  })

  it('leaves octaves and level to the instrument and the school until somebody says', () => {
    expect(query(wish).has('octaves')).toBe(false)
    expect(query(wish).has('level')).toBe(false)
    expect(query({ ...wish, octaves: 2, level: 'advanced' }).get('octaves')).toBe('2')
    expect(listBody({ ...wish, octaves: 2 }).scales![0]!.octaves).toBe(2)
  })

  it('counts positions for the bass only', () => {
    expect(query(wish).has('positions')).toBe(false)
    expect(query({ ...wish, instrument: 'contrabass' }).get('positions')).toBe('six')
  })

  it.each([{ kinds: [] }, { tonics: [] }, { instrument: '' }])('is nothing with %j', (lacking) =>
    expect(listUrl({ ...wish, ...lacking })).toBeNull(),
  )

  it('proposes the first keys that the instrument has', () => {
    const key = (tonic: string, octaves: number) => ({ tonic, name: tonic, signs: '', octaves, wider: null })
    expect(proposed([key('D', 0), key('G', 1), key('A', 2), key('C', 1)], 2)).toEqual(['G', 'A'])
  })
})
