import * as z from 'zod'
import { readyRules, speechRules, strictnesses, type SpeechRules } from './rules.ts'
import { usualVoice, voiceChoice } from './voiceChoice.ts'

/** Who may have their words read. Each includes those behind it. */
export const readableRoles = ['everyone', 'subscribers', 'vips', 'moderators'] as const
export type ReadableRole = (typeof readableRoles)[number]

/** Whose words are read, and how often. 0 stands for no limit. */
export const speechLimits = z.object({
  /** Money events below it are read without what was written; minor units of the channel's currency. */
  leastMinor: z.int().min(0).max(100_000_000),
  whose: z.enum(readableRoles),
  /** So many messages of one viewer are read within `perViewerMinutes`. */
  perViewer: z.int().min(0).max(1000),
  perViewerMinutes: z.int().min(1).max(1440),
  /** The same words, by whomever, are read once in so many minutes. */
  repeatMinutes: z.int().min(0).max(1440),
})
export type SpeechLimits = z.infer<typeof speechLimits>

/** How a channel reads aloud: who speaks, what is cleaned away, whose words are read. */
export const speechSettings = z.object({
  isOn: z.boolean(),
  /** One of the ready levels, or `own`: the rules as they stand. Word lists and pronunciations hold at every level. */
  strictness: z.enum([...strictnesses, 'own']),
  rules: speechRules,
  limits: speechLimits,
  lineVoice: voiceChoice,
  messageVoice: voiceChoice,
  /** Messages in another language are read by a voice of that language where the engine has one. */
  guessesLanguage: z.boolean(),
  /** What viewers wrote waits until somebody at the desk lets it be read. */
  approvesMessages: z.boolean(),
})
export type SpeechSettings = z.infer<typeof speechSettings>

/** What a channel begins with. */
export const usualSettings: SpeechSettings = {
  isOn: true,
  strictness: 'careful',
  rules: readyRules.careful,
  limits: { leastMinor: 0, whose: 'everyone', perViewer: 6, perViewerMinutes: 10, repeatMinutes: 5 },
  lineVoice: usualVoice,
  messageVoice: usualVoice,
  guessesLanguage: true,
  approvesMessages: false,
}

/** The rules in effect: those of the level, with the channel's own words and pronunciations. */
export function rulesInEffect({ strictness, rules }: Pick<SpeechSettings, 'strictness' | 'rules'>): SpeechRules {
  if (strictness === 'own') return rules
  const { ownBlocked, allowed, pronunciations } = rules
  return { ...readyRules[strictness], ownBlocked, allowed, pronunciations }
}

/**
 * Settings as they were stored, by this program or an older one: what it did not know yet is as usual, and what is no
 * setting at all is left aside.
 */
export function readSettings(stored: unknown): SpeechSettings {
  const given = (stored ?? {}) as Partial<SpeechSettings>
  const read = speechSettings.safeParse({
    ...usualSettings,
    ...given,
    rules: { ...usualSettings.rules, ...given.rules },
    limits: { ...usualSettings.limits, ...given.limits },
  })
  return read.success ? read.data : usualSettings
}
