import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { accessible, engraved, ownStand, test } from './desk'
import { inDays } from './stand.mjs'

/** An audition season: a set of ten dropped files, one matter decided for all, planned, heard, tried out before three listeners. */
test.describe.configure({ mode: 'serial' })
const stand = ownStand()

const said = '[data-testid=told]'
const etude = (kind: string, instrument: string) =>
  readFileSync(new URL(`../../demo/scores/etude-${kind}-${instrument}.musicxml`, import.meta.url))
const ask = async <T>(page: Page, url: string) => (await (await page.request.get(stand.url + url)).json()) as T
interface SetLine {
  id: number
  name: string
}
const setId = async (page: Page) =>
  (await ask<SetLine[]>(page, '/api/auditions')).find((s) => s.name === 'Ridge audition')!.id

// Dialogs fade in; half-faded text has half its contrast.
const settled = async (page: Page) => {
  await page.waitForTimeout(350)
  await accessible(page, ['.variant svg'])
}

// Two of the ten say nothing of themselves by name; one of them has a part without a name.
function tenFiles() {
  const files = ['flute', 'oboe', 'clarinet', 'horn', 'tuba'].flatMap((i) =>
    ['lyrical', 'technical'].map((k) => ({ name: `${k}-${i}.musicxml`, mimeType: 'text/xml', buffer: etude(k, i) })),
  )
  const hide = (at: number, name: string, text: (s: string) => string) => {
    files[at] = { ...files[at]!, name, buffer: Buffer.from(text(files[at]!.buffer.toString())) }
  }
  hide(0, 'no-1.musicxml', (s) => s)
  hide(3, 'no-2.musicxml', (s) => s.replaceAll('Oboe', 'Solo').replaceAll('Ob.', ''))
  return files
}

test('a set is made of ten dropped files, two of them corrected, as one act', async ({ page }) => {
  await page.goto(`${stand.url}/auditions`)
  await page.getByRole('button', { name: 'New set' }).click()
  const dialog = page.getByRole('dialog', { name: 'New audition set' })
  await dialog.getByLabel('Name', { exact: true }).fill('Ridge audition')
  await dialog.getByLabel('Day of First round').fill(inDays(40))
  await dialog.getByRole('button', { name: 'Add a round' }).click()
  await dialog.getByLabel('Day of Second round').fill(inDays(70))
  await dialog.getByLabel('Audition files').setInputFiles(tenFiles())
  await expect(dialog.getByRole('status')).toContainText('10 files')
  await expect(dialog.getByText('Look:').first()).toBeVisible()
  await dialog.getByLabel('Kind of no-1.musicxml').selectOption({ label: 'excerpt' })
  await dialog.getByLabel('Instrument of no-2.musicxml').selectOption({ label: 'Oboe' })
  await dialog.getByLabel('Kind of no-2.musicxml').selectOption({ label: 'technical etude' })
  await settled(page)
  await dialog.getByRole('button', { name: 'Make the set' }).click()
  await expect(page.locator(said)).toContainText('Ridge audition holds 10 pieces.')
  await expect(page.getByRole('heading', { name: 'Ridge audition' })).toBeVisible()
  const rows = page.locator('tbody th[scope=row]')
  await expect(rows).toHaveCount(5)
  await expect(page.getByRole('columnheader', { name: 'excerpt' })).toBeVisible()
  await expect(page.getByRole('link', { name: /^hardest/ }).first()).toBeVisible({ timeout: 30_000 })

  // One undo takes the set and its ten pieces back; making it again is left to the list of acts.
  const shelf = (await ask<unknown[]>(page, '/api/pieces')).length
  await page.keyboard.press('Control+z')
  await expect(page.locator(said)).toContainText('Undone: Ridge audition holds 10 pieces.')
  expect((await ask<unknown[]>(page, '/api/pieces')).length).toBe(shelf - 10)
  const restored = await page.request.post(`${stand.url}/api/auditions/2/restore`)
  expect(restored.status()).toBe(204)
})

