import * as z from 'zod'

/** A voice of an engine, and how it speaks. `rate` in words a minute, `pitch` from 0 to 100. */
export const voiceChoice = z.object({
  engine: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'an engine is called in small letters, figures and dashes'),
  voice: z.string().min(1).max(120),
  rate: z.int().min(80).max(400),
  pitch: z.int().min(0).max(100),
})
export type VoiceChoice = z.infer<typeof voiceChoice>

/** The engines that every server has. */
export const shippedEngines = ['espeak-ng', 'flite'] as const

/** What a channel begins with: it is there on every machine. */
export const usualVoice: VoiceChoice = { engine: 'espeak-ng', voice: 'gmw/en', rate: 165, pitch: 50 }
