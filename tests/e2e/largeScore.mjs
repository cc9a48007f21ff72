/** A MusicXML score of many parts and measures, one note each. */
export function largeScore(parts, measures) {
  const attributes = '<attributes><divisions>1</divisions></attributes>'
  const pitch = (n) => `<pitch><step>${'CDEFGAB'[n % 7]}</step><octave>4</octave></pitch>`
  const note = (n) => `<note>${pitch(n)}<duration>4</duration></note>`
  const measure = (n) => `<measure number="${n}">${n === 1 ? attributes : ''}${note(n)}</measure>`
  const ids = Array.from({ length: parts }, (_, i) => `P${i + 1}`)
  const music = Array.from({ length: measures }, (_, i) => measure(i + 1)).join('')
  const heads = ids.map((p) => `<score-part id="${p}"><part-name>Part ${p}</part-name></score-part>`).join('')
  const bodies = ids.map((p) => `<part id="${p}">${music}</part>`).join('')
  return `<score-partwise><part-list>${heads}</part-list>${bodies}</score-partwise>`
}

/** Puts a score on the shelf and opens it: the strip, and where it stands. */
export async function openLarge(page, url, parts, measures) {
  const file = { name: 'large.musicxml', mimeType: 'text/xml', buffer: Buffer.from(largeScore(parts, measures)) }
  const { id } = await (await page.request.post(`${url}/api/pieces`, { multipart: { file } })).json()
  await page.goto(`${url}/piece/${id}/study`)
  const strip = page.getByTestId('strip')
  await strip.waitFor()
  return { strip, box: await strip.boundingBox() }
}
