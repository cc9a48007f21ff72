import type { SoundEvent } from './events'

/** How a group of instruments sounds: partials from the first on, seconds to its full level, and seconds until it dies of itself. */
interface Timbre {
  partials: readonly number[]
  attack: number
  decay?: number
}

// A few partials are enough to tell the parts apart; odd ones alone are a stopped pipe's, as a clarinet's. From memory.
const timbres: Record<string, Timbre> = {
  flute: { partials: [1, 0.25, 0.06], attack: 0.03 },
  reed: { partials: [1, 0.08, 0.55, 0.06, 0.28, 0.04, 0.12], attack: 0.02 },
  'double-reed': { partials: [0.7, 1, 0.8, 0.6, 0.4, 0.3, 0.2, 0.12], attack: 0.02 },
  brass: { partials: [1, 0.8, 0.65, 0.45, 0.3, 0.18, 0.1], attack: 0.03 },
  strings: { partials: [1, 0.6, 0.45, 0.35, 0.28, 0.2, 0.16, 0.12], attack: 0.05 },
  voice: { partials: [1, 0.45, 0.2, 0.1], attack: 0.05 },
  keyboard: { partials: [1, 0.5, 0.3, 0.2, 0.1], attack: 0.004, decay: 1.6 },
  mallet: { partials: [1, 0, 0, 0.35], attack: 0.002, decay: 0.7 },
  drum: { partials: [1], attack: 0.001, decay: 0.12 },
  click: { partials: [1, 0, 0.3], attack: 0.0005, decay: 0.03 },
}
const clickPitch = [0, 2093, 1568, 1175]
const release = 0.04

/** Keeps many parts at once from clipping: what is louder than half bends gently to full. */
export const bend = (x: number) =>
  Math.abs(x) < 0.5 ? x : Math.sign(x) * (0.5 + 0.5 * Math.tanh((Math.abs(x) - 0.5) * 2))

/** The same as a node; nothing comes later for it, as it would behind a compressor. */
export function limiter(ctx: BaseAudioContext): WaveShaperNode {
  const shaper = ctx.createWaveShaper()
  const points = 2049
  shaper.curve = Float32Array.from({ length: points }, (_, i) => bend((i / (points - 1)) * 2 - 1))
  return shaper
}

const waves = new WeakMap<BaseAudioContext, Map<string, PeriodicWave>>()
const noises = new WeakMap<BaseAudioContext, AudioBuffer>()

function waveOf(ctx: BaseAudioContext, name: string, timbre: Timbre): PeriodicWave {
  const own = waves.get(ctx) ?? new Map<string, PeriodicWave>()
  waves.set(ctx, own)
  const there = own.get(name)
  if (there) return there
  const imag = new Float32Array([0, ...timbre.partials])
  const made = ctx.createPeriodicWave(new Float32Array(imag.length), imag)
  own.set(name, made)
  return made
}

// One second of noise, the same each time: a drum is no melody, but it is not random either.
function noiseOf(ctx: BaseAudioContext): AudioBuffer {
  const there = noises.get(ctx)
  if (there) return there
  const made = ctx.createBuffer(1, ctx.sampleRate, ctx.sampleRate)
  const samples = made.getChannelData(0)
  let seed = 1
  for (let i = 0; i < samples.length; i++) {
    seed = (seed * 16807) % 2147483647
    samples[i] = (seed / 2147483647) * 2 - 1
  }
  noises.set(ctx, made)
  return made
}

function sourceOf(ctx: BaseAudioContext, event: SoundEvent, timbre: Timbre): AudioScheduledSourceNode {
  if (event.timbre === 'drum') {
    const noise = ctx.createBufferSource()
    noise.buffer = noiseOf(ctx)
    noise.loop = true
    return noise
  }
  const tone = ctx.createOscillator()
  tone.setPeriodicWave(waveOf(ctx, event.timbre, timbre))
  tone.frequency.value = event.timbre === 'click' ? clickPitch[event.key]! : 440 * 2 ** ((event.key - 69) / 12)
  return tone
}

/** Sounds an event at an exact moment of the audio clock, and gives what sounds, so that it can be silenced. */
export function strike(ctx: BaseAudioContext, out: AudioNode, event: SoundEvent, at: number): AudioScheduledSourceNode {
  const timbre = timbres[event.timbre] ?? timbres.keyboard!
  const source = sourceOf(ctx, event, timbre)
  const gain = ctx.createGain()
  const end = at + Math.max(event.length, timbre.attack + 0.01)
  gain.gain.setValueAtTime(0, at)
  gain.gain.linearRampToValueAtTime(event.level, at + timbre.attack)
  if (timbre.decay) gain.gain.setTargetAtTime(0, at + timbre.attack, timbre.decay / 3)
  gain.gain.setTargetAtTime(0, end, release / 3)
  source.connect(gain).connect(out)
  source.start(at)
  source.stop(end + release * 2)
  return source
}
