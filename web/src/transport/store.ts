import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import type { Bus } from './events'
import { performanceOf, type Asked, type Playable } from './performance'
import type { Mix, Now } from './player'

export type { Playable } from './performance'

let loaded: Promise<typeof import('./player')> | null = null
const player = () => (loaded ??= import('./player'))
const slowest = 10
const fastest = 400
const settling = 100

/** The transport: tempo, what sounds, and the beat that sounds now. */
export const useTransport = defineStore('transport', () => {
  const unit = ref('quarter')
  const bpm = ref(96)
  /** True once the director has typed or chosen a tempo: it stays until the piece is left. */
  const typed = ref(false)
  const faders = ref<Record<Bus, { on: boolean; volume: number }>>({
    mine: { on: true, volume: 0.8 },
    others: { on: false, volume: 0.6 },
    click: { on: true, volume: 0.8 },
  })
  const click = ref({ subdivision: 1, game: 'none', on: 2, off: 2 })
  const repeats = ref<'once' | 'played'>('once')
  const loop = ref({ on: false, countOff: false })
  const playing = ref<Playable | null>(null)
  const now = ref<Now | null>(null)
  const measure = computed(() => now.value?.index ?? null)

  const asked = computed<Asked>(() => ({
    unit: unit.value,
    bpm: bpm.value,
    repeats: repeats.value,
    click: { ...click.value },
    withOthers: faders.value.others.on,
  }))
  const mix = computed<Mix>(() => {
    const level = (bus: Bus) => (faders.value[bus].on ? faders.value[bus].volume : 0)
    return { mine: level('mine'), others: level('others'), click: level('click') }
  })
  const mineOf = (what: Playable) => (what.variant ? ['P1'] : what.parts)

  // Each start and stop is a turn of its own: an answer that comes late finds that it is not its turn any more.
  let turn = 0

  async function start(what: Playable) {
    const mine = ++turn
    playing.value = what
    try {
      const [performance, sound] = await Promise.all([performanceOf(what, asked.value), player()])
      if (mine !== turn) return
      sound.mix(mix.value)
      await sound.play(
        performance,
        mineOf(what),
        loop.value,
        (n) => mine === turn && (now.value = n),
        () => mine === turn && (playing.value = null),
        () => mine !== turn,
      )
    } catch (e) {
      if (mine !== turn) return
      playing.value = null
      throw e
    }
  }

  async function stop() {
    turn++
    playing.value = null
    now.value = null
    const sound = await player()
    // Whoever has started meanwhile is not stopped.
    if (playing.value === null) sound.stop()
  }

  /** Fetches what would be played, so that it sounds as soon as it is asked for. */
  function prepare(what: Playable) {
    void performanceOf(what, asked.value).catch(() => undefined)
    void player().then((p) => p.warm())
  }

  // Tempo, click and parts change while it plays, from where it is.
  watch(asked, async (wanted) => {
    const what = playing.value
    const mine = turn
    if (!what) return
    // A key that is held changes it many times: the last one counts.
    await new Promise((rest) => setTimeout(rest, settling))
    if (wanted !== asked.value || mine !== turn) return
    const [performance, sound] = await Promise.all([performanceOf(what, wanted).catch(() => null), player()])
    if (performance && wanted === asked.value && mine === turn) sound.change(performance)
  })
  watch(mix, async (next) => (await player()).mix(next))
  watch(loop, async (next) => (await player()).loopAs(next), { deep: true })

  /** A tempo that the director chose. */
  function choose(tempo: { unit?: string; bpm?: number }) {
    if (tempo.unit !== undefined) unit.value = tempo.unit
    if (tempo.bpm !== undefined) bpm.value = tempo.bpm
    typed.value = true
  }

  /** Faster or slower by so many beats a minute. */
  const nudge = (by: number) => choose({ bpm: Math.min(fastest, Math.max(slowest, bpm.value + by)) })

  /** The tempo that the piece itself asks for, where none was chosen. */
  function suggest(tempo: { unit: string; bpm: number }) {
    if (playing.value || typed.value) return
    unit.value = tempo.unit
    bpm.value = tempo.bpm
  }

  /** The sound of a passage as a file. */
  async function file(what: Playable): Promise<Blob> {
    const [performance, { soundFile }] = await Promise.all([performanceOf(what, asked.value), import('./sound')])
    return soundFile(performance, mineOf(what), mix.value)
  }

  return {
    unit,
    bpm,
    typed,
    choose,
    nudge,
    suggest,
    faders,
    click,
    repeats,
    loop,
    playing,
    now,
    measure,
    start,
    stop,
    prepare,
    file,
  }
})
