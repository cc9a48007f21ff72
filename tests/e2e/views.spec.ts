import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { startStand, type Stand } from './stand.mjs'

/** Each main view of the demo: no axe violation, no script error, nothing wider than the window. */
const views: [string, string, string][] = [
  ['shelf', '/', 'Ensemble pieces'],
  ['study', '/piece/1/study?from=19&to=24&parts=P1,P3', 'What hides here'],
  ['unify', '/piece/1/unify?from=19&to=22&parts=P1,P2,P3', 'Where the line disagrees'],
  ['technique', '/piece/1/technique?from=21&to=26&parts=P6', 'Fingerings (Alto Saxophone)'],
  ['tempo', '/piece/1/tempo?from=32&to=38&parts=P3', 'Ways to practice'],
  ['assign', '/piece/1/assign?from=21&to=28&parts=P3', 'Hand out a passage'],
  ['hear', '/piece/1/hear', 'Type the tempo once.'],
  ['season', '/season', 'Nothing is late'],
  ['calendar', '/season/calendar', 'Practice at home'],
  ['rehearsals', '/season/rehearsals', 'minutes to warm up'],
  ['auditions', '/auditions', 'Valley audition'],
  ['scales', '/auditions/scales', 'Keep the list'],
  ['audition set', '/audition/1', 'hardest 17'],
  ['decide once', '/audition/1/answers', 'Where do trills start?'],
  ['candidates', '/audition/1/candidates', 'Maribel Oake'],
  ['mock auditions', '/audition/1/mocks', '10 of 20 heard'],
  ['recording', '/audition/1/recording', 'No click in the recording'],
  ['style sheet', '/audition/1/style', 'Our answers'],
  ['mock', '/mock/1', 'Number 20'],
  ['mock results', '/mock/1/results', 'What was lost where'],
  ['listeners', '/mock/1/sheet', 'A word to them'],
  ['week sheet', '/week/1', 'Tick what was clean'],
  ['plan of a piece', '/piece/1/plan', 'The plan, passage by week'],
  ['test', '/test/1', 'A digit from 0 to 5'],
  ['test sheet', '/test/1/sheet', 'Three things to fix next'],
  ['ensemble', '/ensemble', 'Clarinets'],
  ['charts', '/charts/trumpet-bb', 'Chart of the trumpet'],
  ['house rules', '/house-rules', 'Which counting words?'],
  ['records', '/records', 'To fix next'],
  ['sheet', '/sheet/2', 'Know before you play'],
  ['parts', '/piece/1/parts', 'Files out'],
  ['part', '/piece/1/part/P3', 'Back to the parts'],
  ['letter', '/piece/1/letter/P3', 'Ten things to know'],
  ['errata', '/piece/1/errata', 'Decisions and errata, part by part'],
]

let stand: Stand
test.beforeAll(async () => {
  stand = await startStand({ demo: true, port: 5242 })
})
test.afterAll(() => stand.stop())

for (const width of [1280, 1024]) {
  for (const [name, path, text] of views) {
    test(`${name} at ${width}`, async ({ page }) => {
      const problems: string[] = []
      page.on('pageerror', (e) => problems.push(e.message))
      page.on('console', (m) => m.type() === 'error' && problems.push(m.text()))
      await page.setViewportSize({ width, height: width === 1280 ? 800 : 768 })
      await page.goto(stand.url + path)
      await expect(page.getByText(text).first()).toBeVisible()
      if (
        (path.startsWith('/piece') || path.startsWith('/sheet')) &&
        !['parts', 'letter', 'errata', 'plan of a piece'].includes(name)
      )
        await expect(page.locator('.music svg g.note').first()).toBeVisible({ timeout: 30_000 })
      await page.waitForLoadState('networkidle')
      const axe = await new AxeBuilder({ page }).exclude('.music svg').analyze()
      expect(axe.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([])
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
      expect(problems).toEqual([])
    })
  }
}

test.describe('speed', () => {
  // Another program on the machine may steal the frames of one run.
  test.describe.configure({ retries: 2 })

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
})
