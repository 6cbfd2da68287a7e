import * as z from 'zod'
import { mediaId } from '../core/composition/mediaId.ts'

/** What is measured of media files, as it is stored and as the interface reads it. */

const hex = z.string().regex(/^#[0-9A-F]{6}$/)
const whole = z.int().min(0)

/** Where the artwork of a picture is over all its frames, in the file's pixels. */
export const inkBox = z.object({ xPx: whole, yPx: whole, widthPx: z.int().min(1), heightPx: z.int().min(1) })
export type InkBox = z.infer<typeof inkBox>

/** What is seen of a picture, a video or a vector animation. */
export const seen = z.object({
  hasAlpha: z.boolean(),
  /** Null where every frame is empty. */
  ink: inkBox.nullable(),
  /** The colour that it is remembered by; null where nothing is opaque. */
  dominant: hex.nullable(),
  /** The few colours that cover most of it. */
  colours: z.array(hex).max(6),
})
export type Seen = z.infer<typeof seen>

/** The sound of a video. */
export interface OwnSound {
  /** When its first sample is heard on the video's clock, in milliseconds. */
  startsMs: number
  /** Null where nothing decodes it, and while only browsers do and none has. */
  heard: SoundMeasured | null
  /** Why it is not heard, and what to do instead; null where it is, or where a browser has still to try. */
  fault: string | null
}

export interface PictureMeasured {
  of: 'picture'
  widthPx: number
  heightPx: number
  frameCount: number
  /** How long each frame stays, in milliseconds; empty for stills and where frames come at one rate. */
  frameMs: number[]
  /** One round of it; null for stills. */
  durationMs: number | null
  /** Null where it has none; absent in what was measured before it was looked for. */
  ownSound?: OwnSound | null
  /** Something in it goes on for good: it never has to begin again. */
  isEndless?: boolean
  /** Why it stands still though its file moves. */
  standsStill?: string
  codec: string | null
  /** Null until a browser has looked at it: only browsers decode videos and vector animations here. */
  seen: Seen | null
}

const decibels = z.number().min(-1000).max(1000)
/** What is measured of a sound, by the server or by a browser for what only browsers decode. */
export const soundMeasured = z.object({
  of: z.literal('sound'),
  durationMs: whole.max(600_000),
  rateHz: z.number().min(8000).max(192_000),
  channelCount: z.int().min(1).max(8),
  leadingSilenceMs: whole,
  trailingSilenceMs: whole,
  /** LUFS, LU and dBTP to a hundredth; null for silence. */
  loudness: z
    .object({
      integratedLufs: decibels,
      momentaryMaxLufs: decibels,
      shortTermMaxLufs: decibels,
      rangeLu: decibels,
      truePeakDbtp: decibels,
      /** How loud it counts for levelling; absent in what was measured before there was such a number. */
      levelLufs: decibels.optional(),
    })
    .nullable(),
  /** Amplitudes 0…255 of each stretch in Base64, finest first. */
  waveform: z.array(z.object({ stretchMs: z.int().min(1).max(60_000), peaks: z.base64().max(100_000) })).max(12),
})
export type SoundMeasured = z.infer<typeof soundMeasured>

export interface FontMeasured {
  of: 'font'
  family: string
  /** CSS weights from and to; equal for a font that has one. */
  weights: [number, number]
  isItalic: boolean
  glyphCount: number
}

export type Measured = PictureMeasured | SoundMeasured | FontMeasured

/** What a browser saw of a file that only browsers decode: facts, and pictures of it. */
export const browserSight = z.object({
  seen,
  /** PNG or WebP as Base64. */
  poster: z.base64().max(200_000),
  strip: z.base64().max(400_000),
  /** What a browser measured of a video's own sound; null: it cannot decode it either. Absent: it was not asked to. */
  sound: soundMeasured.nullable().optional(),
})
export type BrowserSight = z.infer<typeof browserSight>

/** A file on its way into the library. */
export interface IntakeView {
  id: string
  name: string
  sizeBytes: number
  state: 'waiting' | 'measuring' | 'ready' | 'refused'
  /** Why it was refused, and what to do instead. */
  reason: string
  advice: string
  /** This browser can make something of it that is taken: the sound in it, decoded. */
  canDecodeHere: boolean
  mediaId: string | null
}

export const mediaChange = z.object({
  name: z.string().trim().min(1).max(120).optional(),
  tags: z.array(z.string().trim().min(1).max(40)).max(12).optional(),
})
export type MediaChange = z.infer<typeof mediaChange>

/**
 * A file put in another's place in all drafts, or only at these places of these boxes: what an earlier answer named.
 */
export const mediaReplacement = z.object({
  by: mediaId,
  partsOf: z.record(z.string().max(80), z.array(z.string().max(200)).max(2000)).optional(),
})

export const mediaLimits = { fileBytes: 64 * 1024 * 1024, nameLetters: 120, waitingFiles: 200 } as const
