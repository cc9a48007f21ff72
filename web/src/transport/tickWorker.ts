/** Beats in a worker: a tab that is not looked at has its own timers slowed to a second, a worker's go on. */
let timer: ReturnType<typeof setInterval> | undefined

self.onmessage = (event: MessageEvent<number>) => {
  clearInterval(timer)
  if (event.data > 0) timer = setInterval(() => self.postMessage(null), event.data)
}
