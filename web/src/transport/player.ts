import { eventsOf, type Bus, type SoundEvent } from './events'
import { samePlace, type Performance } from './performance'
import { stopTicking, tick } from './ticker'
import { limiter, strike } from './voices'

/** Where each fader stands, 0 to 1; 0 is mute. */
export type Mix = Record<Bus, number>

export interface Loop {
  on: boolean
  countOff: boolean
}

/** What is heard now. */
export interface Now {
  measure: string | null
  index: number | null
  beat: number
  accent: boolean
  countOff: boolean
}

interface Session {
  performance: Performance
  mine: readonly string[]
  events: SoundEvent[]
  next: number
  /** The audio time of second 0 of the performance. */
  base: number
  master: GainNode
  buses: Record<Bus, GainNode>
  sounding: Set<AudioScheduledSourceNode>
  loop: Loop
  onNow: (now: Now | null) => void
  onEnd: () => void
  shown: number
}

/** Seconds ahead of what is heard that are handed to the audio clock: long enough for a busy page, short enough to change the tempo. */
const ahead = 0.16
const lead = 0.05
const gracesBefore = 0.4
/** What a fader that is full up lets through. */
export const full: Mix = { mine: 0.5, others: 0.3, click: 0.6 }

let session: Session | null = null
let levels: Mix = { mine: 1, others: 1, click: 1 }

let context: AudioContext | null = null
const audio = () => (context ??= new AudioContext({ latencyHint: 'interactive' }))

/** Makes the sound ready before it is needed, as far as the browser lets a page do so without a key. */
export function warm() {
  void audio()
}

/** Plays a performance; tells each beat as it is heard, and the end. */
export async function play(
  performance: Performance,
  mine: readonly string[],
  loop: Loop,
  onNow: (now: Now | null) => void,
  onEnd: () => void,
  isOver: () => boolean,
) {
  stop()
  await audio().resume()
  // Stopped while the sound was being made ready.
  if (isOver()) return
  const ctx = audio()
  const master = ctx.createGain()
  master.connect(limiter(ctx)).connect(ctx.destination)
  const bus = () => {
    const made = ctx.createGain()
    made.connect(master)
    return made
  }
  session = {
    performance,
    mine,
    events: eventsOf(performance, mine),
    next: 0,
    base: ctx.currentTime + lead,
    master,
    buses: { mine: bus(), others: bus(), click: bus() },
    sounding: new Set(),
    loop,
    onNow,
    onEnd,
    shown: -1,
  }
  mix(levels)
  tick(pump)
  pump()
  markFirst(ctx, session.base)
  requestAnimationFrame(show)
}

/** Stops at once: nothing that was handed to the audio clock sounds any more. */
export function stop() {
  const s = session
  session = null
  if (!s) return
  stopTicking()
  s.master.disconnect()
  for (const source of s.sounding) source.stop()
  s.onNow(null)
  s.onEnd()
}

/** The same music at another tempo, or with other parts, from where it is now. */
export function change(performance: Performance) {
  const s = session
  if (!s) return
  // What is handed over already sounds as it was; the rest follows from there.
  const horizon = audio().currentTime + ahead
  const place = samePlace(s.performance, horizon - s.base, performance)
  s.base = horizon - place
  s.performance = performance
  s.events = eventsOf(performance, s.mine)
  s.next = firstFrom(s.events, place)
  s.shown = -1
}

/** Sets the faders, also while it plays. */
export function mix(next: Mix) {
  levels = next
  if (!session) return
  for (const [name, bus] of Object.entries(session.buses) as [Bus, GainNode][])
    bus.gain.setTargetAtTime(levels[name] * full[name], audio().currentTime, 0.01)
}

/** Loops or not from now on. */
export function loopAs(loop: Loop) {
  if (session) session.loop = loop
}

function pump() {
  const s = session
  if (!s) return
  const until = audio().currentTime + ahead
  while (session === s) {
    const event = s.events[s.next]
    if (!event) {
      if (!again(s, until)) break
      continue
    }
    if (s.base + event.seconds > until) break
    s.next++
    if (levels[event.bus] > 0) sound(s, event)
  }
}

function sound(s: Session, event: SoundEvent) {
  const at = Math.max(s.base + event.seconds, audio().currentTime)
  const source = strike(audio(), s.buses[event.bus], event, at)
  s.sounding.add(source)
  source.onended = () => s.sounding.delete(source)
}

// At its end it begins again, or is over once the last note has sounded.
function again(s: Session, until: number): boolean {
  const end = s.base + s.performance.seconds
  if (s.loop.on && end <= until + gracesBefore) {
    const from = s.loop.countOff ? 0 : s.performance.startsAt
    s.base = end - from
    s.next = firstFrom(s.events, from)
    s.shown = -1
    return true
  }
  if (!s.loop.on && audio().currentTime >= end) stop()
  return false
}

function firstFrom(events: readonly SoundEvent[], seconds: number): number {
  const at = events.findIndex((e) => e.seconds >= seconds - 1e-6)
  return at < 0 ? events.length : at
}

// The beat that is heard, at the pace of the screen.
function show() {
  const s = session
  if (!s) return
  const ctx = audio()
  const heard = ctx.currentTime - (ctx.outputLatency || ctx.baseLatency || 0) - s.base
  const { clicks } = s.performance
  let at = Math.max(0, s.shown)
  while (at + 1 < clicks.length && clicks[at + 1]!.seconds <= heard) at++
  const click = clicks[at]
  if (click && click.seconds <= heard && at !== s.shown) {
    s.shown = at
    s.onNow({
      measure: click.measure ?? null,
      index: click.measureIndex ?? null,
      beat: click.beat,
      accent: click.accent,
      countOff: click.countOff,
    })
  }
  requestAnimationFrame(show)
}

// For the benchmark and the tests: how long after the key the first sound comes.
function markFirst(ctx: AudioContext, at: number) {
  performance.mark('first sound', { startTime: performance.now() + Math.max(0, at - ctx.currentTime) * 1000 })
}
