// @vitest-environment jsdom
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Schemas } from '../../api/client'
import { useTransport } from '../../transport/store'
import { usualSize, useTempos } from './ladder'

const quarter = (bpm: number) => ({ unit: 'quarter', bpm })
const hint = (over: Partial<Schemas['TempoHint']> = {}) =>
  ({ unit: 'quarter', bpm: 112, startUnit: 'quarter', startBpm: 68, by: 'step', ...over }) as Schemas['TempoHint']
const window = (start: number | null, goal: number | null) =>
  ({ start: start && quarter(start), goal: goal && quarter(goal) }) as Schemas['WindowView']

beforeEach(() => setActivePinia(createPinia()))

describe('the tempos of the piece on the desk', () => {
  it('follow what the piece and the house say', () => {
    const tempos = useTempos()
    tempos.open(1)
    tempos.hint(hint({ by: 'percent' }))
    expect(tempos.ask).toMatchObject({
      start: quarter(68),
      goal: quarter(112),
      by: 'percent',
      value: usualSize.percent,
    })
  })

  it('follow the window of the passage once it is known', () => {
    const tempos = useTempos()
    tempos.hint(hint())
    tempos.window(window(72, 104))
    expect(tempos.ask).toMatchObject({ start: quarter(72), goal: quarter(104) })
  })

  it('keep what they have where the window is silent', () => {
    const tempos = useTempos()
    tempos.hint(hint())
    tempos.window(window(null, null))
    expect(tempos.ask).toMatchObject({ start: quarter(68), goal: quarter(112) })
  })

  it.each([
    ['a start', { start: quarter(50) }, { start: quarter(50), goal: quarter(104) }],
    ['a goal', { goal: quarter(120) }, { start: quarter(72), goal: quarter(120) }],
    ['a size', { value: 3 }, { start: quarter(72), goal: quarter(104), value: 3 }],
  ])('keep %s that was typed, whatever the selection says', (_, typed, kept) => {
    const tempos = useTempos()
    tempos.hint(hint())
    tempos.type(typed)
    tempos.hint(hint({ bpm: 99, startBpm: 44 }))
    tempos.window(window(72, 104))
    expect(tempos.ask).toMatchObject(kept)
  })

  it('take the usual size of a way to climb, but not over one that was typed with it', () => {
    const tempos = useTempos()
    for (const by of Object.keys(usualSize)) {
      tempos.type({ by })
      expect(tempos.ask.value).toBe(usualSize[by])
    }
    tempos.type({ by: 'step', value: 11 })
    expect(tempos.ask.value).toBe(11)
  })

  it('keep the way to climb that was typed when the house says another', () => {
    const tempos = useTempos()
    tempos.type({ by: 'count' })
    tempos.hint(hint({ by: 'percent' }))
    expect(tempos.ask).toMatchObject({ by: 'count', value: usualSize.count })
  })

  it('begin anew with another piece, and not with the same one', () => {
    const tempos = useTempos()
    tempos.open(1)
    tempos.type({ goal: quarter(120) })
    tempos.open(1)
    expect(tempos.ask.goal).toEqual(quarter(120))
    tempos.open(2)
    expect(tempos.ask.goal).toEqual(quarter(96))
    expect([...tempos.typed]).toEqual([])
  })

  it('are played at the first tempo that was typed', () => {
    const tempos = useTempos()
    tempos.type({ start: { unit: 'half', bpm: 44 } })
    expect(useTransport()).toMatchObject({ unit: 'half', bpm: 44 })
  })

  it('never share what was typed with another desk', () => {
    const typed = useTempos()
    typed.type({ start: quarter(40) })
    setActivePinia(createPinia())
    expect(useTempos().ask.start).toEqual(quarter(60))
  })
})
