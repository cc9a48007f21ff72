import { expect } from '@playwright/test'
import { ownStand, test } from './desk'
import { openLarge } from './largeScore.mjs'

/** The strip at the size of a large score: what it draws for the turns of the wheel. Its frames against those of an idle page are measured
 *  by `./stand bench strip`. */
const stand = ownStand({ demo: true })
const parts = 30
const measures = 300
const turns = 10

interface Counted {
  frames: number
  paints: number
  rectangles: number[]
}

test('the strip draws once a frame at most, and only what is seen, at 30 parts × 300 measures', async ({ page }) => {
  const { box } = await openLarge(page, stand.url, parts, measures)
  await page.mouse.move(box.x + 140, box.y + 40)
  await page.evaluate(() => {
    const counted: Counted = { frames: 0, paints: 0, rectangles: [] }
    Object.assign(window, { counted })
    const { clearRect, fillRect } = CanvasRenderingContext2D.prototype
    Object.assign(CanvasRenderingContext2D.prototype, {
      clearRect(...at: [number, number, number, number]) {
        counted.paints++
        counted.rectangles.push(0)
        return clearRect.apply(this as unknown as CanvasRenderingContext2D, at)
      },
      fillRect(...at: [number, number, number, number]) {
        counted.rectangles.push((counted.rectangles.pop() ?? 0) + 1)
        return fillRect.apply(this as unknown as CanvasRenderingContext2D, at)
      },
    })
    const tick = () => (counted.frames++, requestAnimationFrame(tick))
    requestAnimationFrame(tick)
  })
  for (let i = 0; i < turns; i++) await page.mouse.wheel(0, -120)
  const counted = () => page.evaluate(() => (window as unknown as { counted: Counted }).counted)
  await expect.poll(async () => (await counted()).paints).toBeGreaterThan(0)
  await page.waitForTimeout(300)
  const { frames, paints, rectangles } = await counted()
  expect(paints).toBeLessThanOrEqual(Math.min(frames, turns) + 1)
  // Drawn nearer by ten turns, a part of the cells is seen: the last drawing asks for no others.
  expect(rectangles.at(-1)!).toBeGreaterThan(parts)
  expect(rectangles.at(-1)!).toBeLessThan((parts * measures) / 3)
})
