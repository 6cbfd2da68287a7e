// Cleaning messages for a voice: how many a second, how long the worst ten kilobytes take, and how much of each kind of
// abuse is stopped at each strictness: on the set that ships, and on ten sets of messages beside well-known filters for
// words. Each but the first was measured once before anybody had looked at it; what it gave then stands in
// `figureNotes.ts`. What was looked at is mended, and measures nothing any more.
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Profanity } from '@2toad/profanity'
import { RegExpMatcher, englishDataset, englishRecommendedTransformers } from 'obscenity'
import { cleanSpeech } from '../core/speech/cleanSpeech.ts'
import { findBlocked } from '../core/speech/words/findBlocked.ts'
import { readyRules, strictnesses, type Strictness } from '../core/speech/rules.ts'
import { abuses, trialMessages } from '../core/speech/trialMessages.ts'
import { guessLanguage } from '../server/speech/languages/guessLanguage.ts'
import { blockedFor } from '../server/speech/wordLists.ts'
import { disguisedWords, heldOutMessages } from './heldOutMessages.ts'
import { messageSets, readMessages } from './messages.ts'
import { ms, percentile, report, type Measured } from './report.ts'
import { perSecond, whole } from './timing.ts'

const blocked = blockedFor(readyRules.careful, ['en'])
const measured: Measured[] = []
for (const level of strictnesses) {
  const each = await perSecond((index) =>
    cleanSpeech(trialMessages[index % trialMessages.length]?.text ?? '', readyRules[level], blocked),
  )
  measured.push({ what: `messages of the shipped set, ${level}`, figures: { 'a second': whole(each) } })
}
const peer = new RegExpMatcher({ ...englishDataset.build(), ...englishRecommendedTransformers })
measured.push({
  what: '  peer: obscenity, whether a message holds an English blocked word',
  figures: {
    'a second': whole(
      await perSecond((index) => peer.hasMatch(trialMessages[index % trialMessages.length]?.text ?? '')),
    ),
  },
})

/** Ten kilobytes each of what expressions stumble over. */
const hostile = [
  'a',
  '!',
  ' ',
  '.',
  '1',
  '1,',
  'a!',
  'A',
  '🔥',
  '\u0301',
  '\u200D',
  'w.',
  'www.',
  '((((',
  'b o l l o c k ',
  'a b a b c ',
  '$',
  'ha ',
  'ab',
  'abc',
  'b*',
  's**t ',
  '1:',
  'a@',
  '//a',
  '\t\n',
  '12 ',
].map((piece) => piece.repeat(Math.ceil(10_000 / piece.length)).slice(0, 10_000))
const times = hostile.flatMap((text) =>
  [text, `x${text}`, `${text}x`, [...text].reverse().join('')].flatMap((variant) =>
    strictnesses.map((level) => {
      const startedMs = performance.now()
      cleanSpeech(variant, readyRules[level], blocked)
      return performance.now() - startedMs
    }),
  ),
)
measured.push({
  what: `${times.length} hostile texts of 10 KB`,
  figures: { p50: ms(percentile(times, 0.5)), p99: ms(percentile(times, 0.99)), worst: ms(Math.max(...times)) },
})

/** With the lists that a channel in English would use for it. */
const isStopped = (text: string, level: Strictness) =>
  cleanSpeech(text, readyRules[level], blockedFor(readyRules[level], ['en', guessLanguage(text, 'en')])).outcome !==
  'kept'
const share = (texts: readonly string[], level: Strictness) =>
  `${texts.filter((text) => isStopped(text, level)).length} of ${texts.length}`
const shares = (texts: readonly string[]) =>
  Object.fromEntries(strictnesses.map((level) => [level, share(texts, level)]))
for (const abuse of [...abuses, null]) {
  measured.push({
    what: abuse === null ? 'shipped, innocent, wrongly changed' : `shipped, ${abuse}, changed or stopped`,
    figures: shares(trialMessages.filter((each) => each.abuse === abuse).map(({ text }) => text)),
  })
}

