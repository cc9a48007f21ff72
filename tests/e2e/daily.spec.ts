import { expect, type Page } from '@playwright/test'
import { engraved, listed, ownStand, test } from './desk'
import { startStand } from './stand.mjs'

/** A day at the desk by keys alone: lists, undo, marks, parts, people; on a slow machine, and with the server away. */
const stand = ownStand()

const list = (page: Page) => page.getByRole('complementary', { name: 'Station' })
const entries = (page: Page) => page.locator('aside .entries > li')
const said = (page: Page) => page.getByTestId('told')
const focusIsKept = (page: Page) => page.evaluate(() => document.activeElement !== document.body)

async function open(page: Page, path: string, text: string) {
  await page.goto(stand.url + path)
  await expect(page.getByText(text).first()).toBeVisible()
  await engraved(page)
  await page.waitForLoadState('networkidle')
  if (/\/(study|unify)\b/.test(path)) await listed(page)
}

test('twenty differences are settled in at most 22 keys, though each answer takes its time', async ({ page }) => {
  await page.route('**/decisions', async (route) => {
    if (route.request().method() === 'POST') await new Promise((r) => setTimeout(r, 150))
    await route.continue()
  })
  await open(page, '/piece/1/unify', 'Where the line disagrees')
  const before = await entries(page).count()
  expect(before).toBeGreaterThanOrEqual(20)
  let keys = 0
  const press = async (key: string) => {
    keys += 1
    await page.keyboard.press(key)
  }
  await press('j')
  for (let i = 0; i < 20; i++) {
    await press('a')
    // The list answers within the frame, whatever the server does; a decision may settle others too.
    expect(await entries(page).count()).toBeLessThanOrEqual(before - 1 - i)
    // What had the focus is gone: the list has it within a frame or two, before anybody presses the next key.
    if (i > 0) await expect.poll(() => focusIsKept(page), { timeout: 2000 }).toBe(true)
  }
  expect(keys).toBeLessThanOrEqual(22)
  // The list never filtered itself, and every key was kept.
  await expect(page).not.toHaveURL(/from=/)
  await expect
    .poll(async () => (await (await page.request.get(`${stand.url}/api/pieces/1/decisions`)).json()).length, {
      timeout: 20_000,
    })
    .toBeGreaterThanOrEqual(28)
  await expect(page.getByRole('button', { name: /^Done/ })).toContainText('20')
  for (let i = 0; i < 20; i++) {
    const done = Number((await page.getByRole('button', { name: /^Done/ }).textContent())!.match(/\d+/)![0])
    await page.keyboard.press('Control+z')
    await expect(page.getByRole('button', { name: /^Done/ })).toContainText(String(done - 1))
  }
  await expect(page.getByText(`To decide ${before}`)).toBeVisible()
})

test('what is refused comes back into hand with a sentence', async ({ page }) => {
  await page.route('**/pieces/1/decisions', (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({ status: 409, contentType: 'application/problem+json', body: '{"detail":"Settled elsewhere."}' })
      : route.continue(),
  )
  await open(page, '/piece/1/unify', 'Where the line disagrees')
  const before = await entries(page).count()
  await page.keyboard.press('j')
  await page.keyboard.press('a')
  await expect(said(page)).toContainText('Settled elsewhere.')
  await expect(entries(page)).toHaveCount(before)
  await expect(entries(page).first()).toHaveAttribute('aria-current', 'true')
})

test('two tabs at the same difference: the second is told', async ({ page, context }) => {
  const other = await context.newPage()
  for (const tab of [page, other]) await open(tab, '/piece/2/unify', 'Where the line disagrees')
  for (const tab of [page, other]) await tab.keyboard.press('j')
  await page.keyboard.press('a')
  await expect(said(page)).toContainText('written into')
  await other.keyboard.press('a')
  await expect(said(other)).toContainText('settled already')
  await page.keyboard.press('Control+z')
  await expect(said(page)).toContainText('Undone')
})

test('a held arrow follows at the screen’s pace on a slow server, and only the last selection is fetched', async ({
  page,
}) => {
  await open(page, '/piece/1/study?from=1&to=1&parts=P1', 'What hides here')
  const asked = { sessions: 0, slices: [] as string[], reasons: 0 }
  page.on('request', (r) => {
    if (r.url().endsWith('/api/session')) asked.sessions += 1
    if (r.url().includes('/heat/reasons')) asked.reasons += 1
  })
  await page.route('**/slice.musicxml**', async (route) => {
    await new Promise((r) => setTimeout(r, 3000))
    await route.continue().catch(() => undefined)
  })
  page.on('requestfinished', (r) => r.url().includes('slice.musicxml') && asked.slices.push(r.url()))
  await page.keyboard.press('g')
  await expect(page.getByRole('application')).toBeFocused()
  const started = Date.now()
  for (let i = 0; i < 25; i++) await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: 'Flute, measure 26' })).toBeVisible({ timeout: 1000 })
  // Twenty-five cells in less than one answer of the server.
  expect(Date.now() - started).toBeLessThan(3000)
  await expect(page).toHaveURL(/from=26&to=26/)
  await expect.poll(() => asked.slices.length, { timeout: 15_000 }).toBe(1)
  expect(asked.slices[0]).toContain('from=26&to=26')
  expect(asked.sessions).toBe(0)
  expect(asked.reasons).toBe(0)
  await expect(page).toHaveTitle('Harbor Lanterns · Mellow Stand')
})

