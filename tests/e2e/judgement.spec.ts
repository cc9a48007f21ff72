import { expect } from '@playwright/test'
import { ownStand, test } from './desk'

/** What a director signs, worked by keys: the music comes along, the sure ones first, bows turned by hand. */
const stand = ownStand()

test('the list is walked by keys, the music comes along and the list stays', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/unify`)
  const entries = page.locator('.entries > li')
  await expect(entries.first()).toBeVisible()
  const count = await entries.count()
  expect(count).toBeGreaterThan(10)
  const title = page.locator('.music h2')
  const before = await title.textContent()
  await page.keyboard.press('j')
  await expect(title).not.toHaveText(before ?? '')
  const first = await title.textContent()
  await page.keyboard.press('j')
  await page.keyboard.press('j')
  await expect(title).not.toHaveText(first ?? '')
  await expect(entries).toHaveCount(count)
  await expect(page).not.toHaveURL(/from=/)
})

test('the sure ones are shown, one is left out, and they are one act with one undo', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/unify`)
  const open = page.getByText(/^To decide \d+$/)
  await expect(open).toBeVisible()
  const before = Number((await open.textContent())!.split(' ').at(-1))
  await page.keyboard.press('s')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('checkbox').first()).toBeChecked()
  const sure = await dialog.getByRole('checkbox').count()
  await dialog.getByRole('checkbox').first().click()
  await dialog.getByRole('button', { name: `Accept ${sure - 1}`, exact: true }).click()
  await expect(page.getByText(`To decide ${before - sure + 1}`)).toBeVisible()
  await page.getByRole('button', { name: `Undo these ${sure - 1}` }).click()
  await expect(page.getByText(`To decide ${before}`)).toBeVisible()
})

test('a whole list is settled in few keys: the sure ones first, then one by one', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/unify`)
  await expect(page.getByText(/^To decide \d+$/)).toBeVisible()
  let keys = 0
  const press = async (key: string) => {
    keys += 1
    await page.keyboard.press(key)
  }
  await press('s')
  const accept = page.getByRole('dialog').getByRole('button', { name: /^Accept/ })
  await expect(accept).toBeFocused()
  await press('Enter')
  await expect(page.getByRole('button', { name: /^Undo these/ })).toBeVisible()
  const left = () => page.locator('.entries > li').count()
  for (let i = 0; i < 12 && (await left()) > 0; i++) {
    const now = await left()
    await press('a')
    if (i > 0) await expect.poll(left).toBeLessThan(now + 1)
    await page.waitForTimeout(700)
  }
  await expect(page.getByText('Everything in the selection is settled.')).toBeVisible()
  expect(keys).toBeLessThanOrEqual(25)
})

test('a bow is turned by hand and a second bowing is offered', async ({ page }) => {
  await page.goto(`${stand.url}/piece/2/unify?from=8&to=15`)
  await page.getByText('Bows', { exact: true }).click()
  await expect(page.locator('.proposed').first()).toHaveText(/[⊓V]/)
  const stroke = page.locator('.stroke').nth(1)
  const told = await stroke.getAttribute('aria-label')
  await page.getByText('The other way').click()
  await expect(page.locator('.stroke').first()).toBeVisible()
  await page.getByText('Proposed').click()
  await stroke.click()
  await page.getByRole('button', { name: /^(Turn to|Hook or retake)/ }).click()
  await expect(stroke).not.toHaveAttribute('aria-label', told ?? '')
})