/** Of what a voice would say out loud of the worst messages, peers look at words alone. */
const many = new Profanity({ languages: ['en', 'de', 'es', 'fr', 'pt', 'ru'], wholeWord: true })
const peers = { obscenity: (text: string) => peer.hasMatch(text), '2toad': (text: string) => many.exists(text) }
const languageNames: Record<string, string> = {
  en: 'English',
  de: 'German',
  es: 'Spanish',
  fr: 'French',
  pt: 'Portuguese',
  pl: 'Polish',
  sv: 'Swedish',
  ru: 'Russian',
}
for (const set of messageSets) {
  const messages = readMessages(set)
  const row = (what: string, texts: readonly string[]) =>
    measured.push({
      what: `${set} set, ${what}`,
      figures: {
        ...shares(texts),
        ...Object.fromEntries(
          Object.entries(peers).map(([name, finds]) => [name, `${texts.filter(finds).length} of ${texts.length}`]),
        ),
      },
    })
  for (const isAbuse of [true, false]) {
    const group = isAbuse ? 'abuse' : 'innocent'
    const all = messages.filter((each) => each.isAbuse === isAbuse)
    row(
      `${group}, all`,
      all.map(({ text }) => text),
    )
    for (const key of ['language', 'kind'] as const)
      for (const value of new Set(all.map((each) => each[key])))
        row(
          `${group}, ${languageNames[value] ?? value}`,
          all.filter((each) => each[key] === value).map(({ text }) => text),
        )
  }
}
const drawn = disguisedWords(7, 60, (text) => isStopped(text, 'careful'))
for (const what of new Set([...heldOutMessages, ...drawn].map((each) => each.what))) {
  const texts = [...heldOutMessages, ...drawn].filter((each) => each.what === what)
  const isWord = what.startsWith('disguise')
  const english = texts.filter(({ language }) => language === 'en')
  measured.push({
    what: `held out, ${what}`,
    figures: {
      ...shares(texts.map(({ text }) => text)),
      ...(isWord
        ? { 'peer, English ones': `${english.filter(({ text }) => peer.hasMatch(text)).length} of ${english.length}` }
        : {}),
    },
  })
}

/** Plain sentences of other people's documentation: nobody wrote them for a filter. */
const sentences = readdirSync('node_modules', { recursive: true, encoding: 'utf8' })
  .filter((path) => /(^|\/)readme\.md$/iu.test(path))
  .map((path) => join('node_modules', path))
  .sort()
  .slice(0, 1500)
  .flatMap((path) =>
    readFileSync(path, 'utf8')
      .replace(/```[\s\S]*?```/gu, '')
      .split(/\n\s*\n/u),
  )
  .map((paragraph) => paragraph.replace(/\s+/gu, ' ').trim())
  .filter((paragraph) => /^[A-Z][a-z]+ /u.test(paragraph) && !/[`[\]<>*_|#{}=\\/]|--/u.test(paragraph))
  .flatMap((paragraph) => paragraph.split(/(?<=[.!?]) (?=[A-Z])/u))
  .filter(({ length }) => length >= 20 && length <= 280)
measured.push({
  what: 'sentences of documentation, wrongly changed',
  figures: {
    ...shares(sentences),
    peer: `${sentences.filter((text) => peer.hasMatch(text)).length} of ${sentences.length}`,
  },
})
/** Every word of dictionaries, where they are installed: what lists cost in false finds. */
for (const [language, file] of Object.entries({
  English: 'american-english-large',
  German: 'ngerman',
  Spanish: 'spanish',
  French: 'french',
  Portuguese: 'portuguese',
  Swedish: 'swedish',
})) {
  const path = `/usr/share/dict/${file}`
  if (!existsSync(path)) continue
  const words = readFileSync(path, language === 'Swedish' ? 'latin1' : 'utf8')
    .split('\n')
    .filter((word) => word !== '')
  const code = Object.entries(languageNames).find(([, name]) => name === language)?.[0] ?? 'en'
  const lists = blockedFor(readyRules.careful, [code])
  const found = words.filter((word) => findBlocked(word, lists).length > 0)
  measured.push({
    what: `words of a ${language} dictionary that are blocked`,
    figures: { careful: `${found.length} of ${words.length}` },
  })
}
report('cleaning', measured)