test('Study by keys: written in once, dismissed, held back and reworded, each with its way back', async ({ page }) => {
  await open(page, '/piece/1/study?from=21&to=30&parts=P3', 'What hides here')
  await page.keyboard.press('j')
  const before = await entries(page).count()
  await page.keyboard.press('w')
  await expect(said(page)).toContainText('is written into')
  await expect(entries(page)).toHaveCount(before - 1)
  await page.keyboard.press('Control+z')
  await expect(said(page)).toContainText('Undone')
  await expect(entries(page)).toHaveCount(before)
  await page.keyboard.press('d')
  await expect(entries(page)).toHaveCount(before - 1)
  await page.keyboard.press('Control+z')
  await expect(entries(page)).toHaveCount(before)
  await page.keyboard.press('h')
  await expect(said(page)).toContainText('is held back from the players')
  await page.keyboard.press('r')
  const words = page.getByRole('dialog').getByLabel('In letters and on sheets')
  await expect(words).toBeFocused()
  await words.fill('Count the fifth measure twice.')
  await page.keyboard.press('Control+Enter')
  await expect(page.getByText('Players read: Count the fifth measure twice.')).toBeVisible()
  expect(await focusIsKept(page)).toBe(true)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Players read:')).toHaveCount(0)
})

test('a menu works by keys, and Esc gives the focus back', async ({ page }) => {
  await open(page, '/piece/1/study?from=21&to=30&parts=P3', 'What hides here')
  const more = list(page)
    .getByRole('button', { name: /^More for/ })
    .first()
  await more.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('menuitem').first()).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('menuitem').nth(1)).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('menu')).toHaveCount(0)
  await expect(more).toBeFocused()
  // The selection was not cleared by the same Esc; the next one does.
  await expect(page).toHaveURL(/from=21/)
  await page.keyboard.press('Escape')
  await expect(page).not.toHaveURL(/from=/)
})

test('parts that are no neighbours are chosen by keys, and a remark reaches exactly these', async ({ page }) => {
  await open(page, '/piece/1/study?from=5&to=6&parts=P3', 'What hides here')
  await page.keyboard.press('p')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Trumpet 1', { exact: true }).focus()
  await page.keyboard.press('Space')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Clarinet 1, Trumpet 1, measures 5–6' })).toBeVisible()
  await page.keyboard.press('m')
  await expect(dialog.getByLabel('What to write')).toBeFocused()
  await page.keyboard.press('Tab')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Like one instrument.')
  // A reload keeps what was typed.
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Clarinet 1, Trumpet 1, measures 5–6' })).toBeVisible()
  await page.keyboard.press('m')
  await expect(dialog.getByRole('textbox')).toHaveValue('Like one instrument.')
  await dialog.getByRole('textbox').press('Enter')
  await expect(said(page)).toContainText('written into Clarinet 1, Trumpet 1')
  expect(await focusIsKept(page)).toBe(true)
  for (const [part, has] of [
    ['P3', true],
    ['P9', true],
    ['P1', false],
  ] as const) {
    await page.goto(`${stand.url}/piece/1/letter/${part}`)
    await expect(page.getByRole('heading', { name: 'What to know' })).toBeVisible()
    await expect(page.getByText('Like one instrument.')).toHaveCount(has ? 1 : 0)
  }
  await open(page, '/piece/1/study', 'What hides here')
  await page.keyboard.press('Control+z')
  await expect(said(page)).toContainText('Undone: remark')
})

test('Space plays wherever no text is typed', async ({ page }) => {
  await open(page, '/piece/1/study?from=21&to=30&parts=P3', 'What hides here')
  const play = page.getByRole('button', { name: 'Stop', exact: true })
  await page.keyboard.press('j')
  await list(page).getByRole('button', { name: 'Dismiss', exact: true }).first().focus()
  const before = await entries(page).count()
  await page.keyboard.press('Space')
  await expect(play).toBeVisible()
  expect(await entries(page).count()).toBe(before)
  await page.keyboard.press('Space')
  await expect(play).toHaveCount(0)
  await page.getByRole('checkbox', { name: 'Click' }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByRole('checkbox', { name: 'Click' })).not.toBeChecked()
  await expect(play).toHaveCount(0)
})

