import { expect, type Page } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ownStand, test } from './desk'
import { inDays } from './stand.mjs'

/** What comes out on paper: pages counted, nothing cut at an edge, rests condensed, only what was reviewed. The pages of a PDF are drawn by
 *  Debian's poppler and looked at dot by dot. */
const stand = ownStand()
let folder: string
test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'mellow-print-'))
})
test.afterAll(() => rmSync(folder, { recursive: true, force: true }))

interface Drawn {
  width: number
  height: number
  /** True for a dark dot. */
  ink: (x: number, y: number) => boolean
}

// The pages of a PDF as grey pictures at 50 dots an inch.
function draw(pdf: Buffer, name: string): Drawn[] {
  const file = join(folder, `${name}.pdf`)
  writeFileSync(file, pdf)
  execFileSync('pdftoppm', ['-r', '50', '-gray', file, join(folder, name)])
  return readdirSync(folder)
    .filter((f) => f.startsWith(`${name}-`) && f.endsWith('.pgm'))
    .sort()
    .map((f) => {
      const bytes = readFileSync(join(folder, f))
      const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 40).toString('latin1'))!
      const [width, height, from] = [Number(head[1]), Number(head[2]), head[0].length]
      return { width, height, ink: (x: number, y: number) => bytes[from + y * width + x]! < 160 }
    })
}

const millimetres = (dots: number) => (dots * 25.4) / 50
const sizes = { A4: [210, 297], Letter: [215.9, 279.4] } as const

/** Every page has the paper's size, has ink on it, and none within five millimetres of an edge. */
function expectWhole(pages: Drawn[], paper: keyof typeof sizes) {
  const edge = Math.floor((5 * 50) / 25.4)
  for (const [i, p] of pages.entries()) {
    expect(Math.abs(millimetres(p.width) - sizes[paper][0])).toBeLessThan(2)
    expect(Math.abs(millimetres(p.height) - sizes[paper][1])).toBeLessThan(2)
    let inside = 0
    let atEdge = 0
    for (let y = 0; y < p.height; y++)
      for (let x = 0; x < p.width; x++)
        if (p.ink(x, y)) {
          const isEdge = x < edge || y < edge || x >= p.width - edge || y >= p.height - edge
          if (isEdge) atEdge++
          else inside++
        }
    expect(inside, `page ${i + 1} is not empty`).toBeGreaterThan(50)
    expect(atEdge, `page ${i + 1} is whole`).toBe(0)
  }
}

const drawn = (page: Page) =>
  expect.poll(() => page.evaluate(() => document.body.dataset.drawn), { timeout: 60_000 }).toBe('yes')

for (const paper of ['A4', 'Letter'] as const) {
  test(`a part on ${paper}: pages counted, nothing cut, rests condensed`, async ({ page }) => {
    await page.goto(`${stand.url}/piece/1/part/P10?paper=${paper}`)
    await drawn(page)
    const sheets = await page.locator('.part-page').count()
    const pages = draw(await page.pdf({ preferCSSPageSize: true }), `part-${paper}`)
    expect(pages).toHaveLength(sheets)
    expectWhole(pages, paper)
    // Ten measures of rest before letter C are one sign with its number, cut by nothing.
    await expect(page.locator('.part-page g.multiRest')).toHaveCount(1)
    // The name of the part stands in the head once a page, and never before a staff.
    await expect(page.locator('.part-page g.label')).toHaveCount(0)
    // No page has a stray line.
    for (let i = 0; i < sheets; i++)
      expect(await page.locator('.part-page').nth(i).locator('g.system').count()).toBeGreaterThan(1)
  })

  test(`a sheet on ${paper} is one page a part`, async ({ page }) => {
    await page.goto(`${stand.url}/sheet/2?paper=${paper}`)
    await expect(page.locator('.sheet .music svg g.note').last()).toBeVisible({ timeout: 30_000 })
    await expect(page.locator('.sheet-page')).toHaveCount(3)
    await expect(page.locator('.sheet-page .music > svg')).toHaveCount(3)
    const pages = draw(await page.pdf({ preferCSSPageSize: true }), `sheet-${paper}`)
    expect(pages).toHaveLength(3)
    expectWhole(pages, paper)
  })

  test(`a sheet of a very long passage on ${paper} cuts no system`, async ({ page }) => {
    const tempo = { unit: 'quarter', bpm: 80 }
    const section = (await (await page.request.get(`${stand.url}/api/ensemble`)).json())[0].id
    const due = inDays(20)
    const made = await page.request.post(`${stand.url}/api/pieces/1/passages`, {
      data: {
        parts: ['P1'],
        from: '0',
        to: '56',
        start: tempo,
        goal: tempo,
        by: 'step',
        value: 6,
        due,
        sections: [section],
      },
    })
    const { id } = await made.json()
    await page.goto(`${stand.url}/sheet/${id}?paper=${paper}`)
    await expect(page.locator('.sheet .music svg g.note').first()).toBeVisible({ timeout: 60_000 })
    const sheets = await page.locator('.sheet-page').count()
    const pages = draw(await page.pdf({ preferCSSPageSize: true }), `long-${paper}`)
    expect(pages).toHaveLength(sheets)
    expectWhole(pages, paper)
    await page.request.delete(`${stand.url}/api/passages/${id}`)
  })
}

test('cues lead in after a long rest where the director wants them', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/part/P10`)
  await drawn(page)
  await page.getByLabel(/cues before entries/).check()
  await expect(page).toHaveURL(/cues=true/)
  await expect(page.locator('.part-page').first()).toContainText('(Flute)', { timeout: 30_000 })
})

test('all parts in one act: one print, and a zip of PDFs', async ({ page }) => {
  // Dozens of pages are made one by one: on a busy machine more than a minute.
  test.slow()
  await page.goto(`${stand.url}/piece/2/print`)
  await drawn(page)
  await expect(page.getByText('5 of 5 parts drawn')).toBeVisible()
  const sheets = await page.locator('.part-page').count()
  expect(sheets).toBeGreaterThanOrEqual(5)
  const pages = draw(await page.pdf({ preferCSSPageSize: true }), 'all')
  expect(pages).toHaveLength(sheets)
  const download = page.waitForEvent('download', { timeout: 110_000 })
  await page.getByRole('button', { name: 'PDFs of all parts (zip)' }).click()
  const zip = readFileSync((await (await download).path())!)
  const names = [...zip.toString('latin1').matchAll(/(\d\d [A-Za-z0-9 .-]+\.pdf)/g)].map((m) => m[1])
  expect(new Set(names).size).toBe(5)
  expect(names[0]).toBe('01 Violin 1.pdf')
})

test('what was not reviewed is marked on the screen and is not on the paper', async ({ page }) => {
  await page.goto(`${stand.url}/piece/2/letter/P1`)
  await expect(page.getByText(/findings are not reviewed and will not print/)).toBeVisible()
  const shown = page.locator('li.unreviewed')
  const before = await shown.count()
  expect(before).toBeGreaterThan(2)
  await page.emulateMedia({ media: 'print' })
  await expect(shown.first()).toBeHidden()
  await page.emulateMedia({ media: 'screen' })
  await shown.first().getByRole('button', { name: 'To the players' }).click()
  await expect(shown).toHaveCount(before - 1)
  await page.getByRole('button', { name: 'Send all as they are' }).click()
  await expect(shown).toHaveCount(0)
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('.sheet li').first()).toBeVisible()
})
