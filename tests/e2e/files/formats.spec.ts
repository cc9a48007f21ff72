import { readFileSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test, type APIRequestContext } from '@playwright/test'
import tonejsMidi from '@tonejs/midi'
import { getAllNotes, parse } from 'musicxml-io'
import { VerovioToolkit } from 'verovio/esm'
import createVerovioModule from 'verovio/wasm'
import { ownStand } from '../desk'

/**
 * What we give back, read by others: the engraver (verovio 6.3), an independent MusicXML reader (musicxml-io 0.9.6) and a MIDI reader
 * (@tonejs/midi 2.0.28). Music: tests/reference, sources and licences in its README.
 */
const folder = fileURLToPath(new URL('../../reference/scores/', import.meta.url))
const scores = readdirSync(folder).sort()

const stand = ownStand()
let engraver: VerovioToolkit
test.beforeAll(async () => {
  engraver = new VerovioToolkit(await createVerovioModule())
})

interface OurNote {
  onset: string
  duration: string
  midi: number[]
  grace: boolean
  rest: boolean
}

async function imported(request: APIRequestContext, name: string) {
  const made = await request.post(`${stand.url}/api/pieces`, {
    multipart: { file: { name, mimeType: 'application/octet-stream', buffer: readFileSync(folder + name) } },
  })
  expect(made.status()).toBe(201)
  return (await made.json()) as { id: number; measures: string[]; parts: { id: string; transpose: number }[] }
}

const quarters = (text: string) => {
  const [n, d] = text.split('/').map(Number)
  return n! / (d ?? 1)
}
const sounds = (ours: OurNote[]) =>
  ours
    .filter((n) => !n.grace && !n.rest)
    .flatMap((n) => n.midi.map((m) => `${quarters(n.onset).toFixed(3)} ${m}`))
    .sort()
const midiNotes = (bytes: Uint8Array) => {
  const midi = new tonejsMidi.Midi(bytes)
  return midi.tracks.flatMap((t) => t.notes.map((n) => `${(n.ticks / midi.header.ppq).toFixed(3)} ${n.midi}`))
}

for (const name of scores) {
  test(`${name}: three other readers agree with us`, async ({ request }) => {
    test.setTimeout(120_000)
    const piece = await imported(request, name)
    const order = (await (await request.get(`${stand.url}/api/pieces/${piece.id}/order`)).json()) as string[]
    const straight = order.length === piece.measures.length

    // A mark on the first notes of every part, so that what is read is a marked score.
    const all: string[] = []
    let graces = 0
    for (const part of piece.parts) {
      const notes = (await (
        await request.get(`${stand.url}/api/pieces/${piece.id}/parts/${part.id}/notes`)
      ).json()) as (OurNote & { id: string })[]
      const first = notes.filter((n) => !n.rest && !n.grace).slice(0, 4)
      const body = {
        part: part.id,
        notes: first.map((n) => n.id),
        add: ['tenuto', 'slur', 'crescendo', 'mf', 'words:read again'],
        why: 'read by others',
      }
      expect((await request.post(`${stand.url}/api/pieces/${piece.id}/decisions`, { data: body })).status()).toBe(201)
      all.push(...sounds(notes))
      graces += notes.filter((n) => n.grace).length
    }
    all.sort()
    const xml = await (await request.get(`${stand.url}/api/pieces/${piece.id}/export.musicxml`)).text()
    expect(xml.split('<tenuto').length - 1).toBeGreaterThanOrEqual(piece.parts.length)

    // An independent reader: as many noteheads, with the same written keys.
    const read = getAllNotes(parse(xml)).map((x) => x.note)
    const heads = xml.match(/<note[ >][\s\S]*?<\/note>/g)!.filter((n) => n.includes('<pitch>'))
    expect(read.filter((n) => n.pitch).length).toBe(heads.length)
    const words = (step: string, octave: string | number) => `${step}${octave}`
    expect(
      read
        .filter((n) => n.pitch)
        .map((n) => words(n.pitch!.step, n.pitch!.octave))
        .sort(),
    ).toEqual(heads.map((n) => words(/<step>(.)/.exec(n)![1]!, /<octave>(\d+)/.exec(n)![1]!)).sort())

    // Our MIDI, read by others, has every sounding note at its time.
    const ours = midiNotes(
      new Uint8Array(await (await request.get(`${stand.url}/api/pieces/${piece.id}/export.mid`)).body()),
    )
    if (straight && graces === 0) expect(ours.sort()).toEqual(all)

    // The engraver loads the marked score; its own MIDI has the same notes at the same times.
    expect(engraver.loadData(xml)).toBeTruthy()
    if (!straight || graces > 0) return
    const theirs = midiNotes(Uint8Array.from(Buffer.from(engraver.renderToMIDI(), 'base64'))).sort()
    const missing = ours.filter((n) => !theirs.includes(n))
    expect(missing.length / ours.length).toBeLessThan(0.01)
    expect(Math.abs(theirs.length - ours.length) / ours.length).toBeLessThan(0.01)
  })
}

test('a packed export is read as the plain one', async ({ request }) => {
  const piece = await imported(request, 'hymn-four-parts.mxl')
  const packed = await (await request.get(`${stand.url}/api/pieces/${piece.id}/export.mxl`)).body()
  const again = await request.post(`${stand.url}/api/pieces`, {
    multipart: { file: { name: 'again.mxl', mimeType: 'application/octet-stream', buffer: packed } },
  })
  expect((await again.json()).measures).toEqual(piece.measures)
  expect(
    engraver.loadZipDataBuffer(
      packed.buffer.slice(packed.byteOffset, packed.byteOffset + packed.byteLength) as ArrayBuffer,
    ),
  ).toBeTruthy()
})

test('the click alone is a MIDI file with its count-off', async ({ request }) => {
  const click = new Uint8Array(
    await (await request.get(`${stand.url}/api/pieces/1/click.mid?from=1&to=2&unit=quarter&bpm=120`)).body(),
  )
  const midi = new tonejsMidi.Midi(click)
  const times = midi.tracks.flatMap((t) => t.notes.map((n) => n.time))
  expect(times.length).toBe(12)
  expect(times[1]! - times[0]!).toBeCloseTo(0.5, 3)
  expect(midi.header.tempos[0]!.bpm).toBeCloseTo(120, 2)
})

test('a slice from the middle tells the dynamic and the tempo in force', async ({ request }) => {
  const slice = await (
    await request.get(`${stand.url}/api/pieces/1/slice.musicxml?part=P3&from=23&to=26&paper=true&remind=true`)
  ).text()
  expect(slice).toContain('(f)')
  expect(slice).toMatch(/<metronome[^>]*parentheses="yes"/)
})
