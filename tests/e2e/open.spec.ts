import { expect, type Page } from '@playwright/test'
import { accessible, engraved, seen, test } from './desk'

/** Every dialog and menu, opened: no axe violation, nothing wider than the window, the focus inside, and Esc gives it back. */
type Opens = (page: Page) => Promise<void>
const press =
  (...keys: string[]): Opens =>
  async (page) => {
    for (const key of keys) await page.keyboard.press(key)
  }
const click =
  (name: string | RegExp): Opens =>
  (page) =>
    page.getByRole('button', { name }).first().click()

const newTest: Opens = async (page) => {
  await page.getByRole('tab', { name: 'Tests' }).click()
  await page.getByRole('button', { name: 'New test' }).click()
}
const opened: [string, string, Opens, string][] = [
  ['keys', '/piece/1/study', press('?'), 'Undo what was done last'],
  ['choose parts', '/piece/1/study?from=5&to=8&parts=P1,P3', press('p'), 'By line in these measures'],
  ['mark or remark', '/piece/1/technique?from=5&to=8&parts=P3', press('m'), 'Into'],
  ['reword', '/piece/1/study?from=21&to=30&parts=P3', press('j', 'r'), 'What players read'],
  ['sure ones', '/piece/1/unify', press('s'), 'sure proposals'],
  ['edit a passage', '/piece/1/assign', click(/^Edit /), 'To measure'],
  ['practice path', '/piece/1/assign', click(/^Practice path of /), 'As the house rules say.'],
  ['new in the calendar', '/season/calendar', click('New in the calendar'), 'For so many weeks'],
  ['move a session', '/season', click(/^Move /), 'To the day'],
  ['new test', '/piece/1/hear', newTest, 'Weights; 0 leaves one out'],
  ['new set', '/auditions', click('New set'), 'Add a round'],
  ['name and rounds', '/audition/1', click('Name and rounds'), 'listeners do not know who plays'],
  ['piece of a set', '/audition/1', click(/^Edit /), 'Measures asked'],
  ['lend', '/audition/1', click(/^Lend /), 'a piece of its own'],
  ['who auditions', '/audition/1/candidates', click('Choose candidates'), 'Wren Abiola'],
  ['new mock audition', '/audition/1/mocks', click('New mock audition'), 'Seed of the order'],
  ['player', '/ensemble', click('Maribel Oake'), 'Leaves the ensemble'],
  ['new player', '/ensemble', click(/^Add a player to Flutes/), 'Save and add another'],
  ['who plays', '/piece/1/parts', click(/^Who plays Flute/), 'by chairs'],
  ['title and date', '/', click(/^Date and title of Harbor/), 'Concert or audition'],
  ['correct a chart', '/charts/flute', click(/^Correct/), 'How it stands'],
]
const menus: [string, string, Opens, string][] = [
  ['acts of the session', '/piece/1/study', click(/^Done/), 'Nothing was changed in this session yet.'],
  ['more for a finding', '/piece/1/study', click(/^More for/), 'Dismiss this kind everywhere'],
]

async function fits(page: Page, only?: string) {
  await accessible(page, [], only)
  const width = page.viewportSize()!.width
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
}

// Each to whichever worker is free.
test.describe.configure({ mode: 'parallel' })

const sizes = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
]

for (const [name, path, open, text] of [...opened, ...menus]) {
  test(`${name} is accessible while open`, async ({ desk }) => {
    const { page } = desk
    await page.setViewportSize(sizes[0]!)
    await desk.go(path)
    if (path.startsWith('/piece/1/') && !path.endsWith('/parts')) await engraved(page)
    await desk.settled()
    await open(page)
    await expect(seen(page, text)).toBeVisible()
    const isDialog = opened.some(([n]) => n === name)
    if (isDialog)
      await expect.poll(() => page.evaluate(() => document.activeElement?.closest('[role=dialog]') !== null)).toBe(true)
    // Dialogs fade in; half-faded text has half its contrast.
    await page.waitForTimeout(400)
    await fits(page)
    await page.setViewportSize(sizes[1]!)
    await page.waitForTimeout(100)
    // The page behind is the same, and views.spec.ts looks at it at this width.
    await fits(page, isDialog ? '[role=dialog]' : undefined)
    await page.keyboard.press('Escape')
    await expect(seen(page, text)).toBeHidden()
    await expect.poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true)
  })
}

for (const [name, path, text] of [
  ['player', '/player/1', 'To play'],
  ['all parts', '/piece/2/print', 'of 5 parts drawn'],
]) {
  test(`the page of ${name} is accessible`, async ({ desk }) => {
    const { page } = desk
    await desk.go(path!)
    await expect(seen(page, text!)).toBeVisible()
    await desk.settled()
    await fits(page)
  })
}
