/** One channel of samples, -1 to 1, as a WAV file of 16 bits.
 *  Source: Multimedia Programming Interface and Data Specifications 1.0, "WAVE". */
export function wavOf(samples: Float32Array, rate: number): Blob {
  const head = new DataView(new ArrayBuffer(44))
  const text = (at: number, word: string) => [...word].forEach((c, i) => head.setUint8(at + i, c.charCodeAt(0)))
  text(0, 'RIFF')
  head.setUint32(4, 36 + samples.length * 2, true)
  text(8, 'WAVEfmt ')
  head.setUint32(16, 16, true)
  head.setUint16(20, 1, true)
  head.setUint16(22, 1, true)
  head.setUint32(24, rate, true)
  head.setUint32(28, rate * 2, true)
  head.setUint16(32, 2, true)
  head.setUint16(34, 16, true)
  text(36, 'data')
  head.setUint32(40, samples.length * 2, true)
  const data = new Int16Array(samples.length)
  for (const [i, s] of samples.entries()) data[i] = Math.max(-1, Math.min(1, s)) * 32767
  return new Blob([head.buffer, data.buffer], { type: 'audio/wav' })
}
