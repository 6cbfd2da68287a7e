import { rememberLately } from '../preload/remember.ts'

/** A sound of a score, decoded and ready to be scheduled. */
export interface LoadedSound {
  buffer: AudioBuffer
  startMs: number
  endMs: number
  gainDb: number
  fadeInMs: number
  fadeOutMs: number
  repeats: boolean
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

/** Whatever is cut off goes down so quickly that it is no click. */
const fadeOutS = 0.01

/**
 * Writes a sound's fades, straight in amplitude. Times in seconds of the audio clock.
 * @param zeroS when the sound's own beginning is or would have been heard
 */
function shapeGain(gain: AudioParam, sound: LoadedSound, zeroS: number, fromS: number, toS: number, isCut: boolean): void {
  const full = 10 ** (sound.gainDb / 20)
  const upS = sound.fadeInMs / 1000
  const downS = Math.max(sound.fadeOutMs / 1000, isCut ? fadeOutS : 0)
  const at = (timeS: number) => full * Math.min(1, upS > 0 ? (timeS - zeroS) / upS : 1, downS > 0 ? (toS - timeS) / downS : 1)
  gain.setValueAtTime(Math.max(0, at(fromS)), fromS)
  const upToS = zeroS + upS
  if (upToS > fromS) gain.linearRampToValueAtTime(full, Math.min(upToS, toS))
  if (downS > 0) {
    const downFromS = Math.max(fromS, upToS, toS - downS)
    gain.setValueAtTime(Math.max(0, at(downFromS)), downFromS)
    gain.linearRampToValueAtTime(0, toS)
  }
}

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
    const endMs = sound.repeats ? sound.endMs : Math.min(sound.endMs, sound.startMs + bufferMs)
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
    source.loop = sound.repeats
    const gain = context.createGain()
    source.connect(gain).connect(master)
    const lastsS = (endMs - sound.startMs) / 1000 - offset
    if (lastsS <= 0) return null
    source.start(when, sound.repeats ? offset % sound.buffer.duration : offset)
    shapeGain(gain.gain, sound, when - offset, when, when + lastsS, !sound.repeats && endMs < sound.startMs + bufferMs)
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
