import { ref } from 'vue'
import { queries } from './queryClient'

/** True while the server does not answer. */
export const isAway = ref(false)

const lookEvery = 1500
let looking: ReturnType<typeof setTimeout> | null = null

/** Tells that a request did not reach the server: one banner until it answers again, then everything shown is fetched anew. */
export function lost() {
  isAway.value = true
  looking ??= setTimeout(look, lookEvery)
}

async function look() {
  const answers = await fetch('/healthz', { cache: 'no-store' }).then(
    (r) => r.ok,
    () => false,
  )
  looking = answers ? null : setTimeout(look, lookEvery)
  if (!answers) return
  isAway.value = false
  await queries.invalidateQueries()
}
