import { Offline } from 'tone'
import { eventsOf } from './events'
import type { Performance } from './performance'
import type { Mix } from './player'
import { strike } from './voices'
import { wavOf } from './wav'

const rate = 44_100
const tail = 0.5
const full: Mix = { mine: 0.5, others: 0.3, click: 0.6 }

/** The sound of a performance as a WAV file, made without playing it. */
export async function soundFile(performance: Performance, mine: readonly string[], levels: Mix): Promise<Blob> {
  const buffer = await Offline(
    ({ rawContext }) => {
      const ctx = rawContext as unknown as BaseAudioContext
      const limit = ctx.createDynamicsCompressor()
      limit.connect(ctx.destination)
      const buses = Object.fromEntries(
        (['mine', 'others', 'click'] as const).map((name) => {
          const bus = ctx.createGain()
          bus.gain.value = levels[name] * full[name]
          bus.connect(limit)
          return [name, bus]
        }),
      )
      for (const event of eventsOf(performance, mine))
        if (levels[event.bus] > 0) strike(ctx, buses[event.bus]!, event, event.seconds)
    },
    performance.seconds + tail,
    1,
    rate,
  )
  return wavOf(buffer.getChannelData(0), rate)
}
