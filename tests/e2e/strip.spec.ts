import { expect } from '@playwright/test'
import { ownStand, test } from './desk'

/** The strip at the size of a large score. Another program on the machine may steal the frames of one run. */
test.describe.configure({ retries: 2 })
const stand = ownStand({ demo: true })

test('the strip stays smooth at 30 parts × 300 measures', async ({ page }) => {
  const attributes = '<attributes><divisions>1</divisions></attributes>'
  const pitch = (n: number) => `<pitch><step>${'CDEFGAB'[n % 7]}</step><octave>4</octave></pitch>`
  const note = (n: number) => `<note>${pitch(n)}<duration>4</duration></note>`
  const measure = (n: number) => `<measure number="${n}">${n === 1 ? attributes : ''}${note(n)}</measure>`
  const ids = Array.from({ length: 30 }, (_, i) => `P${i + 1}`)
  const music = Array.from({ length: 300 }, (_, i) => measure(i + 1)).join('')
  const heads = ids.map((p) => `<score-part id="${p}"><part-name>Part ${p}</part-name></score-part>`).join('')
  const parts = ids.map((p) => `<part id="${p}">${music}</part>`).join('')
  const score = `<score-partwise><part-list>${heads}</part-list>${parts}</score-partwise>`
  const made = await page.request.post(`${stand.url}/api/pieces`, {
    multipart: { file: { name: 'large.musicxml', mimeType: 'text/xml', buffer: Buffer.from(score) } },
  })
  const { id } = await made.json()
  await page.goto(`${stand.url}/piece/${id}/study`)
  const strip = page.getByTestId('strip')
  await expect(strip).toBeVisible()
  const box = (await strip.boundingBox())!
  // Frames while the strip is dragged over: as a share of the frames that an idle page draws in the same run.
  const frames = () =>
    page.evaluate(
      () =>
        new Promise<number>((done) => {
          let n = 0
          const end = performance.now() + 600
          const tick = () => (performance.now() < end ? (n++, requestAnimationFrame(tick)) : done(n))
          requestAnimationFrame(tick)
        }),
    )
  const idle = await frames()
  await page.mouse.move(box.x + 140, box.y + 40)
  const wheeling = frames()
  for (let i = 0; i < 10; i++) await page.mouse.wheel(0, -120)
  expect((await wheeling) / idle).toBeGreaterThan(0.5)
})
