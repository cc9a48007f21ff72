import { expect } from '@playwright/test'
import { ownStand, test } from './desk'

/** The first days of a school: players from a list, sections from a score, who plays what, and their records. */
const stand = ownStand()

const said = '[data-testid=told]'

test('players come from a list that is mended in place, as one act with one undo', async ({ page }) => {
  await page.goto(`${stand.url}/ensemble`)
  const csv =
    'Student;Instrument;Section;Chair\nPell Hartigan;Oboe;Oboes;3\nMoss Adder;Bb Clarinet;;9\nTarn Wick;Kazoo;Brass Choir;x\n'
  await page
    .getByLabel('List of players')
    .setInputFiles({ name: 'autumn.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('this name is there already')
  await expect(dialog).toContainText('no instrument is known as "Kazoo"')
  await expect(dialog.getByLabel('Section in line 3')).toHaveValue('Clarinets')
  await dialog.getByLabel('Name in line 2').fill('Pell Hartigan-Two')
  await dialog.getByLabel('Instrument in line 4').selectOption('Cornet')
  await dialog.getByLabel('Instrument in line 4').press('Enter')
  await dialog.getByRole('button', { name: 'Add 3 players' }).click()
  await expect(page.locator(said)).toContainText('3 players added, with 1 new sections')
  await expect(page.getByRole('region', { name: 'Brass Choir' })).toContainText('Tarn Wick')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('region', { name: 'Brass Choir' })).toHaveCount(0)
  await expect(page.getByText('Moss Adder')).toHaveCount(0)
})

test('a list that is none is refused in words', async ({ page }) => {
  await page.goto(`${stand.url}/ensemble`)
  await page
    .getByLabel('List of players')
    .setInputFiles({ name: 'odd.csv', mimeType: 'text/csv', buffer: Buffer.from('a,b\n1,2\n') })
  await expect(page.locator(said)).toContainText('odd.csv has no column "name"')
})

test('Enter saves a player, another follows, a twin is told, and who leaves keeps their history', async ({ page }) => {
  await page.goto(`${stand.url}/ensemble`)
  await page.getByRole('button', { name: 'Add a player to Oboes' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByLabel('Name')).toBeFocused()
  await page.keyboard.type('Isolde Quay')
  await expect(dialog).toContainText('There is a Isolde Quay already: Oboes, chair 2')
  await dialog.getByLabel('Name').fill('Fable Marsh')
  await dialog.getByRole('button', { name: 'Save and add another' }).click()
  await expect(dialog.getByLabel('Name')).toHaveValue('')
  await dialog.getByLabel('Name').fill('Sorrel Vane')
  await page.keyboard.press('Enter')
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('button', { name: 'Sorrel Vane' })).toBeVisible()
  await page.getByRole('button', { name: 'Maribel Oake' }).click()
  await dialog.getByRole('button', { name: 'Leaves the ensemble' }).click()
  await expect(page.getByRole('button', { name: 'Maribel Oake' })).toHaveCount(0)
  await page.goto(`${stand.url}/records`)
  await expect(page.getByRole('link', { name: 'Maribel Oake' }).first()).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.locator(said)).toContainText('Undone')
  await page.goto(`${stand.url}/ensemble`)
  await expect(page.getByRole('button', { name: 'Maribel Oake' })).toBeVisible()
})

test('a section is renamed, and sections come from the parts of a score', async ({ page }) => {
  await page.goto(`${stand.url}/ensemble`)
  await page.getByRole('button', { name: 'Rename Low reeds' }).click()
  await page.getByLabel('New name of the section').fill('Deep reeds')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Deep reeds' })).toBeVisible()
  await page.getByLabel('Sections from a score').selectOption('Harbor Lanterns')
  await expect(page.locator(said)).toContainText('1 sections made from the parts')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('region', { name: 'Low reeds' })).toBeVisible()
})

test('who plays a part is seen and set by hand', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/parts`)
  const seats = page.getByRole('button', { name: 'Who plays Clarinet 2' })
  await expect(seats).toContainText('Emrys Dole')
  await seats.click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Emrys Dole').uncheck()
  await page.keyboard.press('Enter')
  await expect(seats).not.toContainText('Emrys Dole')
  await expect(page.getByText('set by hand')).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(seats).toContainText('Emrys Dole')
})

test('records are narrowed, go out, and a player has a page', async ({ page }) => {
  await page.goto(`${stand.url}/records`)
  const rows = page.getByRole('row')
  await expect(rows.nth(5)).toBeVisible()
  const all = await rows.count()
  await page.getByLabel('Section', { exact: true }).selectOption('Oboes')
  await expect.poll(() => rows.count()).toBeLessThan(all)
  await expect(page).toHaveURL(/section=\d+/)
  const csv = await (
    await page.request.get(stand.url + (await page.getByRole('link', { name: 'CSV' }).getAttribute('href'))!)
  ).text()
  expect(csv.trim().split('\n')).toHaveLength(await rows.count())
  const json = await (
    await page.request.get(stand.url + (await page.getByRole('link', { name: 'JSON' }).getAttribute('href'))!)
  ).json()
  expect(json).toHaveLength((await rows.count()) - 1)
  await page.getByRole('link', { name: 'Isolde Quay' }).first().click()
  await expect(page.getByRole('heading', { name: 'Isolde Quay' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'To play' })).toBeVisible()
  await expect(page.getByText('Tune in unison').first()).toBeVisible()
})

test('a tempo is logged by keys alone, and taken back', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/hear`)
  await page.getByRole('tab', { name: 'Who is ready' }).click()
  await expect(page.getByText('Who will be ready')).toBeVisible()
  await expect(page.locator('.people li').first()).toBeVisible()
  await page.keyboard.press('j')
  await page.keyboard.press('j')
  await page.keyboard.press('t')
  await page.keyboard.type('88')
  await page.keyboard.press('Enter')
  await expect(page.locator(said)).toContainText('Logged: Tansy Whitlow, clean at quarter = 88.')
  await page.getByRole('heading', { name: 'Who will be ready' }).click()
  await page.keyboard.press('Control+z')
  await expect(page.locator(said)).toContainText('Undone: Logged')
})
