import type { SoundRound } from '../../core/score/soundRound.ts'

/** What a round cuts off goes down so quickly that it is no click. */
const fadeS = 0.01

const known = new WeakMap<AudioBuffer, Map<string, AudioBuffer>>()

/** A sound as one whole round of its picture, with silence around it: what repeats it stays in time for good. */
export function roundOf(sound: AudioBuffer, { ms, leadMs }: SoundRound): AudioBuffer {
  const rounds = known.get(sound) ?? new Map<string, AudioBuffer>()
  known.set(sound, rounds)
  const key = `${ms}/${leadMs}`
  const made = rounds.get(key)
  if (made) return made
  const { sampleRate, numberOfChannels } = sound
  const length = Math.max(1, Math.round((ms * sampleRate) / 1000))
  const lead = Math.min(length, Math.round((leadMs * sampleRate) / 1000))
  const round = new AudioBuffer({ length, sampleRate, numberOfChannels })
  const fade = Math.min(length - lead, Math.round(fadeS * sampleRate))
  const isCut = sound.length > length - lead
  for (let channel = 0; channel < numberOfChannels; channel++) {
    const samples = sound.getChannelData(channel).slice(0, length - lead)
    if (isCut)
      for (let back = 0; back < fade; back++) {
        const at = samples.length - 1 - back
        samples[at] = (samples[at] ?? 0) * (back / fade)
      }
    round.copyToChannel(samples, channel, lead)
  }
  rounds.set(key, round)
  return round
}
