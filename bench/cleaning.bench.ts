// Cleaning messages for a voice: how many a second, how long the worst ten kilobytes take, and how much of each kind of abuse is stopped
// at each strictness, beside a well-known filter (obscenity) for the blocked words.
import naughty from 'naughty-words'
import { RegExpMatcher, englishDataset, englishRecommendedTransformers } from 'obscenity'
import { blockedWords } from '../core/speech/blockedWords.ts'
import { cleanSpeech } from '../core/speech/cleanSpeech.ts'
import { readyRules, strictnesses } from '../core/speech/rules.ts'
import { abuses, trialMessages } from '../core/speech/trialMessages.ts'
import { ms, percentile, report, type Measured } from './report.ts'
import { perSecond, whole } from './timing.ts'

const blocked = blockedWords([...naughty.en, ...naughty.pt, ...naughty.de, ...naughty.es])
const measured: Measured[] = []
for (const level of strictnesses) {
  const each = await perSecond((index) => cleanSpeech(trialMessages[index % trialMessages.length]?.text ?? '', readyRules[level], blocked))
  measured.push({ what: `messages of the shipped set, ${level}`, figures: { 'a second': whole(each) } })
}
const peer = new RegExpMatcher({ ...englishDataset.build(), ...englishRecommendedTransformers })
measured.push({ what: '  peer: obscenity, whether a message holds an English blocked word', figures: { 'a second': whole(await perSecond((index) => peer.hasMatch(trialMessages[index % trialMessages.length]?.text ?? ''))) } })

/** Ten kilobytes each of what expressions stumble over. */
const hostile = ['a', '!', ' ', '.', '1', '1,', 'a!', 'A', '🔥', '\u0301', '\u200D', 'w.', 'www.', '((((', 'b o l l o c k ', 'a b a b c ', '$', 'ha ', '\t\n', '12 '].map((piece) => piece.repeat(Math.ceil(10_000 / piece.length)).slice(0, 10_000))
const times = hostile.flatMap((text) => [text, `x${text}`, `${text}x`, [...text].reverse().join('')].flatMap((variant) => strictnesses.map((level) => {
  const startedMs = performance.now()
  cleanSpeech(variant, readyRules[level], blocked)
  return performance.now() - startedMs
})))
measured.push({ what: `${times.length} hostile texts of 10 KB`, figures: { p50: ms(percentile(times, 0.5)), p99: ms(percentile(times, 0.99)), worst: ms(Math.max(...times)) } })

const isStopped = (text: string, level: (typeof strictnesses)[number]) => cleanSpeech(text, readyRules[level], blocked).outcome !== 'kept'
const share = (texts: readonly string[], level: (typeof strictnesses)[number]) => `${texts.filter((text) => isStopped(text, level)).length} of ${texts.length}`
for (const abuse of [...abuses, null]) {
  const texts = trialMessages.filter((each) => each.abuse === abuse).map(({ text }) => text)
  measured.push({ what: abuse === null ? 'innocent, wrongly changed' : `${abuse}, changed or stopped`, figures: Object.fromEntries(strictnesses.map((level) => [level, share(texts, level)])) })
}
report('cleaning', measured)
