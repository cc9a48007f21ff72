import { expect } from '@playwright/test'
import { accessible, ownStand, pagesOf, test } from './desk'
import { duo } from './duo'
import { inDays } from './stand.mjs'

/** Parts and files: a new edition keeps the decisions, a correction is remembered, a part prints page by page. */
const stand = ownStand()

const file = (name: string, text: string) => ({ name, mimeType: 'text/xml', buffer: Buffer.from(text) })

test('a new edition is compared, takes the decisions along, and can be taken back', async ({ page }) => {
  const made = await (
    await page.request.post(`${stand.url}/api/pieces`, { multipart: { file: file('duo.musicxml', duo) } })
  ).json()
  const differences = await (await page.request.get(`${stand.url}/api/pieces/${made.id}/unify`)).json()
  await page.request.post(`${stand.url}/api/pieces/${made.id}/decisions`, { data: { difference: differences[0].id } })
  await page.goto(`${stand.url}/piece/${made.id}/parts`)
  const rest = '<note><rest/><duration>4</duration><voice>1</voice><type>whole</type></note>'
  const inserted = `<measure number="3">${rest}</measure><measure number="4">`
  const second = duo
    .replace('<measure number="3">', inserted)
    .replace(/(<part id="P2">[\s\S]*?)<measure number="3">/, `$1${inserted}`)
  await page.getByLabel('Score file').setInputFiles(file('duo-second-edition.musicxml', second))
  const plan = page.getByRole('dialog')
  await expect(plan).toContainText('Measure 3 is new.')
  await expect(plan).toContainText('1 decision carries over')
  await plan.getByRole('button', { name: 'Use the new edition' }).click()
  await expect(page.getByText('duo.musicxml, until')).toBeVisible()
  const marked = await (await page.request.get(`${stand.url}/api/pieces/${made.id}/export.musicxml?part=P2`)).text()
  expect(marked.match(/<staccato/g)).toHaveLength(4)
  const now = await (await page.request.get(`${stand.url}/api/pieces/${made.id}/unify`)).json()
  expect(now.map((d: { state: string }) => d.state)).toEqual(['accepted'])
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page.getByText('duo.musicxml, until')).toBeHidden()
  expect((await (await page.request.get(`${stand.url}/api/pieces/${made.id}`)).json()).measures).toEqual([
    '1',
    '2',
    '3',
  ])
})

test('a corrected instrument holds for the next file', async ({ page }) => {
  const odd = duo.replaceAll('>Oboe<', '>Dawn Reed 2<')
  await page.goto(stand.url)
  await page.getByLabel('Score file').setInputFiles(file('odd.musicxml', odd))
  const preview = page.getByRole('dialog')
  await expect(preview).toContainText('not known: please choose')
  await preview.getByLabel('Instrument of Dawn Reed 2').selectOption('english-horn')
  await preview.getByRole('button', { name: 'Keep on the shelf' }).click()
  await expect(preview).toBeHidden()
  await page
    .getByLabel('Score file')
    .setInputFiles(file('odd-again.musicxml', odd.replaceAll('Dawn Reed 2', 'Dawn Reed 1')))
  await expect(page.getByRole('dialog').getByLabel('Instrument of Dawn Reed 1')).toHaveValue('english-horn')
  await page.getByRole('dialog').getByRole('button', { name: 'Do not keep' }).click()
})

test('a part prints page by page, headed, for both papers', async ({ page }) => {
  await page.goto(`${stand.url}/piece/1/part/P3`)
  const sheets = page.locator('.part-page')
  await expect(sheets.first().locator('svg g.note').first()).toBeVisible({ timeout: 30_000 })
  await expect(sheets.first()).toContainText('Harbor Lanterns')
  await expect(sheets.first()).toContainText('Clarinet 1')
  const measures = await page.locator('.part-page svg g.measure').count()
  expect(measures).toBe(57)
  for (const [paper, format] of [
    ['A4', 'A4'],
    ['Letter', 'Letter'],
  ] as const) {
    await page.getByLabel('Paper').selectOption(paper)
    await expect(sheets.first().locator('svg g.note').first()).toBeVisible({ timeout: 30_000 })
    await expect(page.getByText('Engraving the part')).toBeHidden()
    const pdf = await page.pdf({ format, preferCSSPageSize: false })
    expect(pagesOf(pdf)).toBe(await sheets.count())
  }
})

test('what a new edition cannot take waits on the page and is placed by hand', async ({ page }) => {
  const made = await (
    await page.request.post(`${stand.url}/api/pieces`, { multipart: { file: file('duo.musicxml', duo) } })
  ).json()
  const section = (await (await page.request.get(`${stand.url}/api/ensemble`)).json())[0].id
  const tempo = { unit: 'quarter', bpm: 80 }
  const due = inDays(20)
  const passage = { title: 'The held sharp', parts: ['P1'], from: '2', to: '2', start: tempo, goal: tempo, by: 'step' }
  const handed = await page.request.post(`${stand.url}/api/pieces/${made.id}/passages`, {
    data: { ...passage, value: 6, due, sections: [section] },
  })
  expect(handed.status()).toBe(201)
  await page.goto(`${stand.url}/piece/${made.id}/parts`)
  const second = duo.replace(/<measure number="2">[\s\S]*?<\/measure>/g, '')
  await page.getByLabel('Score file').setInputFiles(file('without-2.musicxml', second))
  const plan = page.getByRole('dialog')
  await expect(plan).toContainText('The held sharp (measure 2, part P1): measure 2 is not in the new edition')
  await plan.getByRole('button', { name: 'Use the new edition' }).click()
  const waiting = page.getByRole('region', { name: 'Waiting for a place' })
  await expect(waiting).toContainText('The held sharp')
  await waiting.getByLabel('Parts to place at').selectOption({ label: 'Oboe' })
  await waiting.getByRole('button', { name: 'Place here' }).click()
  await expect(waiting).toHaveCount(0)
  const moved = (await (await page.request.get(`${stand.url}/api/pieces/${made.id}/passages`)).json())[0]
  expect([moved.parts, moved.from, moved.placed]).toEqual([['P2'], '1', true])
})

test('where no tempo is printed the page asks once, and the answer is a decision with its way back', async ({
  page,
}) => {
  const made = await (
    await page.request.post(`${stand.url}/api/pieces`, { multipart: { file: file('unmarked.musicxml', duo) } })
  ).json()
  await page.goto(`${stand.url}/piece/${made.id}/tempo`)
  const asks = page.getByRole('form', { name: 'Tempo of the piece' })
  await expect(asks).toContainText('No tempo is printed here')
  await asks.getByLabel('Beats per minute of the piece').fill('84')
  await asks.getByRole('button', { name: 'Keep it' }).click()
  await expect(asks).toHaveCount(0)
  await expect(page.getByTestId('window')).toContainText('The printed 84 lies inside')
  await page.reload()
  await expect(page.getByTestId('window')).toContainText('The printed 84 lies inside')
  await expect(asks).toHaveCount(0)
  await accessible(page)
  const decisions = await (await page.request.get(`${stand.url}/api/pieces/${made.id}/decisions`)).json()
  await page.request.delete(`${stand.url}/api/pieces/${made.id}/decisions/${decisions[0].id}`)
  await page.reload()
  await expect(asks).toBeVisible()
})
