import { numberFormat } from '../text/numberFormat.ts'
import { assertNever } from '../assertNever.ts'
import { bringsMoney } from '../events/moneyKinds.ts'
import { kindOf, type EventKind } from '../events/kinds.ts'
import { formatMoney } from '../money.ts'
import { clockWords } from '../time/clockWords.ts'
import { listedWords } from '../text/listedWords.ts'
import type { Sentence } from './policy.ts'
import type { Target } from './rules/order.ts'

/** What sentences of a policy name in the channel's way. */
export interface PolicyNames {
  /** BCP 47. */
  locale: string
  currency: string
  /** How cases are called, by id. */
  cases: Readonly<Record<string, string>>
}

/** A piece of a sentence: words, or something in it that can be changed in place. */
export type SentencePiece = string | { slot: string; text: string }

/** Kinds whose name is not made many by an s. */
const many: Readonly<Partial<Record<EventKind, string>>> = {
  giftBatch: 'Gifts',
  giftRecipient: 'Gifts received',
  applause: 'Applause',
  surgeStarted: 'Beginnings of surges',
  surgeLevelled: 'Levels of surges',
  surgeEnded: 'Ends of surges',
  goalStarted: 'New goals',
  goalReached: 'Goals that are reached',
  sponsorLine: 'Lines of sponsors',
  membershipRenewal: 'Memberships renewed',
}

/** Several events of a kind, as they are called in a sentence. */
export const manyOf = (kind: EventKind): string => many[kind] ?? `${kindOf(kind).name}s`

const listed = (words: readonly string[]) => listedWords(words, 'and')

/** Several kinds, as a sentence begins with them. */
export const kindsWords = (kinds: readonly EventKind[]): string =>
  listed(kinds.map((kind, index) => (index === 0 ? manyOf(kind) : manyOf(kind).toLowerCase())))

/** A time as it stands in a sentence: `0.4 s`, `10 s`, `3 min`, `2 h`. */
export function timeWords(ms: number): string {
  if (ms < 120_000 && ms % 60_000 !== 0) return `${Number((ms / 1000).toFixed(2))} s`
  return ms % 3_600_000 === 0 ? `${ms / 3_600_000} h` : `${Number((ms / 60_000).toFixed(1))} min`
}

/** What events of a kind bring, in so many words: money as the channel writes it. */
export function amountWords(kind: EventKind, amount: number, { locale, currency }: PolicyNames): string {
  if (bringsMoney(kind)) return formatMoney(amount, currency, locale)
  return `${numberFormat(locale).format(amount)}${unitOf(kind)}`
}

function unitOf(kind: EventKind): string {
  const unit = kindOf(kind).mainNumber?.unit
  return unit === undefined ? '' : ` ${unit}`
}

const targetWords = (target: Target, names: PolicyNames): string => {
  if ('caseId' in target) return `“${names.cases[target.caseId] ?? target.caseId}”`
  const from = target.from === null ? '' : ` from ${amountWords(target.kind, target.from, names)} on`
  return `${manyOf(target.kind)}${from}`
}

/** Where a step puts what it is about. */
export const stepWords: Readonly<Record<number, string>> = {
  2: 'first',
  1: 'earlier',
  0: 'as they come',
  [-1]: 'later',
  [-2]: 'last',
}

const slot = (name: string, text: string): SentencePiece => ({ slot: name, text })

/** A sentence of a policy in pieces, in the order in which they are read. */
export function piecesOf(sentence: Sentence, names: PolicyNames): SentencePiece[] {
  switch (sentence.rule) {
    case 'gap':
      return ['One after another, ', slot('ms', timeWords(sentence.ms)), ' apart.']
    case 'order': {
      const of = sentence.of.map((each, index) => {
        const words = targetWords(each, names)
        return index === 0 ? words : words.charAt(0).toLowerCase() + words.slice(1)
      })
      return [slot('of', listed(of)), ' go ', slot('steps', stepWords[sentence.steps] ?? ''), '.']
    }
    case 'merge':
      return [
        slot('kinds', kindsWords(sentence.kinds)),
        ...(sentence.below === null
          ? []
          : [' below ', slot('below', amountWords(sentence.kinds[0] ?? 'tip', sentence.below, names))]),
        ' that wait and came within ',
        slot('withinMs', timeWords(sentence.withinMs)),
        ' become one.',
      ]
    case 'gifts':
      return ['Gifts given together take in those who receive them.']
    case 'elastic':
      return [
        'When ',
        slot('waiting', String(sentence.waiting)),
        ' wait',
        ...(sentence.lastMs === null ? [] : [' or the last would wait ', slot('lastMs', timeWords(sentence.lastMs))]),
        ', alerts take their shortest length.',
      ]
    case 'airtime':
      return ['Alerts take at most ', slot('percent', `${sentence.percent} %`), ' of a minute.']
    case 'age':
      return [
        slot('kinds', sentence.kinds === null ? 'What' : kindsWords(sentence.kinds)),
        sentence.kinds === null ? ' has waited ' : ' that have waited ',
        slot('ms', timeWords(sentence.ms)),
        sentence.kinds === null ? ' is let go, and can be replayed.' : ' are let go, and can be replayed.',
      ]
    case 'beside':
      return [
        'What is only heard sounds beside what is shown',
        ...(sentence.kinds.length === 0
          ? []
          : [', and so do ', slot('kinds', kindsWords(sentence.kinds).toLowerCase())]),
        ', ',
        slot('atMost', String(sentence.atMost)),
        ' at once at most.',
      ]
    case 'quiet':
      return quietPieces(sentence)
    case 'approve': {
      const who = [
        ...(sentence.isFlagged ? ['what the speech desk flags'] : []),
        ...sentence.kinds.map((kind) => manyOf(kind).toLowerCase()),
      ]
      return [
        'Somebody has to let ',
        slot('who', listed(who) || 'nothing'),
        ' be shown, within ',
        slot('withinMs', timeWords(sentence.withinMs)),
        '.',
      ]
    }
    case 'room':
      return [
        'At most ',
        slot('atMost', numberFormat(names.locale).format(sentence.atMost)),
        ' wait; then what matters least is let go.',
      ]
    default:
      return assertNever(sentence)
  }
}

function quietPieces({ when, does }: Extract<Sentence, { rule: 'quiet' }>): SentencePiece[] {
  const end: SentencePiece[] = [slot('does', does === 'collect' ? 'waits' : 'is let go'), '.']
  if (when.is === 'held') return ['While the line is held, what comes ', ...end]
  if (when.is === 'hours')
    return [
      'From ',
      slot('from', clockWords(when.from)),
      ' to ',
      slot('until', clockWords(when.until)),
      ' what comes ',
      ...end,
    ]
  return ['While ', slot('scenes', listedWords(when.scenes, 'or')), ' is shown, what comes ', ...end]
}

/** What has to be known with a sentence, beneath it; empty: nothing. */
export function noteOf(sentence: Sentence): string {
  switch (sentence.rule) {
    case 'order':
      return 'Whatever waits rises a step every minute, so nothing is forgotten.'
    case 'merge':
      return sentence.isEvenWritten
        ? 'Also where somebody wrote a message, which is not shown then.'
        : 'Never where somebody wrote a message.'
    case 'elastic':
      return 'None is cut; words stay long enough to be read.'
    case 'age':
      return 'What is held does not grow older.'
    default:
      return ''
  }
}

/** A sentence of a policy as it is read. */
export const wordsOfSentence = (sentence: Sentence, names: PolicyNames): string =>
  piecesOf(sentence, names)
    .map((piece) => (typeof piece === 'string' ? piece : piece.text))
    .join('')
