import { expect, test, type Page } from '@playwright/test'
import { ownStand, pagesOf } from './desk'
import { duo } from './duo'
import { inDays } from './stand.mjs'

/** A director's work once: first run, score in, study, unify, tempo, hand out, sheet, log, export. */
test.describe.configure({ mode: 'serial' })

const stand = ownStand({ demo: false })
let page: Page
let problems: string[] = []

test.beforeAll(async ({ browser }) => {
  page = await browser.newPage()
  page.on('pageerror', (e) => problems.push(e.message))
  page.on('console', (m) => {
    // Refusals that a step provokes on purpose show as failed loads.
    if (m.type() === 'error' && !m.text().includes('Failed to load resource')) problems.push(m.text())
  })
})
test.afterAll(() => page.close())
test.afterEach(() => {
  expect(problems).toEqual([])
  problems = []
})

test('the first run makes the director’s account', async () => {
  await page.goto(stand.url)
  await expect(page.getByRole('heading', { name: 'Welcome to Mellow Stand' })).toBeVisible()
  await page.getByLabel('Name').fill('Orla Fennimore')
  await page.getByLabel('Password').fill('short')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByRole('alert')).toContainText('at least 10')
  await page.getByLabel('Password').fill('a quiet rehearsal room')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByText('The shelf is empty')).toBeVisible()
})

test('1 · a bad file is refused in words, a good one goes on the shelf', async () => {
  await page
    .getByLabel('Score file')
    .setInputFiles({ name: 'broken.musicxml', mimeType: 'text/xml', buffer: Buffer.from(duo.slice(0, 700)) })
  await expect(page.getByRole('alert')).toContainText('broken.musicxml')
  await page
    .getByLabel('Score file')
    .setInputFiles({ name: 'duo.musicxml', mimeType: 'text/xml', buffer: Buffer.from(duo) })
  const preview = page.getByRole('dialog')
  await expect(preview).toContainText('2 parts × 3 measures')
  await expect(preview.getByLabel('Instrument of Oboe')).toHaveValue('oboe')
  await preview.getByRole('button', { name: 'Keep on the shelf' }).click()
  await expect(page.getByRole('link', { name: 'Duo for the Yard' })).toBeVisible()
  await page.getByRole('button', { name: 'Date and title of Duo for the Yard' }).click()
  await page.getByLabel('Concert or audition').fill('2031-05-20')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('May 20, 2031')).toBeVisible()
})

test('8 · ensemble and house rules', async () => {
  await page.getByRole('link', { name: 'Ensemble' }).click()
  await page.getByLabel('Name of a new section').fill('Oboes')
  await page.getByRole('button', { name: 'Add section' }).click()
  await page.getByRole('button', { name: 'Add a player to Oboes' }).click()
  await page.getByRole('dialog').getByLabel('Name').fill('Pell Hartigan')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Pell Hartigan' })).toBeVisible()
  await page.getByRole('link', { name: 'House rules' }).click()
  await page.getByLabel('by a percentage').check()
  await page.reload()
  await expect(page.getByLabel('by a percentage')).toBeChecked()
  await page.getByLabel('by a fixed step').check()
  await expect(page.getByLabel('by a fixed step')).toBeChecked()
})

test('2 · the strip selects by drag and keys, and the address keeps it', async () => {
  await page.getByRole('link', { name: 'Shelf' }).click()
  await page.getByRole('link', { name: 'Duo for the Yard' }).click()
  const strip = page.getByTestId('strip')
  const box = (await strip.boundingBox())!
  await page.mouse.move(box.x + 130, box.y + 35)
  await page.mouse.down()
  await page.mouse.move(box.x + 190, box.y + 60, { steps: 4 })
  await page.mouse.up()
  await expect(page).toHaveURL(/from=1&to=2/)
  await page.getByRole('application').focus()
  await page.keyboard.press('ArrowRight')
  await expect(page).toHaveURL(/from=2&to=3/)
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(page).toHaveURL(/from=2&to=2/)
  await page.keyboard.press('Escape')
  await expect(page).not.toHaveURL(/from=/)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('Move the selection')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
})

test('3 · Study finds what hides, flags it in the music, and dismisses', async () => {
  const list = page.getByRole('complementary')
  await expect(list.getByText('F♯ still')).toBeVisible()
  await expect(list.getByText('“a tempo” with no slowing before it')).toBeVisible()
  await expect(list.getByText('No dynamic at the start')).toBeVisible()
  await list.getByRole('button', { name: /F♯ still measure/ }).click()
  await expect(page.getByTestId('engraved').locator('svg g.note').first()).toBeVisible()
  const before = await list.getByRole('listitem').count()
  await list.getByRole('button', { name: 'Dismiss', exact: true }).first().click()
  await expect(list.getByRole('listitem')).toHaveCount(before - 1)
  await list.getByText('Done 1').click()
  await list.getByRole('button', { name: 'Bring back' }).click()
  await expect(list.getByText('Done 0')).toBeVisible()
})

