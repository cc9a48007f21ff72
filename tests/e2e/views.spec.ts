import { expect } from '@playwright/test'
import { accessible, engraved, seen, test } from './desk'

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
  ['letter', '/piece/1/letter/P3', 'What to know'],
  ['errata', '/piece/1/errata', 'Decisions and errata, part by part'],
]

// Views go to whichever worker is free.
test.describe.configure({ mode: 'parallel' })

const sizes = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
]
const withoutMusic = ['parts', 'letter', 'errata', 'plan of a piece']

for (const [name, path, text] of views)
  test.describe(name, () => {
    // One after the other: what is seen wide is seen narrow next, on the same page.
    test.describe.configure({ mode: 'default' })
    for (const size of sizes)
      test(`${name} at ${size.width}`, async ({ desk }) => {
        const { page } = desk
        await page.setViewportSize(size)
        await desk.go(path)
        await expect(seen(page, text)).toBeVisible()
        if ((path.startsWith('/piece') || path.startsWith('/sheet')) && !withoutMusic.includes(name))
          await engraved(page)
        await desk.settled()
        await accessible(page)
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width)
        desk.expectNoProblems()
      })
  })
