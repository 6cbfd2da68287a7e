import type { PreparedScore } from '../../player/preparedScore.ts'
import { mixInto } from '../../player/sound/mix.ts'
import { decodedAt, type SoundLoader } from '../../player/sound/output.ts'

/** What a film's sound is written in, in samples a second: what Opus has inside. */
const rateHz = 48_000

/** A film's sound, one row of samples for each channel. */
export interface FilmSound {
  rateHz: number
  channels: Float32Array<ArrayBuffer>[]
}

/** Where the sound of a film is mixed: by what mixes it on a source, with no clock to wait for. */
export function openFilmSound(lengthMs: number): SoundLoader & {
  mix(prepared: PreparedScore): Promise<FilmSound | null>
} {
  const context = new OfflineAudioContext(2, Math.max(1, Math.ceil((lengthMs / 1000) * rateHz)), rateHz)
  return {
    load: (url) => decodedAt(context, url),
    /** Null where nothing is heard. */
    async mix({ sounds, score }) {
      if (sounds.length === 0) return null
      mixInto(context, context.destination, sounds, 0, 0, score.duck ?? [])
      const mixed = await context.startRendering()
      return { rateHz, channels: [mixed.getChannelData(0), mixed.getChannelData(1)].map((row) => row.slice()) }
    },
  }
}
