// How long a season page of a large school takes against one of an empty school, warm, as a ratio of one run: ./stand bench season
import { inDays, startStand } from '../tests/e2e/stand.mjs'

const players = 90
const passages = 40
const asked = 60

const median = (times) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]

async function school() {
  const stand = await startStand({ demo: true })
  const send = async (path, body) => {
    const answer = await fetch(stand.url + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`)
    return answer.json()
  }
  const warm = async (path) => {
    await (await fetch(stand.url + path)).text()
    const times = []
    for (let i = 0; i < asked; i++) {
      const from = performance.now()
      await (await fetch(stand.url + path)).text()
      times.push(performance.now() - from)
    }
    return median(times)
  }
  return { stand, send, warm }
}

const { stand, send, warm } = await school()
const small = { season: await warm('/api/season'), log: await warm('/api/log/pages') }
const sections = (await (await fetch(`${stand.url}/api/ensemble`)).json()).map((s) => s.id)
const made = []
for (let i = 0; i < players; i++) {
  const body = { section: sections[i % sections.length], name: `Player ${i + 1}`, instrument: null, chair: 10 + (i % 80) }
  made.push((await send('/api/ensemble/players', body)).id)
}
const due = inDays(40)
for (let i = 0; i < passages; i++) {
  const from = String(1 + i)
  const tempo = (bpm) => ({ unit: 'quarter', bpm })
  const body = { parts: ['P1'], from, to: String(2 + i), start: tempo(60), goal: tempo(90), by: 'step', value: 6, due, players: made }
  const passage = (await send('/api/pieces/1/passages', body)).id
  for (const player of made.slice(0, 20))
    await send('/api/log', { passage, player, unit: 'quarter', bpm: 60 + (i % 20) })
}
const large = { season: await warm('/api/season'), log: await warm('/api/log/pages') }
const told = (name) => `${name}: ${(large[name] / small[name]).toFixed(2)} of the small school's answer, warm`
console.log(`${players} more players, ${passages} more passages, ${passages * 20} more entries`)
console.log(told('season'))
console.log(told('log'))
await stand.stop()
