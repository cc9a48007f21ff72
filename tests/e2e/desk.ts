import AxeBuilder from '@axe-core/playwright'
import { expect, test as base, type BrowserContext, type Page, type Request } from '@playwright/test'
import { startStand, type Stand } from './stand.mjs'

const longestStart = 600_000

/** A server of a file's own, on the demo school or an empty one, from before its first test until after its last. */
export function ownStand({ demo = true } = {}): Stand {
  const stand = {} as Stand
  base.beforeAll(async () => {
    base.setTimeout(longestStart)
    Object.assign(stand, await startStand({ demo }))
  })
  base.afterAll(() => stand.stop?.())
  return stand
}

/** A page of the demo school that many tests look at and none changes: they go by the router, as a director does. */
export class Desk {
  /** What the page complained of since the last time it was asked. */
  private problems: string[] = []
  /** What the page waits for from the server. */
  private asked = new Set<Request>()

  constructor(
    readonly url: string,
    readonly page: Page,
  ) {
    page.on('pageerror', (e) => this.problems.push(e.message))
    page.on('console', (m) => m.type() === 'error' && this.problems.push(m.text()))
    page.on('request', (r) => this.asked.add(r))
    page.on('requestfinished', (r) => this.asked.delete(r))
    page.on('requestfailed', (r) => this.asked.delete(r))
  }

  /** Waits until the page has asked for nothing for a while: all that a view shows is there. */
  async settled(): Promise<void> {
    for (let quiet = 0; quiet < 3; quiet = this.asked.size === 0 ? quiet + 1 : 0) await this.page.waitForTimeout(100)
  }

  /** Goes to a page of the demo school, as one who has not been there. Two visits of one address in a row are one: the second finds it as
   *  the first left it. */
  async go(path: string): Promise<void> {
    this.problems = []
    if (this.page.url() === this.url + path) return
    if (!this.page.url().startsWith(this.url)) await this.page.goto(this.url + path)
    else
      await this.page.evaluate((to) => {
        type App = { config: { globalProperties: { $router: { push: (to: string) => Promise<unknown> } } } }
        sessionStorage.clear()
        const app = (document.querySelector('#app') as unknown as { __vue_app__: App }).__vue_app__
        return app.config.globalProperties.$router.push(to).then(() => undefined)
      }, path)
  }

  expectNoProblems(): void {
    expect(this.problems).toEqual([])
  }
}

const window = { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' } as const

/** Tests with a browser that keeps what it has fetched, as a director's does: each test has a page of its own in it, and with it its own
 *  storage. `desk` is for tests that only look: one server and one page for all of a worker. */
export const test = base.extend<object, { kept: BrowserContext; desk: Desk }>({
  kept: [
    async ({ browser }, use) => {
      const context = await browser.newContext(window)
      await use(context)
      await context.close()
    },
    { scope: 'worker' },
  ],
  context: ({ kept }, use) => use(kept),
  page: async ({ kept }, use) => {
    const page = await kept.newPage()
    await use(page)
    await page.close()
  },
  desk: [
    async ({ kept }, use) => {
      const stand = await startStand({ demo: true })
      const page = await kept.newPage()
      await use(new Desk(stand.url, page))
      await page.close()
      await stand.stop()
    },
    { scope: 'worker', timeout: longestStart },
  ],
})

/** No violation of the accessibility rules on the page as it is, or on a part of it; music is drawn by the engraver and left out. */
export async function accessible(page: Page, except: string[] = [], only?: string): Promise<void> {
  // The app has no frames: the results need no second page to be put together.
  // What is told of other results than violations takes half of the time.
  const builder = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] })
  const axe = ['.music svg', ...except].reduce((a, s) => a.exclude(s), only ? builder.include(only) : builder)
  const back = await withoutMusic(page)
  const { violations } = await axe.analyze()
  await back()
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([])
}

// Thousands of strokes that are left out are walked all the same: they are put aside, their picture keeps its size.
async function withoutMusic(page: Page): Promise<() => Promise<void>> {
  const aside = await page.evaluateHandle(() =>
    [...document.querySelectorAll('.music svg')].map((svg) => ({ svg, strokes: [...svg.childNodes] })),
  )
  await aside.evaluate((all) => all.forEach(({ svg }) => svg.replaceChildren()))
  return () => aside.evaluate((all) => all.forEach(({ svg, strokes }) => svg.replaceChildren(...strokes)))
}

/** Music is drawn. */
export const engraved = (page: Page) =>
  expect(page.locator('.music svg g.note').first()).toBeVisible({ timeout: 30_000 })

/** The list of a station holds what the server said: only then can it be counted, or a key be pressed in it. */
export const listed = (page: Page) =>
  expect(page.locator('aside ol.entries').first()).toHaveAttribute('aria-busy', 'false', { timeout: 30_000 })

/** How many pages a PDF has. */
export const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)?.length ?? 0

/** What must fit its sheets is there and has its size. */
export async function set(page: Page): Promise<void> {
  await page.evaluate(() => document.fonts.ready.then(() => undefined))
  await expect(page.locator('.paper-sheet[aria-busy="false"]').first()).toBeVisible()
  await expect(page.locator('.paper-sheet[aria-busy="true"]')).toHaveCount(0)
}

/** The first place with the words that is seen: a dialog that was closed keeps its words, hidden. */
export const seen = (page: Page, words: string) => page.getByText(words).filter({ visible: true }).first()
