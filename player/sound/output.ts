import type { EnvelopePoint } from '../../core/audio/ducking.ts'
import { rememberLately, type Room } from '../preload/remember.ts'
import { mixInto, type LoadedSound } from './mix.ts'

/** Sounds that were scheduled together. */
export interface Scheduled {
  /** Silences all of them, without a click in the sound. */
  stop(): void
  /** Silences the voices among them within a few hundredths of a second; what had gone down for them comes back. */
  silenceVoices(): void
}

/** Fetches sounds and decodes them. */
export interface SoundLoader {
  load(url: string): Promise<AudioBuffer>
}

/** Where sound comes out: one audio graph per page. */
export interface SoundOutput extends SoundLoader {
  /** `blocked`: the browser wants a click before the page may be heard. */
  state(): 'on' | 'blocked'
  onStateChange(listener: () => void): void
  /** Tries to get heard; works inside a click. */
  resume(): Promise<void>
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
/** A voice that is silenced is gone after so long: soon enough for what must not be heard, and no click. */
const silenceS = 0.03
/** Sounds that had gone down for it come back over this long. */
const returnS = 0.25

/** A sound, decoded at the rate of what it will be heard in. @throws where there is none */
export async function decodedAt(context: BaseAudioContext, url: string): Promise<AudioBuffer> {
  const answer = await fetch(url)
  if (!answer.ok) throw new Error(`The sound ${url} answered ${answer.status}`)
  return context.decodeAudioData(await answer.arrayBuffer())
}

export function createSoundOutput(): SoundOutput {
  const context = new AudioContext({ latencyHint: 'interactive' })
  const master = context.createGain()
  master.connect(context.destination)

  const load = rememberLately((url: string) => decodedAt(context, url), soundRoom)

  /** The audio clock's time that is heard at a moment of the performance clock, in seconds. */
  const contextTimeAt = (atMs: number): number => {
    const stamp = context.getOutputTimestamp()
    const nowMs = performance.now()
    const isUsable = stamp.contextTime !== undefined && stamp.performanceTime !== undefined && stamp.performanceTime > 0
    // Some outputs report no time stamp at all until they run; the current time is then off by the latency at most.
    if (!isUsable || nowMs - (stamp.performanceTime ?? 0) > 500) return context.currentTime + (atMs - nowMs) / 1000
    return (stamp.contextTime ?? 0) + (atMs - (stamp.performanceTime ?? 0)) / 1000
  }

  return {
    state: () => (context.state === 'running' ? 'on' : 'blocked'),
    onStateChange: (listener) => context.addEventListener('statechange', listener),
    resume: () => context.resume(),
    load,
    leadMs: () => 25 + Math.min(120, (context.outputLatency || context.baseLatency || 0) * 1000),
    schedule: (sounds, fromMs, startsAtMs, duck = []) => {
      const { voices, others, stops } = mixInto(context, master, sounds, fromMs, contextTimeAt(startsAtMs), duck)
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
