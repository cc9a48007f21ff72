import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { accessible, engraved, ownStand, test } from './desk'
import { perform } from './files/performance'

/** Tempo: what is heard, how it is practiced, and what is handed out of it. */
const stand = ownStand()

const opened = async (page: Page, path: string) => {
  await page.goto(stand.url + path)
  await engraved(page)
  await page.waitForLoadState('networkidle')
}

// Counts what is handed to the audio clock, from before the page's own code on.
const countSounds = (page: Page) =>
  page.addInitScript(() => {
    const w = window as unknown as { sounds: number; ends: number }
    w.sounds = 0
    const start = OscillatorNode.prototype.start
    OscillatorNode.prototype.start = function (when?: number) {
      w.sounds++
      start.call(this, when)
    }
  })
const sounds = (page: Page) => page.evaluate(() => (window as unknown as { sounds: number }).sounds)

test('in ten minutes no click drifts by a millisecond', async ({ page, request }) => {
  test.setTimeout(180_000)
  const bars = Array.from({ length: 300 }, (_, i) => bar(i + 1)).join('')
  const made = await request.post(`${stand.url}/api/pieces`, {
    multipart: { file: { name: 'long.musicxml', mimeType: 'application/xml', buffer: Buffer.from(score(bars)) } },
  })
  const { id } = (await made.json()) as { id: number }
  await opened(page, `/piece/${id}/study?from=1&to=300`)
  await page.getByLabel('Beats per minute', { exact: true }).fill('117')
  await page.getByLabel('Beats per minute', { exact: true }).press('Enter')
  await page.getByRole('checkbox', { name: 'My part' }).uncheck()
  await page.getByRole('button', { name: 'Click, loop, file' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 150_000 }),
    page.getByRole('button', { name: 'Save the sound (WAV)' }).click(),
  ])
  const wav = readFileSync((await download.path())!)
  const { clicks, seconds } = await perform(request, stand.url, id, { unit: 'quarter', bpm: 117 })
  expect(seconds).toBeGreaterThan(600)
  const heard = onsets(wav)
  expect(heard).toHaveLength(clicks.length)
  const drift = Math.max(...clicks.map((c, i) => Math.abs(heard[i]! - c.seconds)))
  console.log(`drift in ${Math.round(seconds)} s: at most ${(drift * 1000).toFixed(3)} ms`)
  expect(drift).toBeLessThanOrEqual(0.001)
  await request.delete(`${stand.url}/api/pieces/${id}`)
})

test('space plays what was fetched before, and stops at once; nothing sounds after it or after leaving', async ({
  page,
}) => {
  await countSounds(page)
  await opened(page, '/piece/1/study?from=21&to=24&parts=P3')
  await page.waitForTimeout(900)
  const asked: string[] = []
  page.on('request', (r) => r.url().includes('/performance') && asked.push(r.url()))
  await page.keyboard.press(' ')
  await expect(page.getByTestId('now')).toContainText('count-off')
  expect(asked).toEqual([])
  await expect(page.getByTestId('now')).toContainText('measure 21', { timeout: 10_000 })
  await page.keyboard.press(' ')
  await expect(page.getByTestId('now')).toContainText('stopped')
  const then = await sounds(page)
  await page.waitForTimeout(700)
  expect(await sounds(page)).toBe(then)
  await page.keyboard.press(' ')
  await expect(page.getByTestId('now')).toContainText('count-off')
  await page.getByRole('link', { name: 'Shelf' }).click()
  await expect(page).toHaveURL(`${stand.url}/`)
  await page.waitForTimeout(300)
  const left = await sounds(page)
  await page.waitForTimeout(700)
  expect(await sounds(page)).toBe(left)
})

test('up and down change the tempo while it plays, and it loops until it is stopped', async ({ page }) => {
  await opened(page, '/piece/1/study?from=21&to=21&parts=P3')
  await page.getByLabel('Beats per minute', { exact: true }).fill('200')
  await page.getByLabel('Beats per minute', { exact: true }).press('Enter')
  await page.getByRole('button', { name: 'Click, loop, file' }).click()
  await page.getByLabel('Again and again').check()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.getByTestId('now')).toContainText('measure 21', { timeout: 10_000 })
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Shift+ArrowUp')
  await expect(page.getByLabel('Beats per minute', { exact: true })).toHaveValue('206')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByLabel('Beats per minute', { exact: true })).toHaveValue('205')
  // The one measure lasts little more than a second: it comes again.
  await page.waitForTimeout(3500)
  await expect(page.getByTestId('now')).toContainText('measure 21')
  await page.keyboard.press(' ')
  await expect(page.getByTestId('now')).toContainText('stopped')
})