test('4 · a difference is settled in every part of the line, undone, and settled by key', async () => {
  await page.getByRole('link', { name: 'Unify' }).click()
  const list = page.getByRole('complementary')
  await expect(list.getByText('Articulation differs, measure 1')).toBeVisible()
  await list.getByRole('button', { name: /articulation differs/i }).click()
  await expect(page.getByTestId('engraved').locator('svg g.artic')).toHaveCount(4)
  await list.getByRole('button', { name: 'Accept', exact: true }).click()
  await expect(list.getByText('Everything in the selection is settled.')).toBeVisible()
  await expect(page.getByTestId('engraved').locator('svg g.artic')).toHaveCount(8)
  await list.getByText('Settled 1').click()
  await list.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByTestId('engraved').locator('svg g.artic')).toHaveCount(4)
  await list.getByText('To decide 1').click()
  await page.keyboard.press('j')
  await page.keyboard.press('a')
  await expect(list.getByText('Settled 1')).toBeVisible()
})

test('9 · the export carries the decision; the original is untouched', async () => {
  const marked = await (await page.request.get(`${stand.url}/api/pieces/1/export.musicxml?part=P2`)).text()
  expect(marked.match(/<staccato/g)).toHaveLength(4)
  const original = await (await page.request.get(`${stand.url}/api/pieces/1/export.musicxml?original=true`)).text()
  expect(original).toBe(duo)
})

test('5 · a ladder, and a click that plays with its count-off', async () => {
  await page.getByRole('link', { name: 'Tempo', exact: true }).click()
  const ladder = page.getByTestId('ladder')
  // Seven tenths of the goal, where it can be played without strain: the page's own proposal comes first.
  await expect(page.getByLabel('Beats per minute of the start')).toHaveValue('67')
  await page.getByLabel('Beats per minute of the start').fill('60')
  await page.getByLabel('Beats per minute of the goal').fill('96')
  await page.getByLabel('Beats per minute of the goal').press('Enter')
  await expect(ladder.getByRole('row')).toHaveCount(8)
  await expect(ladder.getByText('quarter = 96')).toBeVisible()
  await page.getByLabel('Beats per minute of the start').fill('120')
  await page.getByLabel('Beats per minute of the start').press('Enter')
  await expect(page.getByRole('alert')).toContainText('faster than the goal')
  await page.getByLabel('Beats per minute of the start').fill('60')
  await page.getByLabel('Beats per minute of the start').press('Enter')
  await ladder.getByRole('button', { name: 'Play step 7' }).click()
  await expect(page.getByTestId('now')).toContainText('count-off')
  await expect(page.getByTestId('now')).toContainText('measure 1', { timeout: 10_000 })
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible()
})

test('6 · a passage is handed to a section and its sheet prints', async () => {
  await page.goto(`${stand.url}/piece/1/assign?from=1&to=3&parts=P2`)
  await page.getByLabel('Sections').selectOption('Oboes')
  await page.getByRole('button', { name: 'Hand out' }).click()
  await page.getByRole('link', { name: 'Section sheet' }).click()
  await expect(page.getByRole('heading', { name: 'Know before you play' })).toBeVisible()
  await expect(page.locator('.sheet .music svg g.artic')).toHaveCount(4)
  await expect(page.getByText('F♯ still')).toBeVisible()
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await page.pdf({ format })
    expect(pdf.subarray(0, 4).toString()).toBe('%PDF')
    expect(pagesOf(pdf)).toBe(1)
  }
})

test('7 · clean tempos are logged and the line to the date speaks', async () => {
  await page.goto(`${stand.url}/piece/1/hear`)
  await page.getByRole('tab', { name: 'Who is ready' }).click()
  const log = async (bpm: string, daysAgo: number) => {
    await page.getByLabel('Who played').selectOption('Pell Hartigan, Oboes')
    await page.getByLabel('Clean tempo').fill(bpm)
    const day = inDays(-daysAgo)
    await page.getByLabel('Heard on').fill(day)
    await page.getByRole('button', { name: 'Log a clean tempo' }).click()
    await expect(page.getByTestId('said')).toContainText(`clean at quarter = ${bpm}`)
  }
  await expect(page.getByText('cannot tell').first()).toBeVisible()
  await log('60', 9)
  await log('70', 6)
  await expect(page.getByText('2 entries so far')).toBeVisible()
  await log('78', 3)
  await expect(page.getByText(/▲ early|● on time/)).toBeVisible()
  await page.getByRole('link', { name: 'Back to the shelf' }).click()
  await page.getByRole('link', { name: 'Records' }).click()
  await expect(page.getByRole('row')).toHaveCount(4)
})

test('a piece taken off the shelf can be put back', async () => {
  await page.getByRole('link', { name: 'Shelf' }).click()
  await page.getByRole('button', { name: 'Remove Duo for the Yard' }).click()
  await expect(page.getByText('The shelf is empty')).toBeVisible()
  await page.getByTestId('said').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Duo for the Yard' })).toBeVisible()
})