test('what each round asks is set, and a rare instrument borrows', async ({ page }) => {
  const id = await setId(page)
  await page.goto(`${stand.url}/audition/${id}`)
  await page.getByLabel('Order of the instruments').selectOption({ label: 'score order' })
  await expect(page.getByText('Each entry opens the piece at its place.')).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: 'Edit Harvest Road (Clarinet)' }).click()
  const edit = page.getByRole('dialog')
  await edit.getByLabel('First measure in First round').fill('1')
  await edit.getByLabel('Last measure in First round').fill('12')
  await edit.getByLabel('Errata').fill('Measure 9: the slur ends a note earlier.')
  await settled(page)
  await edit.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText('First round: 1–12').first()).toBeVisible()
  await expect(page.getByText('Errata: Measure 9').first()).toBeVisible()

  await page.getByRole('button', { name: 'Lend Harvest Road (Clarinet)' }).click()
  const lend = page.getByRole('dialog')
  await lend.getByLabel('Who borrows it').selectOption({ label: 'Alto clarinet' })
  await expect(lend.getByRole('status')).toContainText('The same written notes')
  await settled(page)
  await lend.getByRole('button', { name: 'Lend it' }).click()
  await expect(page.locator('tbody th[scope=row]').filter({ hasText: 'Alto clarinet' })).toBeVisible()
  await expect(page.getByText('from Clarinet, same written notes')).toBeVisible()
  await page
    .getByRole('link', { name: /^hardest/ })
    .first()
    .click()
  await engraved(page)
  await expect(page).toHaveURL(/technique\?from=/)
})

test('one matter is decided for all etudes, undone at one place and all at once', async ({ page }) => {
  const id = await setId(page)
  await page.goto(`${stand.url}/audition/${id}/answers`)
  const trills = page.getByRole('listitem').filter({ hasText: 'Where do trills start?' }).first()
  await expect(trills.getByText(/places open$/)).toBeVisible({ timeout: 30_000 })
  await trills.getByLabel('Where do trills start?').selectOption({ label: 'on the upper note' })
  await trills.getByRole('button', { name: 'Decide for all' }).click()
  await expect(page.locator(said)).toContainText(/Decided at \d+ places: on the upper note/)
  await expect(trills.getByText('✓ on the upper note')).toBeVisible()
  await trills.locator('summary').click()
  await trills
    .getByRole('button', { name: /^Undo in / })
    .first()
    .click()
  await expect(trills.getByText(/1 open/)).toBeVisible()
  await settled(page)
  await page.getByRole('link', { name: 'Style sheet' }).click()
  await expect(page.getByText('Start the trill on the upper note')).toBeVisible()
  await page.goto(`${stand.url}/audition/${id}/answers`)
  await trills.getByRole('button', { name: 'Take the answer back' }).click()
  await expect(page.locator(said)).toContainText('is open again')
  await page.keyboard.press('Control+z')
  await expect(trills.getByText('✓ on the upper note')).toBeVisible()
})

test('candidates are chosen, handed their passages, planned and heard', async ({ page }) => {
  test.setTimeout(180_000)
  const id = await setId(page)
  await page.goto(`${stand.url}/audition/${id}/candidates`)
  await page.getByRole('button', { name: 'Choose candidates' }).click()
  const dialog = page.getByRole('dialog', { name: 'Who auditions' })
  for (const name of ['Wren Abiola', 'Emrys Dole', 'Lido Crane']) await dialog.getByRole('checkbox', { name }).check()
  await settled(page)
  await dialog.getByRole('button', { name: 'Keep' }).click()
  await expect(page.locator(said)).toContainText('3 audition.')
  await page.getByRole('button', { name: 'Hand out First round' }).click()
  await expect(page.locator(said)).toContainText(/\d+ passages for First round are handed out/)
  const row = page.getByRole('row').filter({ hasText: 'Lido Crane' })
  await expect(row.getByText('too little heard').first()).toBeVisible()
  await settled(page)

  // The planner of the season gives the passages their days.
  await page.getByRole('link', { name: 'Plan the season' }).click()
  await page.getByRole('button', { name: 'Plan anew' }).click()
  await expect(page.getByRole('dialog').getByText('What it changes')).toBeVisible({ timeout: 120_000 })
  await page.getByRole('dialog').getByRole('button', { name: 'Keep this plan' }).click()
  await expect(page.locator(said)).toContainText('The plan is in force.')

  const ready = await ask<
    { candidate: { name: string; player: number }; rounds: { passages: { passage: number }[] }[] }[]
  >(page, `/api/auditions/${id}/readiness`)
  const lido = ready.find((r) => r.candidate.name === 'Lido Crane')!
  for (const { passage } of lido.rounds[0]!.passages)
    for (const [day, bpm] of [
      [-12, 60],
      [-7, 66],
      [-2, 72],
    ] as const)
      await page.request.post(`${stand.url}/api/log`, {
        data: { passage, player: lido.candidate.player, unit: 'quarter', bpm, heard: inDays(day) },
      })
  await page.goto(`${stand.url}/audition/${id}/candidates`)
  await expect(row.getByText(/in 10|nearly|hardly|sure/).first()).toBeVisible()
  await row.locator('summary').first().click()
  await row
    .getByRole('link', { name: /etude: Measures/ })
    .first()
    .click()
  await expect(page.getByText('Type the tempo once.')).toBeVisible()
})

