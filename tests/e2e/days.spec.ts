import { expect } from '@playwright/test'
import { pagesOf, set, test } from './desk'
import { prepareDemo, startStand } from './stand.mjs'

/** Whatever day it is, what a director prints fits its sheet and what lies ahead is there: in a week that has begun, and at the end of a
 *  year. That the school of each weekday is in order is asked of the server alone (AnyDayTests). */
const days = [
  ['a Wednesday', '2027-03-03'],
  ['the last day of a year', '2027-12-31'],
] as const

for (const [name, day] of days)
  test(`on ${name} the weeks of all sections fit a sheet each`, async ({ page }) => {
    test.setTimeout(180_000)
    const stand = await startStand({ demo: true, data: await prepareDemo(day), day })
    try {
      const session = (await (await page.request.get(`${stand.url}/api/session`)).json()) as { today: string }
      expect(session.today).toBe(day)
      const season = await (await page.request.get(`${stand.url}/api/season`)).json()
      expect(season.plan.late).toBe(0)
      const sections = (await (await page.request.get(`${stand.url}/api/ensemble`)).json()) as { id: number }[]
      for (const [i, paper] of ['A4', 'Letter'].entries()) {
        for (const section of sections.filter((s) => s.id % 2 === i || s.id === 3)) {
          await page.goto(`${stand.url}/week/${section.id}?paper=${paper}`)
          await expect(page.getByText('Tick what was clean')).toBeVisible()
          await set(page)
          expect(pagesOf(await page.pdf({ preferCSSPageSize: true })), `week of section ${section.id}`).toBe(1)
        }
      }
      await page.goto(`${stand.url}/season`)
      await expect(page.getByText('Nothing is late')).toBeVisible()
      await expect(page.locator('.day.today')).toHaveCount(1)
    } finally {
      await stand.stop()
    }
  })
