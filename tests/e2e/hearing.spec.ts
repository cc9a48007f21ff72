import { expect, type Page } from '@playwright/test'
import { accessible, engraved, ownStand, pagesOf, test } from './desk'

/** A section heard by keys, nonsense asked back, and a playing test with its sheet. */
const stand = ownStand()

const said = '[data-testid=told]'
const log = async (page: Page) =>
  (await (await page.request.get(`${stand.url}/api/log`)).json()) as {
    id: number
    playerName: string
    bpm: number
    clean: boolean
    note: string
  }[]

test('eight players are heard in fewer than twenty keys, the missed one too', async ({ page }) => {
  const before = (await log(page)).length
  await page.goto(`${stand.url}/piece/1/hear`)
  await engraved(page)
  // What can be fixed by one key is there too.
  await expect(page.getByRole('list', { name: 'What to fix' })).toBeVisible()
  await page.getByLabel('Tempo of Maribel Oake').focus()
  await page.getByLabel('Tempo of Maribel Oake').selectText()
  let keys = 0
  const press = async (key: string) => {
    keys++
    await page.keyboard.press(key)
  }
  const players = ['Maribel Oake', 'Tansy Whitlow', 'Juno Castellane', 'Wren Abiola', 'Pell Hartigan', 'Isolde Quay']
  const eight = [...players, 'Corin Ashdown', 'Lark Petrosky']
  await press('8')
  await press('4')
  for (const name of eight) {
    await expect(page.getByLabel(`Tempo of ${name}`)).toBeFocused()
    if (name === 'Tansy Whitlow') await press('a')
    await press(name === 'Isolde Quay' ? '-' : 'Enter')
    await expect(page.locator(said)).toContainText(`Logged: ${name}`)
  }
  expect(keys).toBeLessThan(20)
  const entries = (await log(page)).slice(0, 8)
  expect((await log(page)).length).toBe(before + 8)
  expect(entries.filter((e) => !e.clean).map((e) => e.playerName)).toEqual(['Isolde Quay'])
  expect(entries.every((e) => e.bpm === 84)).toBe(true)
  expect(entries.find((e) => e.playerName === 'Tansy Whitlow')!.note).not.toBe('')
  await accessible(page)
  // One key takes the last one back.
  await page.keyboard.press('u')
  await expect(page.locator(said)).toContainText('Undone: Logged: Lark Petrosky')
  expect((await log(page)).length).toBe(before + 7)
})

test('nonsense is asked back, and Enter logs it all the same', async ({ page }) => {
  const before = (await log(page)).length
  await page.goto(`${stand.url}/piece/1/hear`)
  const field = page.getByLabel('Tempo of Maribel Oake')
  await field.fill('400')
  await field.press('Enter')
  const asked = page.getByRole('dialog', { name: 'Is this meant?' })
  await expect(asked).toContainText('Quarter = 400 against a goal of 104')
  await page.waitForTimeout(400)
  await accessible(page)
  await page.keyboard.press('Escape')
  await expect(asked).toHaveCount(0)
  expect((await log(page)).length).toBe(before)
})

test('who is ready is told by section, with what gives and the fan of one player', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/hear`)
  await page.getByRole('tab', { name: 'Who is ready' }).click()
  await page.getByRole('button', { name: 'What gives for Flutes' }).click()
  await expect(page.getByText(/instead of 104 the chance is/)).toBeVisible()
  await page.getByText('Entries and what is expected of Maribel Oake').click()
  await expect(page.locator('figcaption').getByText('Maribel Oake: quarters a minute')).toBeVisible()
  await page.waitForLoadState('networkidle')
  await accessible(page)
  await page
    .getByRole('button', { name: /^Correct the entry of/ })
    .first()
    .click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Beats a minute').fill('77')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.locator(said)).toContainText('The entry of Maribel Oake is corrected.')
  await page.getByRole('heading', { name: 'Who will be ready' }).click()
  await page.keyboard.press('Control+z')
  await expect(page.locator(said)).toContainText('Undone: The entry of Maribel Oake is corrected.')
})

test('the same remark for many is written once', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/hear`)
  await page.getByRole('tab', { name: 'Who is ready' }).click()
  await page.getByText('A remark for many').click()
  await page.getByLabel('Remark', { exact: true }).fill('Shorter dots, same tempo.')
  await page.getByLabel('Whom it reaches').selectOption('Clarinets')
  await page.getByRole('button', { name: 'Say it to 6' }).click()
  await expect(page.locator(said)).toContainText('The remark reaches 6 players.')
  await page.goto(`${stand.url}/player/7`)
  await expect(page.getByText('Shorter dots, same tempo.')).toBeVisible()
})

test('a test is made, marked by digits on one screen, printed and given out', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/hear`)
  await page.getByRole('tab', { name: 'Tests' }).click()
  await page.getByRole('button', { name: 'New test' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Title').fill('Autumn test')
  await dialog.getByLabel('Weight of style').fill('0')
  await dialog.getByLabel('Weight of right notes').fill('3')
  await dialog.getByRole('button', { name: 'Make the test' }).click()
  await expect(page.getByText('Autumn test', { exact: true })).toBeVisible()
  const entry = page.locator('.entries li').filter({ hasText: 'Autumn test' })
  await entry.getByRole('link', { name: 'Enter marks' }).click()
  const first = page.getByRole('button', { name: /^Maribel Oake, right notes: no mark/ })
  await first.focus()
  // Faster than the server answers: none is lost.
  await page.keyboard.type('455355')
  const row = page.getByRole('row').filter({ hasText: 'Maribel Oake' })
  await expect(row).toContainText('87.5')
  await expect(row).toContainText('right notes')
  await expect(page.getByRole('button', { name: /^Tansy Whitlow, right notes/ })).toBeFocused()
  await accessible(page)
  const csv = await (
    await page.request.get(stand.url + (await page.getByRole('link', { name: 'Results as CSV' }).getAttribute('href'))!)
  ).text()
  expect(csv.split('\n')[0]).toContain('right notes (3)')
  expect(csv).toContain('Maribel Oake,Flutes,4,5,5,3,5,5,87.5')
  await page.getByRole('link', { name: 'Test sheet' }).click()
  await expect(page.locator('.test-page .music svg g.note').first()).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText('counts 3 times').first()).toBeVisible()
  await expect(page.getByText('style', { exact: true })).toHaveCount(0)
  const sheets = await page.locator('.test-page').count()
  await page.waitForTimeout(1500)
  const pdf = await page.pdf({ preferCSSPageSize: true })
  expect(pagesOf(pdf)).toBe(sheets)
})
