import { expect, it } from 'vitest'
import { fanSeries } from './fan'

const colours = { plum: '#1', brass: '#2', rosin: '#3', slate: '#4' }
interface Series {
  name: string
  data: [string, number][]
  symbol?: string
}

it('draws the fan as low and the width above it, and failed tries with a shape of their own', () => {
  const option = fanSeries(
    [
      { day: '2031-03-10', quarter: 80, clean: true },
      { day: '2031-03-03', quarter: 70, clean: true },
      { day: '2031-03-10', quarter: 86, clean: false },
    ],
    [{ day: '2031-03-20', low: 84, middle: 90, high: 97.5 }],
    100,
    '2031-03-20',
    colours,
  ) as { series: Series[]; yAxis: { max: (span: { max: number }) => number } }
  const named = (name: string) => option.series.find((s) => s.name === name)!
  expect(named('low').data[0]![1] + named('eight in ten').data[0]![1]).toBe(97.5)
  expect(named('clean').data.map((d) => d[0])).toEqual(['2031-03-03', '2031-03-10'])
  expect(option.yAxis.max({ max: 90 })).toBeGreaterThan(100)
  expect(named('not clean').data).toEqual([['2031-03-10', 86]])
  expect(named('not clean').symbol).not.toBe(named('clean').symbol)
})
