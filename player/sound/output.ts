import { rememberLately } from '../preload/remember.ts'

/** A sound of a score, decoded and ready to be scheduled. */
export interface LoadedSound {
  buffer: AudioBuffer
  startMs: number
  endMs: number
  gainDb: number
}

/** Where sound comes out: one audio graph per page. */
export interface SoundOutput {
  /** `blocked`: the browser wants a click before the page may be heard. */
  state(): 'on' | 'blocked'
  onStateChange(listener: () => void): void
  /** Tries to get heard; works inside a click. */
  resume(): Promise<void>
  load(url: string): Promise<AudioBuffer>
  /** How long ahead a start must be planned so that its first sample is not late, in milliseconds. */
  leadMs(): number
  /**
   * Schedules sounds so that score time `fromMs` is heard exactly at `startsAtMs` on the performance clock.
   * @returns what silences them again, without a click in the sound.
   */
  schedule(sounds: readonly LoadedSound[], fromMs: number, startsAtMs: number): () => void
  /** For the editor's sound switch. 0 is silent. */
  setVolume(ratio: number): void
}

const fadeOutS = 0.01

export function createSoundOutput(): SoundOutput {
  const context = new AudioContext({ latencyHint: 'interactive' })
  const master = context.createGain()
  master.connect(context.destination)

  const load = rememberLately(async (url: string) => {
    const answer = await fetch(url)
    if (!answer.ok) throw new Error(`The sound ${url} answered ${answer.status}`)
    return context.decodeAudioData(await answer.arrayBuffer())
  }, 60)

  /** The audio clock's time that is heard at a moment of the performance clock, in seconds. */
  const contextTimeAt = (atMs: number): number => {
    const stamp = context.getOutputTimestamp()
    const nowMs = performance.now()
    const isUsable = stamp.contextTime !== undefined && stamp.performanceTime !== undefined && stamp.performanceTime > 0
    // Some outputs report no time stamp at all until they run; the current time is then off by the latency at most.
    if (!isUsable || nowMs - (stamp.performanceTime ?? 0) > 500) return context.currentTime + (atMs - nowMs) / 1000
    return (stamp.contextTime ?? 0) + (atMs - (stamp.performanceTime ?? 0)) / 1000
  }

  const scheduleOne = (sound: LoadedSound, fromMs: number, startsAtMs: number): (() => void) | null => {
    const bufferMs = sound.buffer.duration * 1000
    const endMs = Math.min(sound.endMs, sound.startMs + bufferMs)
    if (endMs <= fromMs) return null
    let when = contextTimeAt(startsAtMs + Math.max(0, sound.startMs - fromMs))
    let offset = Math.max(0, fromMs - sound.startMs) / 1000
    const lateBy = context.currentTime - when
    if (lateBy > 0) {
      // Better its beginning cut by milliseconds than the whole sound behind its picture.
      when += lateBy
      offset += lateBy
    }
    const source = context.createBufferSource()
    source.buffer = sound.buffer
    const gain = context.createGain()
    gain.gain.value = 10 ** (sound.gainDb / 20)
    source.connect(gain).connect(master)
    const lastsS = (endMs - sound.startMs) / 1000 - offset
    if (lastsS <= 0) return null
    source.start(when, offset)
    if (endMs < sound.startMs + bufferMs) {
      gain.gain.setValueAtTime(gain.gain.value, Math.max(when, when + lastsS - fadeOutS))
      gain.gain.linearRampToValueAtTime(0, when + lastsS)
    }
    source.stop(when + lastsS)
    return () => {
      gain.gain.cancelScheduledValues(context.currentTime)
      gain.gain.setTargetAtTime(0, context.currentTime, fadeOutS / 3)
      source.stop(context.currentTime + fadeOutS * 2)
    }
  }

  return {
    state: () => (context.state === 'running' ? 'on' : 'blocked'),
    onStateChange: (listener) => context.addEventListener('statechange', listener),
    resume: () => context.resume(),
    load,
    leadMs: () => 25 + Math.min(120, (context.outputLatency || context.baseLatency || 0) * 1000),
    schedule: (sounds, fromMs, startsAtMs) => {
      const stops = sounds.map((sound) => scheduleOne(sound, fromMs, startsAtMs)).filter((stop) => stop !== null)
      return () => stops.forEach((stop) => stop())
    },
    setVolume: (ratio) => master.gain.setTargetAtTime(ratio, context.currentTime, 0.01),
  }
}
