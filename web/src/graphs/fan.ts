export interface HeardPoint {
  day: string
  quarter: number
  clean: boolean
}
export interface FanPoint {
  day: string
  low: number
  middle: number
  high: number
}
interface Colours {
  plum: string
  brass: string
  rosin: string
  slate: string
}

/** What the chart of one player draws: clean and failed tries with shapes of their own, the fan, the goal and the date. */
export function fanSeries(
  heard: readonly HeardPoint[],
  fan: readonly FanPoint[],
  goal: number,
  due: string,
  colour: Colours,
): object {
  const points = (clean: boolean) => heard.filter((h) => h.clean === clean).map((h) => [h.day, h.quarter])
  const line = { type: 'line', symbol: 'none', silent: true }
  return {
    tooltip: { trigger: 'item' },
    legend: { top: 0, right: 0, data: ['clean', 'not clean', 'expected'] },
    xAxis: { type: 'time' },
    // The goal is in the picture, however far off it is.
    yAxis: { type: 'value', scale: true, max: (span: { max: number }) => Math.ceil(Math.max(span.max, goal)) + 2 },
    series: [
      { ...line, name: 'low', stack: 'fan', data: fan.map((f) => [f.day, f.low]), lineStyle: { opacity: 0 } },
      {
        ...line,
        name: 'eight in ten',
        stack: 'fan',
        data: fan.map((f) => [f.day, Math.round((f.high - f.low) * 10) / 10]),
        lineStyle: { opacity: 0 },
        areaStyle: { color: colour.plum, opacity: 0.15 },
      },
      {
        ...line,
        name: 'expected',
        data: fan.map((f) => [f.day, f.middle]),
        lineStyle: { color: colour.plum },
        itemStyle: { color: colour.plum },
        markLine: {
          symbol: 'none',
          silent: true,
          label: { formatter: '{b}' },
          data: [
            { name: `goal ${goal}`, yAxis: goal, lineStyle: { color: colour.brass } },
            { name: 'date', xAxis: due, lineStyle: { color: colour.slate } },
          ],
        },
      },
      {
        name: 'clean',
        type: 'line',
        data: points(true).sort((a, b) => String(a[0]).localeCompare(String(b[0]))),
        symbol: 'circle',
        symbolSize: 8,
        lineStyle: { color: colour.plum, width: 1 },
        itemStyle: { color: colour.plum },
      },
      {
        name: 'not clean',
        type: 'line',
        data: points(false),
        symbol: 'emptyTriangle',
        symbolSize: 9,
        lineStyle: { opacity: 0 },
        itemStyle: { color: colour.rosin },
      },
    ],
  }
}