test('the others are heard without me', async ({ page }) => {
  await countSounds(page)
  await opened(page, '/piece/1/study?from=21&to=22&parts=P3')
  await page.getByRole('checkbox', { name: 'My part' }).uncheck()
  await page.getByRole('checkbox', { name: 'Click' }).uncheck()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.getByTestId('now')).toContainText('measure 21', { timeout: 10_000 })
  const before = await sounds(page)
  expect(before).toBeLessThanOrEqual(1)
  await page.getByRole('checkbox', { name: 'The others' }).check()
  await expect.poll(() => sounds(page), { timeout: 10_000 }).toBeGreaterThan(before + 3)
  await page.keyboard.press(' ')
})

test('a window, a ladder with its picture, and its way', async ({ page }) => {
  await opened(page, '/piece/1/tempo?from=32&to=38&parts=P3')
  await expect(page.getByTestId('window')).toContainText('quarter = ')
  await expect(page.getByRole('img', { name: /steps from/ })).toBeVisible()
  const rows = page.getByTestId('ladder').getByRole('row')
  const straight = await rows.count()
  await page.getByLabel('Way over the steps').selectOption('two-up-one-back')
  await expect.poll(() => rows.count()).toBeGreaterThan(straight)
  await page.getByLabel('Way over the steps').selectOption('straight')
  await page.getByLabel('Percent past the goal and back').fill('6')
  await page.getByLabel('Percent past the goal and back').press('Enter')
  await expect(rows).toHaveCount(straight + 2)
  await expect(page.getByTestId('ladder')).toContainText('in a row')
  await page.getByLabel('For whom').selectOption({ index: 1 })
  await expect(page.getByTestId('window')).toContainText('quarter = ')
  await accessible(page, ['.variant svg'])
})

test('a way to practice is looked at, played, and put on a practice sheet', async ({ page }) => {
  await opened(page, '/piece/1/tempo?from=21&to=26&parts=P6')
  const ways = page.getByTestId('ways')
  await ways.getByRole('button', { name: 'Show Long–short' }).click()
  await expect(page.getByTestId('variant').locator('svg g.note').first()).toBeVisible({ timeout: 20_000 })
  await ways.getByRole('button', { name: 'Play Long–short' }).click()
  await expect(page.getByTestId('now')).toContainText('measure', { timeout: 10_000 })
  await expect(page.getByLabel('Transport').getByText('Long–short')).toBeVisible()
  await page.keyboard.press(' ')
  for (const title of ['Long–short', 'Rhythm alone']) await ways.getByLabel(`${title} on the practice sheet`).check()
  await ways.getByRole('link', { name: 'Practice sheet (2)' }).click()
  await expect(page.getByTestId('variant')).toHaveCount(2, { timeout: 30_000 })
  await expect(page.getByRole('heading', { name: 'Rhythm alone' })).toBeVisible()
  await expect(page.getByTestId('variant').locator('svg g.verse').first()).toBeVisible()
  await accessible(page, ['.variant svg'])
})

test('a practice path is changed, stands on the sheet, and is undone', async ({ page }) => {
  await opened(page, '/piece/1/assign?from=21&to=28&parts=P3,P6')
  await page.getByRole('button', { name: 'Practice path of Tune in unison, D to E' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('As the house rules say.')
  await dialog.getByLabel('Add at step 1', { exact: true }).selectOption('Twice as long')
  await expect(dialog.getByRole('button', { name: 'Leave out Twice as long at step 1' })).toBeVisible()
  await accessible(page)
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByTestId('said')).toContainText('The practice path of “Tune in unison, D to E” is changed.')
  await page.goto(`${stand.url}/sheet/1`)
  await expect(page.getByText(/twice as long/).first()).toBeVisible({ timeout: 30_000 })
  await page.goBack()
  await engraved(page)
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('said')).toContainText('Undone: The practice path')
  await page.getByRole('button', { name: 'Practice path of Tune in unison, D to E' }).click()
  await expect(page.getByRole('dialog')).toContainText('As the house rules say.')
})

function bar(n: number) {
  const head =
    n === 1
      ? '<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>' +
        '<clef><sign>G</sign><line>2</line></clef></attributes>'
      : ''
  return (
    `<measure number="${n}">${head}<note><pitch><step>C</step><octave>5</octave></pitch><duration>4</duration>` +
    '<voice>1</voice><type>whole</type></note></measure>'
  )
}

function score(bars: string) {
  return (
    '<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><work><work-title>Long Tones</work-title></work>' +
    `<part-list><score-part id="P1"><part-name>Flute</part-name></score-part></part-list><part id="P1">${bars}</part></score-partwise>`
  )
}

// The moments at which a click begins: where the sound rises out of silence.
function onsets(wav: Buffer): number[] {
  const rate = wav.readUInt32LE(24)
  const samples = new Int16Array(wav.buffer, wav.byteOffset + 44, (wav.length - 44) / 2)
  const found: number[] = []
  let quiet = rate
  for (let i = 0; i < samples.length; i++) {
    if (Math.abs(samples[i]!) < 60) quiet++
    else {
      if (quiet > rate / 20) found.push(i / rate)
      quiet = 0
    }
  }
  return found
}
