import { eventsOf, type SoundEvent } from './events'
import type { Performance } from './performance'
import { full, type Mix } from './player'
import { bend, strike } from './voices'
import { wavOf } from './wav'

const rate = 44_100
const tail = 0.5
const stretch = 8

/** The sound of a performance as a WAV file, made without playing it. */
export async function soundFile(performance: Performance, mine: readonly string[], levels: Mix): Promise<Blob> {
  const samples = new Float32Array(Math.ceil((performance.seconds + tail) * rate))
  const events = eventsOf(performance, mine).filter((e) => levels[e.bus] > 0)
  // A graph of a whole piece would be walked for every sample of it: a few seconds at a time are made, and added where they belong.
  for (let from = 0; from < performance.seconds; from += stretch) {
    const own = events.filter((e) => e.seconds >= from && e.seconds < from + stretch)
    if (own.length > 0) add(samples, from * rate, await rendered(own, from, levels))
  }
  for (let i = 0; i < samples.length; i++) samples[i] = bend(samples[i]!)
  return wavOf(samples, rate)
}

async function rendered(events: readonly SoundEvent[], from: number, levels: Mix): Promise<Float32Array> {
  const end = Math.max(...events.map((e) => e.seconds + e.length)) - from + tail
  const ctx = new OfflineAudioContext(1, Math.ceil(end * rate), rate)
  const buses = new Map<string, GainNode>()
  for (const event of events) {
    let bus = buses.get(event.bus)
    if (!bus) {
      bus = ctx.createGain()
      bus.gain.value = levels[event.bus] * full[event.bus]
      bus.connect(ctx.destination)
      buses.set(event.bus, bus)
    }
    strike(ctx, bus, event, event.seconds - from)
  }
  return (await ctx.startRendering()).getChannelData(0)
}

function add(samples: Float32Array, at: number, more: Float32Array) {
  const count = Math.min(more.length, samples.length - at)
  for (let i = 0; i < count; i++) samples[at + i]! += more[i]!
}
