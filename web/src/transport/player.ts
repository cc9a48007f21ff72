import * as Tone from 'tone'

/** A click or note to sound, in seconds from the start of the count-off. */
export interface ClickEvent {
  seconds: number
  accent: boolean
  measure: number | null | undefined
  countOff: boolean
}

export interface NoteEvent {
  seconds: number
  length: number
  midi: number[]
}

let stopSounding: (() => void) | null = null

/** Plays clicks and notes together; tells each measure as it begins, and the end. */
export async function play(
  clicks: readonly ClickEvent[],
  notes: readonly NoteEvent[],
  total: number,
  onMeasure: (m: number | null) => void,
  onEnd: () => void,
  isOver: () => boolean = () => false,
) {
  stop()
  await Tone.start()
  // Stopped while the sound was being made ready.
  if (isOver()) return
  const tick = new Tone.Synth({
    oscillator: { type: 'triangle' },
    envelope: { attack: 0.001, decay: 0.05, sustain: 0, release: 0.02 },
    volume: -8,
  }).toDestination()
  const voices = new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'triangle' },
    envelope: { attack: 0.01, decay: 0.2, sustain: 0.4, release: 0.2 },
    volume: -16,
  }).toDestination()
  const transport = Tone.getTransport()
  transport.cancel()
  transport.position = 0
  for (const c of clicks)
    transport.schedule((at) => {
      tick.triggerAttackRelease(c.accent ? 'C6' : 'G5', 0.03, at, c.accent ? 1 : 0.6)
      if (c.measure !== null && c.measure !== undefined) Tone.getDraw().schedule(() => onMeasure(c.measure!), at)
    }, c.seconds + 0.05)
  for (const n of notes)
    transport.schedule(
      (at) =>
        voices.triggerAttackRelease(
          n.midi.map((m) => Tone.Frequency(m, 'midi').toFrequency()),
          n.length,
          at,
        ),
      n.seconds + 0.05,
    )
  transport.schedule((at) => Tone.getDraw().schedule(stop, at), total + 0.1)
  stopSounding = () => {
    transport.stop()
    transport.cancel()
    tick.dispose()
    voices.dispose()
    onMeasure(null)
    onEnd()
  }
  transport.start('+0.05')
}

/** Stops at once. */
export function stop() {
  const end = stopSounding
  stopSounding = null
  end?.()
}
