import { expect, test } from '@playwright/test'
import { ownStand } from './desk'

/** Two directors at one player, and the director's own password. */
const demo = ownStand()
const school = ownStand({ demo: false })

test('who changes what somebody else has changed meanwhile is told, and goes on from what stands', async ({ page }) => {
  await page.goto(`${demo.url}/ensemble`)
  const section = (await (await page.request.get(`${demo.url}/api/ensemble`)).json())[0]
  const player = section.players[0]
  await page.getByRole('button', { name: player.name }).click()
  const other = { ...player, section: section.id, name: 'Rowan Teasel', options: null }
  const changed = await page.request.put(`${demo.url}/api/ensemble/players/${player.id}`, { data: other })
  expect(changed.status()).toBe(200)
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Chair').fill('7')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.getByRole('alert')).toContainText('changed by somebody else')
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  // The list behind shows what stands now, and the change is made on that.
  await page.getByRole('button', { name: 'Rowan Teasel' }).click()
  await dialog.getByLabel('Chair').fill('7')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog).toBeHidden()
  const now = (await (await page.request.get(`${demo.url}/api/ensemble`)).json())[0].players
  expect(now.find((p: { id: number }) => p.id === player.id)).toMatchObject({ name: 'Rowan Teasel', chair: 7 })
})

test('a common password is refused, and a new one ends the sessions of the old', async ({ page, browser }) => {
  await page.goto(school.url)
  await page.getByLabel('Name').fill('Orla')
  await page.getByLabel('Password').fill('password1234')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByRole('alert')).toContainText('tried first')
  await page.getByLabel('Password').fill('four quiet wooden spoons')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible()

  const elsewhere = await (await browser.newContext()).newPage()
  const signIn = (password: string) =>
    elsewhere.request.post(`${school.url}/api/session`, { data: { name: 'Orla', password } })
  expect((await signIn('four quiet wooden spoons')).status()).toBe(200)
  expect((await elsewhere.request.get(`${school.url}/api/pieces`)).status()).toBe(200)

  await page.getByRole('button', { name: 'Password' }).click()
  await page.getByLabel('Present password').fill('four quiet wooden spoons')
  await page.getByLabel('New password').fill('six loud copper kettles')
  await page.getByRole('dialog').getByRole('button', { name: 'Change', exact: true }).last().click()
  await expect(page.getByTestId('told')).toContainText('The password is changed.')
  expect((await elsewhere.request.get(`${school.url}/api/pieces`)).status()).toBe(401)
  expect((await signIn('six loud copper kettles')).status()).toBe(200)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible()
})
