import * as z from 'zod'
import type { SpeechChange } from '../core/speech/cleanSpeech.ts'
import { speechSettings, type SpeechSettings } from '../core/speech/settings.ts'
import { sayingKinds, type SayingKind, type Utterance } from '../core/speech/spoken.ts'
import { voiceChoice, type VoiceChoice } from '../core/speech/voiceChoice.ts'
import type { Abuse } from '../core/speech/trialMessages.ts'

/** A voice that can be chosen here. */
export interface VoiceView {
  engine: string
  id: string
  name: string
  /** BCP 47, as its engine has it. */
  language: string
}

export interface SpeechView {
  settings: SpeechSettings
  voices: VoiceView[]
  /** Engines that do not answer, with what they said. */
  troubles: { engine: string; reason: string }[]
}

export const speechSettingsBody = speechSettings

/** Something of a play that is read aloud, or is not, and why. */
export interface SaidView {
  partId: string
  of: SayingKind
  written: string
  /** What is read; empty where nothing is. */
  text: string
  outcome: 'kept' | 'changed' | 'refused'
  changes: SpeechChange[]
  /** Why it is not read. */
  reason: string | null
  /** What the voice is given, and whose it is. */
  spoken: string
  voice: VoiceChoice
  /** Known once it was spoken. */
  durationMs: number | null
}

/** What became of the words of a play. */
export interface PlaySpeech {
  sayings: SaidView[]
  state: 'making' | 'ready'
  /** Why less is heard than was meant: an engine that failed, voices that are off. */
  note: string | null
  /** What somebody said of it, and who; absent or null: nobody did. */
  verdict?: string | null
}

/** The same as the desk shows it: without what each step changed. */
export interface DeskSpeech extends Pick<PlaySpeech, 'state' | 'note' | 'verdict'> {
  sayings: Pick<SaidView, 'of' | 'written' | 'text' | 'outcome' | 'reason' | 'durationMs'>[]
}

/** Whether what a viewer wrote may be read: nobody has to be asked, somebody has, they said yes, they said no. */
export const approvals = ['none', 'awaiting', 'given', 'withheld'] as const
export type Approval = (typeof approvals)[number]

/** Whether anything of the channel is read aloud. */
export const voicesOnBody = z.object({ isOn: z.boolean() })

/** Whether a play's words are to be read. */
export const voiceBody = z.object({ isRead: z.boolean() })

const saying = z.object({
  of: z.enum(sayingKinds),
  written: z.string().max(4000),
  emotes: z.array(z.object({ from: z.int().min(0), to: z.int().min(0) })).max(100),
  voice: voiceChoice.nullable(),
})

/**
 * Texts to be cleaned and spoken as the channel would, or as these settings say. Nothing of it is counted or kept in a
 * log.
 */
export const sayBody = z.object({ sayings: z.array(saying).min(1).max(20), settings: speechSettings.optional() })

/** One of them as it would be heard. */
export interface SayAnswer {
  text: string
  outcome: SaidView['outcome']
  changes: SpeechChange[]
  reason: string | null
  /** The language that it was taken for, and the voice that reads it. */
  language: string
  voice: VoiceChoice
  /** Null where nothing is read or the voice failed; `trouble` says why. */
  utterance: Utterance | null
  trouble: string | null
}

/**
 * How many messages of a kind of abuse (null: innocent ones) are changed or stopped at each level and with the
 * channel's own rules.
 */
export interface TrialShare {
  abuse: Abuse | null
  count: number
  open: number
  careful: number
  strict: number
  own: number
}

export const trialBody = z.object({ settings: speechSettings })

/** A message that came in, to try the rules on. */
export interface PastMessage {
  eventId: string
  name: string
  kind: string
  text: string
  emotes: { from: number; to: number }[]
}