test('typed tempos stay and are the same in Tempo, in Assign and under the music; Hear keeps the selection', async ({
  page,
}) => {
  await open(page, '/piece/1/tempo?from=21&to=24&parts=P3', 'Ways to practice')
  await expect(page.getByLabel('Beats per minute of the goal')).toHaveValue('104')
  await page.getByLabel('Beats per minute of the goal').fill('92')
  await page.getByLabel('Beats per minute', { exact: true }).fill('71')
  await expect(page.getByLabel('Beats per minute of the start')).toHaveValue('71')
  await page.getByRole('link', { name: 'Hear', exact: true }).click()
  await page.getByRole('tab', { name: 'Who is ready' }).click()
  await expect(page.getByText('Who will be ready')).toBeVisible()
  await expect(page).toHaveURL(/from=21&to=24&parts=P3/)
  await page.getByRole('link', { name: 'Assign', exact: true }).click()
  await expect(page.getByLabel('Beats per minute of the start')).toHaveValue('71')
  await expect(page.getByLabel('Beats per minute of the goal')).toHaveValue('92')
  await page.keyboard.press('g')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByLabel('Beats per minute of the goal')).toHaveValue('92')
  await expect(page.getByLabel('Beats per minute', { exact: true })).toHaveValue('71')
})

test('handing clarinets’ music to flutes after the concert is asked first; the passage is edited and taken back', async ({
  page,
}) => {
  await open(page, '/piece/1/assign?from=21&to=24&parts=P3', 'Hand out a passage')
  await page.getByLabel('Sections').selectOption('Flutes')
  await page.getByLabel('Ready by').fill('2031-01-10')
  await page.reload()
  await expect(page.getByLabel('Ready by')).toHaveValue('2031-01-10')
  await expect(page.getByText('Flutes', { exact: false }).last()).toBeVisible()
  await page.getByLabel('Title').focus()
  await page.keyboard.press('Enter')
  const asked = page.getByRole('dialog')
  await expect(asked).toContainText('Nobody in Flutes plays Clarinet 1')
  await expect(asked).toContainText('The date is after Harbor Lanterns is due')
  await asked.getByRole('button', { name: 'Hand out all the same' }).click()
  await expect(said(page)).toContainText('is handed out')
  await page.getByRole('button', { name: 'Edit Measures 21–24' }).click()
  const edit = page.getByRole('dialog')
  await edit.getByLabel('To measure').selectOption('26')
  await edit.getByLabel('Title').fill('Letter C, begun')
  await edit.getByLabel('Title').press('Enter')
  await page.getByRole('button', { name: 'Save all the same' }).click()
  await expect(page.getByRole('button', { name: 'Edit Letter C, begun' })).toBeVisible()
  await expect(list(page)).toContainText('measures 21–26')
  for (const words of ['is changed', 'is handed out']) {
    await page.keyboard.press('Escape')
    await page.keyboard.press('Control+z')
    await expect(said(page)).toContainText('Undone')
    await expect(said(page)).toContainText(words)
  }
  await expect(page.getByRole('button', { name: 'Edit Measures 21–24' })).toHaveCount(0)
})

test('the server away: one banner, acts refused in words, and back by itself', async ({ page }) => {
  let own = await startStand({ demo: true })
  await page.goto(`${own.url}/piece/1/study?from=21&to=30&parts=P3`)
  await engraved(page)
  await listed(page)
  const before = await entries(page).count()
  await page.keyboard.press('j')
  await expect(entries(page).first()).toHaveAttribute('aria-current', 'true')
  await own.kill()
  await page.keyboard.press('d')
  await expect(said(page)).toContainText('was not confirmed')
  await expect(page.locator('.away')).toHaveCount(1)
  await expect(entries(page)).toHaveCount(before)
  await page.keyboard.press('w')
  await expect(said(page)).toContainText('was not done')
  own = await startStand({ demo: true, port: own.port, data: own.data })
  await expect(page.locator('.away')).toHaveCount(0, { timeout: 20_000 })
  await page.keyboard.press('d')
  await expect(said(page)).toContainText('dismissed')
  await own.stop()
})

test('what the address names and is not there is told in a sentence', async ({ page }) => {
  await open(page, '/piece/1/study?from=999&parts=P77', 'What hides here')
  await expect(page.getByRole('alert')).toContainText('no measure “999” and no part “P77”')
  await page.goto(`${stand.url}/piece/1/part/P77`)
  await expect(page.getByRole('alert')).toContainText('This piece has no part “P77”')
  await page.goto(`${stand.url}/piece/4711/study`)
  await expect(page.getByRole('alert')).toContainText('There is no piece 4711')
})

test('the shortcuts page lists every key of the station in hand', async ({ page }) => {
  await open(page, '/piece/1/study', 'What hides here')
  await page.keyboard.press('?')
  for (const words of ['Write it into the parts', 'Undo what was done last', 'Choose parts', 'Turn the stroke'])
    await expect(page.getByRole('dialog')).toContainText(words)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
})