test('three listeners mark numbers in a drawn order; the result has names', async ({ page }) => {
  const id = await setId(page)
  await page.goto(`${stand.url}/audition/${id}/mocks`)
  await page.getByRole('button', { name: 'New mock audition' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('How marks become one').selectOption({ label: 'without the highest and the lowest' })
  await dialog.getByLabel('Seed of the order').fill('4711')
  await settled(page)
  await dialog.getByRole('button', { name: 'Draw the order' }).click()
  await expect(page.getByText('The order was drawn from the seed 4711')).toBeVisible()
  await expect(page.getByText('Lido Crane')).toHaveCount(0)
  for (const [listener, digits] of [
    ['Listener 1', '5554555'],
    ['Listener 2', '4444444'],
    ['Listener 3', '3333333'],
  ] as const) {
    const value = await page
      .getByLabel('Listener', { exact: true })
      .locator('option', { hasText: listener })
      .getAttribute('value')
    await page.getByLabel('Listener', { exact: true }).selectOption(value!)
    await page.getByRole('button', { name: /^Number 1, right notes/ }).focus()
    for (const [i, digit] of [...digits].entries()) {
      await page.keyboard.press(digit)
      await expect(page.locator(`[data-cell="0 ${i}"]`)).toHaveText(digit)
      await page.waitForTimeout(120)
    }
  }
  await settled(page)
  await page.getByRole('tab', { name: 'Results' }).click()
  await expect(page.getByRole('cell', { name: '80', exact: true })).toBeVisible()
  await expect(page.getByText('without Listener 3 and Listener 1')).toBeVisible()
  await expect(page.getByText('Not heard yet: 2, 3.')).toBeVisible()
  await settled(page)
  await page.getByRole('tab', { name: 'Marks' }).click()
  await page
    .getByRole('link', { name: 'Listeners’ sheets' })
    .or(page.getByRole('link', { name: "Listeners' sheets" }))
    .click()
  await expect(page.getByRole('article')).toHaveCount(3)
  await settled(page)
})

test('scales are chosen, seen, kept and fingered', async ({ page }) => {
  await page.goto(`${stand.url}/auditions/scales`)
  await page.getByLabel('Instrument', { exact: true }).selectOption({ label: 'Trumpet' })
  await expect(page.getByTestId('variant').locator('svg g.note').first()).toBeVisible({ timeout: 30_000 })
  await page.getByLabel('Kinds').selectOption({ label: 'chromatic' })
  await page.getByLabel('Fingerings').selectOption({ label: 'at every note that has several' })
  await page.getByLabel('Slurs').selectOption({ label: 'slurred by twos' })
  await expect(page.getByTestId('variant').getByText('chromatic').first()).toBeVisible({ timeout: 30_000 })
  await settled(page)
  await page.getByLabel('Keep it in').selectOption({ label: 'Ridge audition' })
  await page.getByRole('button', { name: 'Keep the list' }).click()
  await expect(page.getByText('Fingerings (Trumpet)')).toBeVisible({ timeout: 30_000 })
  const set = await ask<{ entries: { kind: string; instrument: string }[] }>(
    page,
    `/api/auditions/${await setId(page)}`,
  )
  expect(set.entries.some((e) => e.kind === 'scales' && e.instrument === 'trumpet-bb')).toBe(true)
})
