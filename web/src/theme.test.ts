// @vitest-environment jsdom
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { applyPalette, palette } from './theme'

const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter(
  (f) => /\.(vue|css|ts)$/.test(f) && !/theme\.ts$|\.test\.ts$|schema\.d\.ts$/.test(f),
)

describe('the palette', () => {
  it('is the only place where a colour is spelled', () => {
    const spelled = files.filter((f) => /#[0-9a-f]{3}([0-9a-f]{3})?\b(?!\w)/i.test(readFileSync(`src/${f}`, 'utf8')))
    expect(files.length).toBeGreaterThan(150)
    expect(spelled).toEqual([])
  })

  it('has every colour that a style sheet asks for', () => {
    const root = document.createElement('div')
    applyPalette(root)
    expect(root.style.getPropertyValue('--moss-ink')).toBe(palette.mossInk)
    const own = new Set(['--title'])
    const asked = files.flatMap((f) =>
      [...readFileSync(`src/${f}`, 'utf8').matchAll(/var\((--[\w-]+)/g)].map((m) => m[1]!),
    )
    expect([...new Set(asked)].filter((v) => !own.has(v) && !root.style.getPropertyValue(v))).toEqual([])
  })
})
