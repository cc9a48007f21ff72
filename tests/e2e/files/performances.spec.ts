import { expect, test, type APIRequestContext } from '@playwright/test'
import tonejsMidi from '@tonejs/midi'
import { VerovioToolkit } from 'verovio/esm'
import createVerovioModule from 'verovio/wasm'
import { ownStand } from '../desk'
import { perform as performAt } from './performance'

/** What is heard and how it is practiced, as files that others read: a MIDI reader (@tonejs/midi 2.0.28) and the engraver (verovio 6.3). */
const stand = ownStand()
const perform = (request: APIRequestContext, piece: number, body: object) => performAt(request, stand.url, piece, body)

for (const piece of [1, 2, 8]) {
  test(`the MIDI of piece ${piece}, read by others, is the performance to the tick`, async ({ request }) => {
    const played = await perform(request, piece, { repeats: 'played', countOff: false })
    const bytes = await (await request.get(`${stand.url}/api/pieces/${piece}/export.mid`)).body()
    const midi = new tonejsMidi.Midi(new Uint8Array(bytes))
    // Seconds to ticks by the performance's own tempi.
    const tickOf = (seconds: number) => {
      let ticks = 0
      for (const [i, t] of played.tempos.entries()) {
        const until = Math.min(seconds, played.tempos[i + 1]?.seconds ?? Infinity)
        if (until > t.seconds) ticks += ((until - t.seconds) * t.quarterBpm * midi.header.ppq) / 60
      }
      return Math.round(ticks)
    }
    const ours = played.notes.map((n) => `${tickOf(n.seconds)} ${tickOf(n.seconds + n.length)} ${n.midi}`).sort()
    const theirs = midi.tracks
      .flatMap((t) => t.notes.map((n) => `${n.ticks} ${n.ticks + n.durationTicks} ${n.midi}`))
      .sort()
    // Two players of one key on one channel are one note there: what is struck is compared as a set.
    const differ = [...new Set(ours)].filter((n) => !theirs.includes(n))
    expect(differ.length, differ.slice(0, 5).join('; ')).toBeLessThanOrEqual(ours.length / 500)
    expect(theirs.length).toBe(ours.length)
  })
}

test('click and music of the same answers begin and end together', async ({ request }) => {
  const query = 'from=21&to=24&unit=quarter&bpm=90'
  const file = async (name: string) =>
    new tonejsMidi.Midi(new Uint8Array(await (await request.get(`${stand.url}/api/pieces/1/${name}`)).body()))
  const click = await file(`click.mid?${query}`)
  const music = await file(`export.mid?${query}&countOff=true`)
  const played = await perform(request, 1, { from: '21', to: '24', unit: 'quarter', bpm: 90 })
  const first = (m: InstanceType<typeof tonejsMidi.Midi>) =>
    Math.min(...m.tracks.flatMap((t) => t.notes.map((n) => n.time)))
  expect(first(click)).toBe(0)
  expect(first(music)).toBeCloseTo(played.startsAt, 3)
  expect(click.tracks.flatMap((t) => t.notes)).toHaveLength(played.clicks.length)
})

test('the engraver draws every way to practice of every demo etude', async ({ request }) => {
  test.setTimeout(120_000)
  const engraver = new VerovioToolkit(await createVerovioModule())
  let drawn = 0
  for (let piece = 3; piece <= 12; piece++) {
    const of = 'part=P1&from=1&to=5'
    const offers = (await (await request.get(`${stand.url}/api/pieces/${piece}/variants?${of}`)).json()) as {
      recipe: string
    }[]
    for (const { recipe } of offers) {
      const xml = await (await request.get(`${stand.url}/api/pieces/${piece}/variants/${recipe}.musicxml?${of}`)).text()
      expect(engraver.loadData(xml), recipe).toBeTruthy()
      expect(engraver.renderToSVG(1), recipe).toContain('class="note')
      drawn++
    }
  }
  expect(drawn).toBeGreaterThan(60)
})
