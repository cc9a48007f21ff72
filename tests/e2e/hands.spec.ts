import { expect } from '@playwright/test'
import { accessible, engraved, ownStand, pagesOf, test } from './desk'

/** The hands in a browser: diagrams, charts corrected by a teacher, the crib; and the panels of Unify. */
const stand = ownStand()

test('a choice shows its diagram on focus, is changed by hand, and the rest is solved again', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/technique?from=21&to=26&parts=P6`)
  const first = page.locator('.entries .entry').first()
  await expect(first).toContainText('one-and-one')
  await first.focus()
  await expect(page.getByRole('img', { name: /^pressed:/ })).toBeVisible()
  await page
    .getByRole('button', { name: /Take bis/ })
    .first()
    .click()
  await expect(page.getByText('stays here now').last()).toBeVisible()
  await expect(page.getByText(/^Write (it|these \d+) in$/)).toBeVisible()
})

test('the crib prints the passage on one page', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/crib/P6?from=21&to=30`)
  await expect(page.getByText('Fingerings for measures 21–30')).toBeVisible()
  await expect(page.locator('.crib svg').first()).toBeVisible()
  await engraved(page)
  await accessible(page)
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await page.pdf({ format })
    expect(pagesOf(pdf)).toBe(1)
  }
})

test('a teacher corrects the chart, and takes it back', async ({ page }) => {
  await page.goto(`${stand.url}/charts/flute`)
  const note = page.getByRole('region', { name: 'B♭4' })
  await expect(note.getByRole('img')).toHaveCount(3)
  await accessible(page)
  await note.getByRole('button', { name: 'Correct' }).first().click()
  await page.getByLabel('How it stands').selectOption('never')
  await page.getByRole('button', { name: 'Correct the chart' }).click()
  await expect(note.getByText('never, as this school has it')).toBeVisible()
  await expect(page.getByRole('complementary').getByText('1 corrected')).toBeVisible()
  await note.getByRole('button', { name: 'Correct' }).last().click()
  await page.getByRole('button', { name: 'Take the correction back' }).click()
  await expect(note.getByRole('img')).toHaveCount(3)
})

test('a fingering of the school’s own is refused without keys, and kept with them', async ({ page }) => {
  await page.goto(`${stand.url}/charts/flute`)
  const note = page.getByRole('region', { name: 'D5', exact: true })
  await note.getByRole('button', { name: 'Add a fingering' }).click()
  await page.getByLabel('Short name').fill('ours')
  await page.getByRole('button', { name: 'Correct the chart' }).click()
  await expect(page.getByRole('alert')).toContainText('at least one key')
  await page.getByRole('dialog').getByRole('button', { name: 'Th', exact: true }).click()
  await page.getByRole('button', { name: 'Correct the chart' }).click()
  await expect(note.getByText('ours')).toBeVisible()
})

test('what a player’s instrument has is kept', async ({ page }) => {
  await page.goto(`${stand.url}/ensemble`)
  const answer = await page.request.get(`${stand.url}/api/ensemble`)
  const sections = (await answer.json()) as { players: { id: number; name: string; instrument: string }[] }[]
  const player = sections.flatMap((s) => s.players).find((p) => p.instrument === 'oboe')!
  await page
    .getByRole('button', { name: new RegExp(player.name) })
    .first()
    .click()
  await page.getByRole('dialog').getByLabel('Left F key').uncheck()
  await page.getByRole('button', { name: 'Save' }).click()
  await page
    .getByRole('button', { name: new RegExp(player.name) })
    .first()
    .click()
  await expect(page.getByRole('dialog').getByLabel('Left F key')).not.toBeChecked()
})

for (const [panel, text] of [
  ['Lines', 'Who goes with whom'],
  ['Bows', '⊓'],
  ['Balance', 'dB'],
] as const) {
  test(`unify’s panel ${panel} speaks and is accessible`, async ({ page }) => {
    const problems: string[] = []
    page.on('pageerror', (e) => problems.push(e.message))
    await page.goto(`${stand.url}/piece/${panel === 'Bows' ? 2 : 1}/unify?from=8&to=15`)
    await page.getByText(panel, { exact: true }).click()
    await expect(page.getByRole('complementary').getByText(text).first()).toBeVisible({ timeout: 15_000 })
    await accessible(page)
    expect(problems).toEqual([])
  })
}
