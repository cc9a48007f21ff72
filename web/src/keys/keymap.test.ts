import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { keymap, placeTitles, type KeyPlace } from './keymap'

const places = Object.keys(keymap) as KeyPlace[]
const keysOf = (place: KeyPlace) => Object.values(keymap[place]).map((k: { key: string }) => k.key)

describe('the page of keys', () => {
  it('has a title for each place', () => expect(Object.keys(placeTitles).sort()).toEqual([...places].sort()))
  it.each(places)('%s has each key once', (place) => {
    const keys = keysOf(place)
    expect(new Set(keys).size).toBe(keys.length)
  })
  it.each(places.filter((p) => p !== 'everywhere'))('%s leaves the keys of everywhere alone', (place) => {
    const plain = keysOf('everywhere').filter((k) => k !== 'z')
    expect(keysOf(place).filter((k) => plain.includes(k))).toEqual([])
  })
  // What is promised is served: the type of useStationKeys demands every act of a place.
  it.each(places)('%s is served by a component', (place) => {
    const files = readdirSync(join(__dirname, '..'), { recursive: true, encoding: 'utf8' }).filter((f) =>
      f.endsWith('.vue'),
    )
    const served = files.filter((f) =>
      readFileSync(join(__dirname, '..', f), 'utf8').includes(`useStationKeys('${place}'`),
    )
    expect(served).toHaveLength(1)
  })
})
