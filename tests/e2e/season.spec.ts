import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import ICAL from 'ical.js'
import { accessible, ownStand, pagesOf, set, test } from './desk'
import { inDays } from './stand.mjs'

/** From the date backwards: cut, planned, moved by hand, replanned after being late; files read back by another library. */
const stand = ownStand()

const said = '[data-testid=told]'
interface Session {
  id: number
  day: string
}
interface Item {
  passage: number
  band: string
  players: number[]
  sections: number[]
  sessions: Session[]
}
const season = async (page: Page) =>
  (await (await page.request.get(`${stand.url}/api/season`)).json()).plan as { id: number; items: Item[]; late: number }

test('passages are proposed, shaped by hand with a way back, and handed out in one act with one undo', async ({
  page,
}) => {
  await page.goto(`${stand.url}/piece/2/assign`)
  await page.getByRole('tab', { name: 'Cut' }).click()
  await page.getByLabel('Longest passage').selectOption({ label: 'at most 8 measures' })
  await page.getByRole('button', { name: 'Propose passages' }).click()
  const give = page.getByRole('button', { name: /^Hand out \d+ passages$/ })
  await expect(give).toBeVisible()
  const count = async () => Number((await give.innerText()).match(/\d+/)![0])
  const proposed = await count()
  expect(proposed).toBeGreaterThan(4)

  await page.getByLabel('Passages of').selectOption({ label: 'Violin 1' })
  const entries = page.locator('aside .entries > li')
  const first = entries.first().locator('strong')
  const before = await first.innerText()
  // The boundary is dragged by the pointer, and moved by the arrow keys.
  const handle = page.getByRole('slider', { name: /^End of the passage/ }).first()
  const box = (await handle.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x - 18, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(first).not.toHaveText(before)
  const dragged = await first.innerText()
  await handle.focus()
  await page.keyboard.press('ArrowRight')
  await expect(first).not.toHaveText(dragged)
  await page.getByRole('button', { name: 'Back one step' }).click()
  await expect(first).toHaveText(dragged)
  await page.getByRole('button', { name: 'Back one step' }).click()
  await expect(first).toHaveText(before)

  await page
    .getByRole('button', { name: /^Split / })
    .first()
    .click()
  await page.getByLabel(/^Split .* before$/).selectOption({ index: 2 })
  expect(await count()).toBe(proposed + 1)
  await page
    .getByRole('button', { name: /^Join / })
    .first()
    .click()
  expect(await count()).toBe(proposed)
  await page
    .getByRole('button', { name: /^Drop / })
    .first()
    .click()
  expect(await count()).toBe(proposed - 1)
  await accessible(page)

  await give.click()
  await expect(page.locator(said)).toContainText(`${proposed - 1} passages are handed out to those who play them.`)
  const handed = await (await page.request.get(`${stand.url}/api/pieces/2/passages`)).json()
  expect(handed).toHaveLength(proposed - 1 + 1)
  await page.keyboard.press('Control+z')
  await expect(page.locator(said)).toContainText('Undone')
  expect(await (await page.request.get(`${stand.url}/api/pieces/2/passages`)).json()).toHaveLength(1)
})

test('a session moved by hand stays, and a plan made anew goes around it', async ({ page }) => {
  await page.goto(`${stand.url}/season`)
  await page
    .getByRole('button', { name: /^Move / })
    .last()
    .click()
  const dialog = page.getByRole('dialog')
  const plan = await season(page)
  const days = (await (await page.request.get(`${stand.url}/api/season`)).json()).plan.days as {
    date: string
    minutes: number
  }[]
  const free = days.filter((d) => d.minutes > 0).at(-2)!.date
  await dialog.getByLabel('To the day').fill(free)
  await dialog.getByRole('button', { name: 'Move' }).click()
  await expect(page.locator(said)).toContainText('Plan anew to lay the rest around it')
  await page.getByRole('button', { name: 'Plan anew' }).click()
  await expect(dialog.getByText('What it changes')).toBeVisible({ timeout: 60_000 })
  await accessible(page)
  await dialog.getByRole('button', { name: 'Keep this plan' }).click()
  await expect(page.locator(said)).toContainText('The plan is in force.')
  const now = await season(page)
  expect(now.id).not.toBe(plan.id)
  expect(now.items.flatMap((i) => i.sessions).some((s) => s.day === free)).toBe(true)
  await page.keyboard.press('Control+z')
  await expect(page.locator(said)).toContainText('Undone')
  expect((await season(page)).id).toBe(plan.id)
})

test('what was heard moves nobody in silence: it is told, and the new plan is looked at first', async ({ page }) => {
  const plan = await season(page)
  const item = plan.items.find((i) => i.band === 'ahead' && i.players.length > 1)!
  const passage = await (await page.request.get(`${stand.url}/api/passages/${item.passage}`)).json()
  for (const player of item.players)
    for (const ago of [4, 3, 2, 1, 0])
      await page.request.post(`${stand.url}/api/log`, {
        data: {
          passage: item.passage,
          player,
          unit: 'quarter',
          bpm: passage.start.bpm,
          heard: inDays(-ago),
          clean: false,
        },
      })
  await page.goto(`${stand.url}/season`)
  await expect(page.getByText('The log has moved since this plan was made:')).toBeVisible()
  await expect(page.getByRole('note')).toContainText('now behind')
  // Nothing has moved yet.
  expect((await season(page)).items).toEqual(plan.items)
  await page.getByRole('button', { name: 'Plan anew' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('instead of').first()).toBeVisible({ timeout: 60_000 })
  await dialog.getByRole('button', { name: 'Leave it as it is' }).click()
  expect((await season(page)).id).toBe(plan.id)
})

test('two at once: who moves second is told, and nothing is lost', async ({ browser }) => {
  const pages = await Promise.all([browser.newPage(), browser.newPage()])
  let moves = ''
  for (const page of pages) {
    await page.goto(`${stand.url}/season`)
    const last = page.getByRole('button', { name: /^Move / }).last()
    moves = (await last.getAttribute('aria-label'))!
    await last.click()
  }
  const plan = (await (await pages[0]!.request.get(`${stand.url}/api/season`)).json()).plan
  const items = plan.items as { title: string; sessions: { day: string }[] }[]
  const taken = items.filter((i) => moves.startsWith(`Move ${i.title},`)).flatMap((i) => i.sessions.map((s) => s.day))
  const free = (plan.days as { date: string; minutes: number }[])
    .filter((d) => d.minutes > 0 && !taken.includes(d.date))
    .slice(-4)
  await pages[0]!.getByLabel('To the day').fill(free[0]!.date)
  await pages[0]!.getByRole('dialog').getByRole('button', { name: 'Move' }).click()
  await expect(pages[0]!.locator(said)).toContainText('moved from')
  await pages[1]!.getByLabel('To the day').fill(free[1]!.date)
  await pages[1]!.getByRole('dialog').getByRole('button', { name: 'Move' }).click()
  await expect(pages[1]!.locator(said)).toContainText('was changed by somebody else')
  await Promise.all(pages.map((p) => p.close()))
})

test('a calendar file comes in, is corrected and taken out again; ours are read by another library', async ({
  page,
}) => {
  await page.goto(`${stand.url}/season/calendar`)
  const day = inDays(10).replaceAll('-', '')
  const ics = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Made up//EN',
    'BEGIN:VEVENT',
    'UID:x1',
    'SUMMARY:Staff day',
    `DTSTART;VALUE=DATE:${day}`,
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:x2',
    'SUMMARY:Lanterns evening',
    `DTSTART:${day}T190000`,
    `DTEND:${day}T210000`,
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ].join('\r\n')
  await page
    .getByLabel('Calendar file', { exact: true })
    .setInputFiles({ name: 'year.ics', mimeType: 'text/calendar', buffer: Buffer.from(ics) })
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByLabel('What Staff day is')).toHaveValue('off')
  await dialog.getByLabel('What Lanterns evening is').selectOption({ label: 'Concert, festival, audition' })
  await accessible(page)
  await dialog.getByRole('button', { name: 'Take 2 events' }).click()
  await expect(page.locator(said)).toContainText('2 events of year.ics are in the calendar.')
  await expect(page.getByText('Lanterns evening')).toBeVisible()

  const out = ICAL.parse(await (await page.request.get(`${stand.url}/api/calendar.ics`)).text())
  const events = new ICAL.Component(out).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e))
  const evening = events.find((e) => e.summary === 'Lanterns evening')!
  expect([evening.startDate.hour, evening.startDate.isDate]).toEqual([19, false])
  expect(events.find((e) => e.summary === 'Staff day')!.startDate.isDate).toBe(true)
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Lanterns evening')).toHaveCount(0)

  // The file of a section has each of its sessions on its day.
  const plan = await season(page)
  const section = plan.items[0]!.sections[0]!
  const expected = plan.items.filter((i) => i.sections.includes(section)).flatMap((i) => i.sessions.map((s) => s.day))
  const own = ICAL.parse(await (await page.request.get(`${stand.url}/api/season/sections/${section}.ics`)).text())
  const days = new ICAL.Component(own).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e).startDate.toString())
  expect(days.sort()).toEqual(expected.sort())
})

test('the week of a section and the plan of a piece fit one sheet each', async ({ page }) => {
  for (const paper of ['A4', 'Letter']) {
    await page.goto(`${stand.url}/week/3?paper=${paper}`)
    await expect(page.getByText('Tick what was clean')).toBeVisible()
    await set(page)
    const pdf = await page.pdf({ preferCSSPageSize: true })
    expect(pagesOf(pdf)).toBe(1)
  }
  await page.goto(`${stand.url}/piece/1/plan`)
  await expect(page.getByRole('row')).not.toHaveCount(1)
  const pdf = await page.pdf({ preferCSSPageSize: true })
  expect(pagesOf(pdf)).toBe(1)
})

test('the picture of minutes has its numbers behind it', async ({ page }) => {
  await page.goto(`${stand.url}/season`)
  await page.getByText('The numbers as a table').click()
  await expect(page.getByRole('columnheader', { name: 'Asked of whoever has most' })).toBeVisible()
  await expect(page.locator('.chart svg').first()).toBeVisible()
  expect(readFileSync(new URL('../../web/package.json', import.meta.url), 'utf8')).toContain('"echarts"')
})
