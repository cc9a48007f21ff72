import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** Starts the built server on fresh data, or on data that it had before, and waits until it is ready. */
export async function startStand({ demo, port, data: before }) {
  const data = before ?? mkdtempSync(join(tmpdir(), 'mellow-stand-'))
  const server = spawn(
    'dotnet',
    [
      join(root, 'src/MellowStand.Server/bin/Release/net10.0/MellowStand.Server.dll'),
      '--data',
      data,
      '--port',
      String(port),
      '--web',
      join(root, 'web/dist'),
      '--demo',
      String(demo),
    ],
    { stdio: ['ignore', 'pipe', 'pipe'] },
  )
  let said = ''
  server.stdout.on('data', (d) => (said += d))
  server.stderr.on('data', (d) => (said += d))
  const url = `http://127.0.0.1:${port}`
  for (let i = 0; i < 150; i++) {
    const ready = await fetch(`${url}/healthz`).then(
      (r) => r.ok,
      () => false,
    )
    if (ready) return { url, data, stop: () => stop(server, data), kill: () => kill(server) }
    if (server.exitCode !== null) break
    await new Promise((r) => setTimeout(r, 200))
  }
  server.kill('SIGKILL')
  throw new Error(`The server did not start:\n${said}`)
}

/** Ends the server as a power cut would; its data stay. */
async function kill(server) {
  const ended = new Promise((r) => server.once('exit', r))
  server.kill('SIGKILL')
  await ended
}

async function stop(server, data) {
  const ended = new Promise((r) => server.once('exit', r))
  server.kill('SIGINT')
  await ended
  rmSync(data, { recursive: true, force: true })
}
