import { err, ok, type Result } from '../../core/result.ts'
import { cleanSpeech, speakAs, type CleanedSpeech, type SpeechChange } from '../../core/speech/cleanSpeech.ts'
import type { SpeechRules } from '../../core/speech/rules.ts'
import { rulesInEffect, type SpeechSettings } from '../../core/speech/settings.ts'
import type { Saying } from '../../core/speech/sayings.ts'
import type { SayingKind, Utterance } from '../../core/speech/spoken.ts'
import { visibleText } from '../../core/speech/visibleText.ts'
import type { VoiceChoice } from '../../core/speech/voiceChoice.ts'
import { findBlocked } from '../../core/speech/words/findBlocked.ts'
import type { SpeechEngines } from './engines.ts'
import type { LanguageGuesser } from './languages/languageProcess.ts'
import { recordSpeech } from './recordSpeech.ts'
import type { SpeechCache } from './speechCache.ts'
import { blockedFor } from './wordLists.ts'

/** A text as a channel would read it: cleaned, in which language, by whom. */
export interface Cleaned extends CleanedSpeech {
  language: string
  voice: VoiceChoice
}

/** What was read in the end. */
interface SpokenWithin {
  text: string
  spoken: string
  made: Result<Utterance, string>
  cut: SpeechChange[]
}

/** Words differ in length: a little less is kept than fits, and after so many tries it is as it is. */
const cutReserve = 0.97
const cutTries = 4

/** Cleans texts and has them spoken; the same words by the same voice once. */
export class Speaker {
  private readonly making = new Map<string, Promise<Result<Utterance, string>>>()

  constructor(
    readonly engines: SpeechEngines,
    readonly cache: SpeechCache,
    readonly languages: LanguageGuesser,
  ) {}

  /**
   * Cleans a text by a channel's rules and finds the voice for it: where languages are followed, one that speaks the
   * text's.
   * @param locale the channel's, BCP 47
   */
  async clean({ of, written, emotes, voice: own }: Saying, settings: SpeechSettings, locale: string): Promise<Cleaned> {
    const ownLanguage = locale.split('-')[0] ?? 'en'
    // The line is the channel's own text with a name in it; only what viewers write may be in any language.
    const [guessed = ownLanguage] = of === 'message' ? await this.languages.guess([written], ownLanguage) : []
    const language = guessed
    const rules = rulesInEffect(settings)
    const cleaned = cleanSpeech(written, rules, blockedFor(rules, [ownLanguage, language]), emotes)
    const chosen = own ?? (of === 'line' ? settings.lineVoice : settings.messageVoice)
    return {
      ...cleaned,
      language,
      voice: settings.guessesLanguage && cleaned.text !== '' ? await this.engines.voiceFor(chosen, language) : chosen,
    }
  }

  /** Which texts hold a word that a channel blocks. */
  async blocked(texts: readonly string[], settings: SpeechSettings, locale: string): Promise<boolean[]> {
    const own = locale.split('-')[0] ?? 'en'
    const rules = rulesInEffect(settings)
    const languages = await this.languages.guess(texts, own)
    return texts.map(
      (text, index) => findBlocked(visibleText(text), blockedFor(rules, [own, languages[index] ?? own])).length > 0,
    )
  }

  /**
   * Has a text spoken, or finds it where it was spoken before. Never rejects.
   * @param mostMs where it fades out; null to hear all of it
   */
  speak(
    of: SayingKind,
    text: string,
    voice: VoiceChoice,
    mostMs: number | null = null,
  ): Promise<Result<Utterance, string>> {
    const key = this.cache.keyOf(text, voice, mostMs)
    const making =
      this.making.get(key) ?? this.make(of, key, text, voice, mostMs).finally(() => this.making.delete(key))
    this.making.set(key, making)
    return making.then((made) => (made.ok ? ok({ ...made.value, of }) : made))
  }

  /**
   * The same, of a cleaned text that may turn out longer than the rules allow, because its seconds were only estimated:
   * words go from its end until the voice is done in time, and where that does not do, the sound fades out there.
   * Nothing longer is ever heard.
   * @returns what is read in the end, with the step that cut it where one did
   */
  async speakWithin(
    of: SayingKind,
    { text, spoken, voice }: Pick<Cleaned, 'text' | 'spoken' | 'voice'>,
    { maxSeconds, pronunciations }: SpeechRules,
  ): Promise<SpokenWithin> {
    const mostMs = maxSeconds * 1000
    let read = { text, spoken }
    let made = await this.speak(of, spoken, voice)
    for (let tries = 0; tries < cutTries && made.ok && made.value.durationMs > mostMs; tries++) {
      const words = read.text.split(/\s+/u)
      const kept = Math.min(words.length - 1, Math.floor((words.length * mostMs * cutReserve) / made.value.durationMs))
      if (kept < 1) break
      const shorter = words.slice(0, kept).join(' ')
      read = { text: shorter, spoken: speakAs(shorter, pronunciations) }
      made = await this.speak(of, read.spoken, voice)
    }
    if (made.ok && made.value.durationMs > mostMs) {
      made = await this.speak(of, read.spoken, voice, mostMs)
      read = { ...read, text: `${read.text}…` }
    }
    return { ...read, made, cut: read.text === text ? [] : [{ step: 'seconds', before: text, after: read.text }] }
  }

  private async make(
    of: SayingKind,
    key: string,
    text: string,
    voice: VoiceChoice,
    mostMs: number | null,
  ): Promise<Result<Utterance, string>> {
    try {
      const known = await this.cache.find(key)
      if (known) return ok({ of, text, url: urlOf(key), ...known })
      const spoken = await this.engines.speak(text, voice)
      if (!spoken.ok) return spoken
      const recording = await recordSpeech(text, spoken.value, mostMs)
      await this.cache.put(key, recording)
      const { wav: _wav, ...facts } = recording
      return ok({ of, text, url: urlOf(key), ...facts })
    } catch (error) {
      return err(
        error instanceof Error
          ? `The recording could not be kept: ${error.message.slice(0, 120)}`
          : 'The recording could not be kept.',
      )
    }
  }
}

const urlOf = (key: string) => `/speech/${key}.wav`
