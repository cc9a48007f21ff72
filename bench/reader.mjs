// Median milliseconds of the npm reader's parse: node bench/reader.mjs FILE ROUNDS
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'

const { parse } = createRequire(new URL('../tests/e2e/package.json', import.meta.url))('musicxml-io')
const xml = readFileSync(process.argv[2], 'utf8')
const times = []
for (let i = 0; i < Number(process.argv[3]) + 3; i++) {
  const start = performance.now()
  parse(xml)
  if (i >= 3) times.push(performance.now() - start)
}
console.log(times.sort((a, b) => a - b)[Math.floor(times.length / 2)])
