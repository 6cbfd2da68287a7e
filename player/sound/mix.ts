import { envelopeAt, type EnvelopePoint } from '../../core/audio/ducking.ts'

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

/** Whatever is cut off goes down so quickly that it is no click. */
const fadeOutS = 0.01

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

/**
 * Puts a sound into a graph.
 * @param startsAtS when score time `fromMs` is heard, in seconds of the audio clock
 * @returns what ends it before its time; null where it is over by then
 */
function scheduleOne(
  context: BaseAudioContext,
  sound: LoadedSound,
  fromMs: number,
  startsAtS: number,
  into: AudioNode,
): (() => void) | null {
  const bufferMs = sound.buffer.duration * 1000
  const endMs = sound.repeats ? sound.endMs : Math.min(sound.endMs, sound.startMs + bufferMs)
  if (endMs <= fromMs) return null
  let when = startsAtS + Math.max(0, sound.startMs - fromMs) / 1000
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

/** What was put into a graph. */
export interface Mix {
  /** What the voices go through, and all that goes down for them; null where nothing speaks. */
  voices: GainNode | null
  others: GainNode | null
  stops: (() => void)[]
}

/**
 * Puts the sounds of a score into a graph: what is heard on a source and what is written into a file are mixed here.
 * @param startsAtS when score time `fromMs` is heard, in seconds of the audio clock
 * @param duck how all that is no voice goes down meanwhile, on the score's clock
 */
export function mixInto(
  context: BaseAudioContext,
  into: AudioNode,
  sounds: readonly LoadedSound[],
  fromMs: number,
  startsAtS: number,
  duck: readonly EnvelopePoint[],
): Mix {
  // Only where a voice speaks is there a way of their own for voices, and one for what goes down meanwhile.
  const speaks = sounds.some(({ isVoice }) => isVoice)
  const [voices, others] = speaks ? [context.createGain(), context.createGain()] : [null, null]
  voices?.connect(into)
  others?.connect(into)
  if (others) shapeDuck(others.gain, duck, fromMs, startsAtS)
  const stops = sounds
    .map((sound) => scheduleOne(context, sound, fromMs, startsAtS, (sound.isVoice ? voices : others) ?? into))
    .filter((stop) => stop !== null)
  return { voices, others, stops }
}
