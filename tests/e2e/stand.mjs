import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../..', import.meta.url))
const server = join(root, 'src/MellowStand.Server/bin/Release/net10.0/MellowStand.Server.dll')
const dayMs = 86_400_000

/** The day that it is in demo and tests: a Monday, so that a whole week lies ahead. STAND_DAY sets another. */
export const today = process.env.STAND_DAY || readFileSync(new URL('../day', import.meta.url), 'utf8').trim()

/** The ISO day so many days from today. */
export const inDays = (days) => new Date(Date.parse(`${today}T00:00:00Z`) + days * dayMs).toISOString().slice(0, 10)

/** Starts the built server and waits for as long as the machine needs: on fresh data, on a copy of the prepared demo school, or on data
 *  that it had before. The port is a free one where none is named. */
export async function startStand({ demo, data: before, port = 0, day = today }) {
  const data = before ?? newData(demo && process.env.STAND_DEMO)
  const process_ = spawn('dotnet', [server, ...options({ data, demo, port, day })], {
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  const url = await address(process_)
  return {
    url,
    data,
    port: Number(new URL(url).port),
    stop: () => stop(process_, data),
    end: () => end(process_, 'SIGINT'),
    kill: () => end(process_, 'SIGKILL'),
  }
}

/** Makes a folder with the demo school as it is on a day; whoever needs one copies it. */
export async function prepareDemo(day = today) {
  const made = await startStand({ demo: true, day, data: mkdtempSync(join(tmpdir(), 'mellow-demo-')) })
  await made.end()
  return made.data
}

const options = ({ data, demo, port, day }) => [
  ...['--data', data, '--port', String(port), '--web', join(root, 'web/dist'), '--demo', String(demo), '--today', day],
]

function newData(prepared) {
  const data = mkdtempSync(join(tmpdir(), 'mellow-stand-'))
  if (prepared) cpSync(prepared, data, { recursive: true })
  return data
}

// The server tells its address once it answers.
function address(process_) {
  let said = ''
  return new Promise((ready, failed) => {
    const listen = (bytes) => {
      said += bytes
      const told = /Mellow Stand is at (http:\S+)/.exec(said)
      if (told) ready(told[1])
    }
    process_.stdout.on('data', listen)
    process_.stderr.on('data', listen)
    process_.once('exit', () => failed(new Error(`The server did not start:\n${said}`)))
  })
}

async function end(process_, signal) {
  const ended = new Promise((r) => process_.once('exit', r))
  process_.kill(signal)
  await ended
}

async function stop(process_, data) {
  if (process_.exitCode === null && process_.signalCode === null) await end(process_, 'SIGINT')
  rmSync(data, { recursive: true, force: true })
}
