// Frames of the strip of 30 parts × 300 measures while the wheel turns, against those of the idle page: ./stand bench strip
import { createRequire } from 'node:module'
import { openLarge } from '../tests/e2e/largeScore.mjs'
import { startStand } from '../tests/e2e/stand.mjs'

const { chromium } = createRequire(new URL('../tests/e2e/package.json', import.meta.url))('@playwright/test')
const turns = 10
const rounds = 5

const frames = (page) =>
  page.evaluate(
    () =>
      new Promise((done) => {
        let n = 0
        const end = performance.now() + 600
        const tick = () => (performance.now() < end ? (n++, requestAnimationFrame(tick)) : done(n))
        requestAnimationFrame(tick)
      }),
  )

const stand = await startStand({ demo: true })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox', '--disable-gpu'] })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const { box } = await openLarge(page, stand.url, 30, 300)
await page.mouse.move(box.x + 140, box.y + 40)
for (let round = 0; round < rounds; round++) {
  const idle = await frames(page)
  const wheeling = frames(page)
  for (let i = 0; i < turns; i++) await page.mouse.wheel(0, round % 2 ? 120 : -120)
  console.log(`round ${round + 1}: ${((await wheeling) / idle).toFixed(2)} of the frames of the idle page`)
}
await browser.close()
await stand.stop()
