const intervals = [
  'unison',
  'half step',
  'whole step',
  'minor third',
  'major third',
  'fourth',
  'tritone',
  'fifth',
  'minor sixth',
  'major sixth',
  'minor seventh',
  'major seventh',
]

/** How a part sounds against what is written, as a player says it. */
export function soundsWords(halfSteps: number): string {
  if (halfSteps === 0) return 'as written'
  const size = Math.abs(halfSteps)
  const [octaves, rest] = [Math.floor(size / 12), size % 12]
  const many = octaves > 1 ? `${octaves} octaves` : 'an octave'
  const within = `a ${intervals[rest]}`
  const words = [octaves > 0 ? many : '', rest > 0 ? within : ''].filter(Boolean).join(' and ')
  return `${words} ${halfSteps < 0 ? 'lower' : 'higher'}`
}
