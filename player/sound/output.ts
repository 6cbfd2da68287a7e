import { envelopeAt, type EnvelopePoint } from '../../core/audio/ducking.ts'
import { rememberLately, type Room } from '../preload/remember.ts'

/** A sound of a score, decoded and ready to be scheduled. */
export interface LoadedSound {
  buffer: AudioBuffer
  startMs: number
  endMs: number
  gainDb: number
  fadeInMs: number
  fadeOutMs: number
  repeats: boolean
  /** A voice: it can be silenced by itself, and never goes down for another. */
  isVoice: boolean
}

/** Sounds that were scheduled together. */
export interface Scheduled {
  /** Silences all of them, without a click in the sound. */
  stop(): void
  /** Silences the voices among them within a few hundredths of a second; what had gone down for them comes back. */
  silenceVoices(): void
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
   * @param duck how all that is no voice goes down meanwhile, on the score's clock
   */
  schedule(
    sounds: readonly LoadedSound[],
    fromMs: number,
    startsAtMs: number,
    duck?: readonly EnvelopePoint[],
  ): Scheduled
  /** Hears all that is heard. */
  tap(): AnalyserNode
  /** For the editor's sound switch. 0 is silent. */
  setVolume(ratio: number): void
}

/** Decoded sounds that are at hand: half an hour of mono. */
const soundRoom: Room<AudioBuffer> = {
  bytesMost: 320 * 1024 * 1024,
  bytesOf: ({ length, numberOfChannels }) => length * numberOfChannels * 4,
}
/** Whatever is cut off goes down so quickly that it is no click. */
const fadeOutS = 0.01
/** A voice that is silenced is gone after so long: soon enough for what must not be heard, and no click. */
const silenceS = 0.03
/** Sounds that had gone down for it come back over this long. */
const returnS = 0.25

/**
 * Writes a sound's fades, straight in amplitude. Times in seconds of the audio clock.
 * @param zeroS when the sound's own beginning is or would have been heard
 */
function shapeGain(
  gain: AudioParam,
  sound: LoadedSound,
  zeroS: number,
  fromS: number,
  toS: number,
  isCut: boolean,
): void {
  const full = 10 ** (sound.gainDb / 20)
  const upS = sound.fadeInMs / 1000
  const downS = Math.max(sound.fadeOutMs / 1000, isCut ? fadeOutS : 0)
  const at = (timeS: number) =>
    full * Math.min(1, upS > 0 ? (timeS - zeroS) / upS : 1, downS > 0 ? (toS - timeS) / downS : 1)
  gain.setValueAtTime(Math.max(0, at(fromS)), fromS)
  const upToS = zeroS + upS
  if (upToS > fromS) gain.linearRampToValueAtTime(full, Math.min(upToS, toS))
  if (downS > 0) {
    const downFromS = Math.max(fromS, upToS, toS - downS)
    gain.setValueAtTime(Math.max(0, at(downFromS)), downFromS)
    gain.linearRampToValueAtTime(0, toS)
  }
}

/**
 * Writes how sounds go down for a voice.
 * @param zeroS when score time `fromMs` is heard, in seconds of the audio clock
 */
function shapeDuck(gain: AudioParam, duck: readonly EnvelopePoint[], fromMs: number, zeroS: number): void {
  if (duck.length === 0) return
  const at = (ms: number) => Math.max(0, zeroS + (ms - fromMs) / 1000)
  gain.setValueAtTime(envelopeAt(duck, fromMs), at(fromMs))
  for (const { atMs, ratio } of duck) if (atMs > fromMs) gain.linearRampToValueAtTime(ratio, at(atMs))
}

export function createSoundOutput(): SoundOutput {
  const context = new AudioContext({ latencyHint: 'interactive' })
  const master = context.createGain()
  master.connect(context.destination)

  const load = rememberLately(async (url: string) => {
    const answer = await fetch(url)
    if (!answer.ok) throw new Error(`The sound ${url} answered ${answer.status}`)
    return context.decodeAudioData(await answer.arrayBuffer())
  }, soundRoom)

  /** The audio clock's time that is heard at a moment of the performance clock, in seconds. */
  const contextTimeAt = (atMs: number): number => {
    const stamp = context.getOutputTimestamp()
    const nowMs = performance.now()
    const isUsable = stamp.contextTime !== undefined && stamp.performanceTime !== undefined && stamp.performanceTime > 0
    // Some outputs report no time stamp at all until they run; the current time is then off by the latency at most.
    if (!isUsable || nowMs - (stamp.performanceTime ?? 0) > 500) return context.currentTime + (atMs - nowMs) / 1000
    return (stamp.contextTime ?? 0) + (atMs - (stamp.performanceTime ?? 0)) / 1000
  }

  const scheduleOne = (
    sound: LoadedSound,
    fromMs: number,
    startsAtMs: number,
    into: AudioNode,
  ): (() => void) | null => {
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
    source.connect(gain).connect(into)
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
    schedule: (sounds, fromMs, startsAtMs, duck = []) => {
      // Only where a voice speaks is there a way of their own for voices, and one for what goes down meanwhile.
      const speaks = sounds.some(({ isVoice }) => isVoice)
      const [voices, others] = speaks ? [context.createGain(), context.createGain()] : [null, null]
      voices?.connect(master)
      others?.connect(master)
      if (others) shapeDuck(others.gain, duck, fromMs, contextTimeAt(startsAtMs))
      const stops = sounds
        .map((sound) => scheduleOne(sound, fromMs, startsAtMs, (sound.isVoice ? voices : others) ?? master))
        .filter((stop) => stop !== null)
      const rampTo = (gain: AudioParam | undefined, value: number, overS: number) => {
        if (!gain) return
        const now = context.currentTime
        const held = gain.value
        gain.cancelScheduledValues(now)
        gain.setValueAtTime(held, now)
        gain.linearRampToValueAtTime(value, now + overS)
      }
      return {
        stop: () => stops.forEach((stop) => stop()),
        silenceVoices: () => {
          rampTo(voices?.gain, 0, silenceS)
          rampTo(others?.gain, 1, returnS)
        },
      }
    },
    tap() {
      const tap = context.createAnalyser()
      master.connect(tap)
      return tap
    },
    setVolume: (ratio) => master.gain.setTargetAtTime(ratio, context.currentTime, 0.01),
  }
}
