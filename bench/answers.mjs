// Writes every GET answer of a running stand into a folder, one file an address, so that two versions can be compared with diff:
//   node bench/answers.mjs http://127.0.0.1:5230 before/
// Routes come from the served OpenAPI document; the values of their places are what the demo school has.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const [url, folder] = process.argv.slice(2)
if (!url || !folder) throw new Error('Say which stand and which folder: node bench/answers.mjs URL FOLDER')
mkdirSync(folder, { recursive: true })
const get = async (path) => (await fetch(url + path)).json()

const pieces = (await get('/api/pieces')).map((p) => p.id).sort((a, b) => a - b)
const some = [1, 2, 8, 17].filter((id) => pieces.includes(id))
const passages = (await get('/api/passages')).map((p) => p.id)
const sections = await get('/api/ensemble')
const sets = (await get('/api/auditions')).map((s) => s.id)
const rounds = sets.length ? (await get(`/api/auditions/${sets[0]}`)).rounds.map((r) => r.id) : []
const entries = sets.length ? (await get(`/api/auditions/${sets[0]}`)).entries.slice(0, 3).map((e) => e.id) : []
const mocks = sets.length ? (await get(`/api/auditions/${sets[0]}/mocks`)).map((m) => m.id) : []
const tests = (await get('/api/tests')).map((t) => t.id)
const plan = (await get('/api/season')).plan?.id

// What a place in a path may be; of a piece its own parts.
const values = {
  passage: passages,
  player: sections.flatMap((s) => s.players.map((p) => p.id)).slice(0, 12),
  section: sections.map((s) => s.id),
  set: sets,
  round: rounds,
  entry: entries,
  mock: mocks,
  test: tests,
  plan: plan ? [plan] : [],
  table: ['notes', 'findings', 'decisions'],
  recipe: ['long-short', 'rhythm-only'],
  instrument: ['flute', 'clarinet-bb', 'trumpet-bb', 'violin', 'timpani'],
}
const ranges = { from: '5', to: '12' }
const queries = {
  '/api/pieces/{id}/technique': (part) => ({ part, ...ranges }),
  '/api/pieces/{id}/counting': (part) => ({ part, ...ranges }),
  '/api/pieces/{id}/tempo/window': (part) => ({ part, ...ranges }),
  '/api/pieces/{id}/variants': (part) => ({ part, ...ranges }),
  '/api/pieces/{id}/letter': (part) => ({ part }),
  '/api/pieces/{id}/slice.musicxml': (part) => ({ part, ...ranges }),
  '/api/pieces/{id}/click.mid': () => ({ ...ranges, unit: 'quarter', bpm: 90 }),
  '/api/pieces/{id}/bowing': (part) => ({ part, ...ranges }),
  '/api/pieces/{id}/heat/reasons': (part) => ({ part, index: 5 }),
  '/api/scales.musicxml': () => ({ instrument: 'clarinet-bb', kind: 'major', tonic: 'F' }),
  '/api/scales/keys': () => ({ instrument: 'clarinet-bb', kind: 'major' }),
  '/api/scales/list.musicxml': () => ({ instrument: 'flute', kinds: 'major', tonics: 'G,D' }),
  '/api/auditions/{set}/entries/{entry}/borrow': () => ({ instrument: 'alto-sax', reading: 'written' }),
  '/api/passages/{passage}/gives': () => ({ section: sections[0].id }),
}
const left = /\/jobs|\/prints|original|\/session/

async function addresses(route) {
  let all = [route]
  for (const [, name] of route.matchAll(/\{(\w+)\}/g)) {
    const next = []
    for (const path of all) {
      const own = name === 'id' ? some : name === 'part' ? await partsOf(path) : (values[name] ?? [])
      for (const value of own) next.push(path.replace(`{${name}}`, value))
    }
    all = next
  }
  const withQuery = []
  for (const path of all) {
    const query = queries[route]
    const parts = query?.length ? await partsOf(path) : ['']
    for (const part of parts.slice(0, 4)) withQuery.push(query ? `${path}?${new URLSearchParams(query(part))}` : path)
  }
  return withQuery
}

const known = new Map()
async function partsOf(path) {
  const id = /\/pieces\/(\d+)/.exec(path)?.[1]
  if (!known.has(id)) known.set(id, (await get(`/api/pieces/${id}`)).parts.map((p) => p.id))
  return known.get(id)
}

const { paths } = await get('/openapi/v1.json')
let count = 0
for (const route of Object.keys(paths).filter((p) => paths[p].get && p.startsWith('/api') && !left.test(p)))
  for (const address of await addresses(route)) {
    const answer = await fetch(url + address)
    const body = Buffer.from(await answer.arrayBuffer())
    const isJson = answer.headers.get('content-type')?.includes('json')
    const text = isJson ? JSON.stringify(JSON.parse(body.toString()), null, 1) : body.toString('latin1')
    writeFileSync(join(folder, address.replaceAll(/[/?&=]/g, '_')), `${answer.status}\n${text}\n`)
    count++
  }
console.log(`${count} answers of ${url} are in ${folder}`)
