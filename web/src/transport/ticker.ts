/** Milliseconds between two looks at what is to be handed to the audio clock: several fit into what is handed ahead. */
const often = 40
let worker: Worker | null = null
let each: (() => void) | null = null

/** Calls back often until it is stopped. */
export function tick(call: () => void) {
  worker ??= made()
  each = call
  worker.postMessage(often)
}

export function stopTicking() {
  each = null
  worker?.postMessage(0)
}

function made(): Worker {
  const w = new Worker(new URL('./tickWorker.ts', import.meta.url), { type: 'module' })
  w.onmessage = () => each?.()
  return w
}
