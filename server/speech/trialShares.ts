import { cleanSpeech } from '../../core/speech/cleanSpeech.ts'
import { readyRules, strictnesses, type SpeechRules } from '../../core/speech/rules.ts'
import { rulesInEffect, type SpeechSettings } from '../../core/speech/settings.ts'
import { abuses, trialMessages } from '../../core/speech/trialMessages.ts'
import type { TrialShare } from '../../contract/speech.ts'
import type { LanguageGuesser } from './languages/languageProcess.ts'
import { blockedFor } from './wordLists.ts'

/** What each level, and the channel's own rules, do to the messages that ship to try them on. */
export async function trialShares(
  settings: SpeechSettings,
  locale: string,
  languages: LanguageGuesser,
): Promise<TrialShare[]> {
  const own = locale.split('-')[0] ?? 'en'
  const guessed = await languages.guess(
    trialMessages.map(({ text }) => text),
    own,
  )
  const stops = (rules: SpeechRules) =>
    trialMessages.map(
      ({ text }, index) => cleanSpeech(text, rules, blockedFor(rules, [own, guessed[index] ?? own])).outcome !== 'kept',
    )
  const byLevel = {
    own: stops(rulesInEffect(settings)),
    ...(Object.fromEntries(strictnesses.map((level) => [level, stops(readyRules[level])])) as Record<
      (typeof strictnesses)[number],
      boolean[]
    >),
  }
  return [...abuses, null].map((abuse) => {
    const at = trialMessages.flatMap((each, index) => (each.abuse === abuse ? [index] : []))
    const stopped = (level: keyof typeof byLevel) => at.filter((index) => byLevel[level][index]).length
    return {
      abuse,
      count: at.length,
      open: stopped('open'),
      careful: stopped('careful'),
      strict: stopped('strict'),
      own: stopped('own'),
    }
  })
}
