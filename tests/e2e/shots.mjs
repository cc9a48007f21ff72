// Takes one picture of each main view from the demo data: node shots.mjs [folder] [name...]. Views that end in ! are taken only when named.
import { chromium } from '@playwright/test'
import { startStand } from './stand.mjs'

const folder = process.argv[2] ?? '../../docs/screenshots'
const wanted = process.argv.slice(3)
const views = [
  ['shelf', '/'],
  ['study', '/piece/1/study?from=19&to=26&parts=P1,P3,P9'],
  ['unify', '/piece/1/unify?from=19&to=22&parts=P1,P2,P3,P6'],
  ['lines!', '/piece/1/unify?from=16&to=27', 'Lines'],
  ['bows', '/piece/2/unify?from=8&to=15', 'Bows'],
  ['balance!', '/piece/1/unify', 'Balance'],
  ['technique', '/piece/1/technique?from=21&to=26&parts=P6'],
  ['tempo', '/piece/1/tempo?from=32&to=38&parts=P3,P6'],
  ['assign', '/piece/1/assign?from=21&to=28&parts=P3,P6'],
  ['cut!', '/piece/1/assign', 'Cut', 'Propose passages'],
  ['hear', '/piece/1/hear'],
  ['ready!', '/piece/1/hear', 'Who is ready'],
  ['season', '/season'],
  ['audition', '/audition/1'],
  ['answers!', '/audition/1/answers'],
  ['mock!', '/mock/1/results'],
  ['scales', '/auditions/scales'],
  ['calendar!', '/season/calendar'],
  ['test', '/test/1'],
  ['week!', '/week/1'],
  ['etude!', '/piece/16/study'],
  ['chart!', '/charts/clarinet-bb'],
  ['crib!', '/piece/1/crib/P6?from=21&to=32'],
  ['dismiss!', '/piece/1/study?from=19&to=26&parts=P1,P3,P9'],
  ['ensemble', '/ensemble'],
  ['house-rules!', '/house-rules'],
  ['records', '/records'],
  ['sheet', '/sheet/2'],
  ['practice', '/piece/16/practice?part=P1&from=1&to=6&recipes=rhythm-only,long-short,pair,beat-to-beat'],
  ['parts', '/piece/1/parts'],
  ['part', '/piece/1/part/P3'],
  ['letter', '/piece/1/letter/P3'],
  ['player!', '/player/3'],
  ['errata!', '/piece/1/errata'],
  ['import!', '/'],
]

const stand = await startStand({ demo: true })
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
const page = await browser.newPage({ viewport: { width: Number(process.env.WIDTH ?? 1280), height: 800 } })
page.on('console', (m) => m.type() === 'error' && console.log('page says:', m.text()))
const taken = views.filter(([n]) => (wanted.length === 0 ? !n.endsWith('!') : wanted.includes(n.replace('!', ''))))
for (const [title, path, panel, press] of taken) {
  const name = title.replace('!', '')
  await page.goto(stand.url + path)
  await page.waitForLoadState('networkidle')
  if (
    (path.startsWith('/piece') || path.startsWith('/sheet')) &&
    name !== 'parts' &&
    name !== 'letter' &&
    name !== 'practice' &&
    name !== 'errata'
  )
    await page.waitForSelector('.music svg', { timeout: 30_000 })
  if (name === 'practice') await page.waitForSelector('.variant svg >> nth=3', { timeout: 30_000 })
  await page.waitForTimeout(700)
  if (panel) await page.getByText(panel, { exact: true }).click()
  if (press) await page.getByRole('button', { name: press }).click()
  if (name === 'study' || name === 'unify') await page.keyboard.press('j')
  await page.waitForTimeout(1500)
  if (name === 'import') {
    await page.getByLabel('Score file').setInputFiles('../../demo/scores/harbor-lanterns.musicxml')
    await page.getByRole('dialog').waitFor()
    await page.waitForTimeout(500)
  }
  await page.screenshot({ path: `${folder}/${name}.png` })
  console.log(name)
}
await browser.close()
await stand.stop()
