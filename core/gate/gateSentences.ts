import { numberFormat } from '../text/numberFormat.ts'
import { clockWords } from '../time/clockWords.ts'
import { whoWords } from './askGate.ts'
import { waitWords } from './refusalWords.ts'
import type { Gate } from './schema.ts'

/** What sentences of a gate name in the channel's way. */
export interface SentenceWords {
  points: { one: string; many: string }
  /** BCP 47. */
  locale: string
}

const and = (parts: readonly string[]) => parts.filter((each) => each !== '').join(', ')

/** Who may, as it stands in a list. */
export function whoSentence({ who }: Pick<Gate, 'who'>): string {
  if (!who) return 'everyone'
  return who.of.map(whoWords).join(who.match === 'all' ? ' who are also ' : ', ')
}

/** What it costs of the channel's points, and how many have to ask for it. */
export function priceSentence(
  { cost, votes }: Pick<Gate, 'cost' | 'votes'>,
  { points, locale }: SentenceWords,
): string {
  const price = numberFormat(locale).format(cost)
  return (
    and([
      cost > 0 ? `${price} ${cost === 1 ? points.one : points.many}` : '',
      votes ? `${votes.needed} votes within ${waitWords(votes.withinMs)}` : '',
    ]) || 'free'
  )
}

/** How long after one time the next can be. */
export function againSentence({ againAfter: { allMs, viewerMs } }: Pick<Gate, 'againAfter'>): string {
  return and([allMs > 0 ? waitWords(allMs) : '', viewerMs > 0 ? `each ${waitWords(viewerMs)}` : '']) || 'at once'
}

/** How often, and how many there are. */
export function limitSentence({ perStream, stock }: Pick<Gate, 'perStream' | 'stock'>): string {
  return (
    and([
      stock === null ? '' : `${stock} in all`,
      perStream.all === null ? '' : `${perStream.all} a stream`,
      perStream.viewer === null ? '' : `${perStream.viewer} a stream for each`,
    ]) || 'no limit'
  )
}

/** What has to be typed. */
export function askedSentence({ asked }: Pick<Gate, 'asked'>): string {
  if (!asked) return 'nothing'
  if (asked.as === 'choice') return `one of ${asked.choices.join(', ')}`
  const letters = {
    any: 'letters or signs',
    letters: 'letters alone',
    lettersAndFigures: 'letters and figures',
  }[asked.letters]
  return `${asked.minLetters} to ${asked.maxLetters} ${letters}`
}

const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
/** Weekdays as they stand in a sentence; 0 is Monday. */
export function daysWords(weekdays: readonly number[]): string {
  if (weekdays.length === 7) return 'every day'
  return weekdays
    .toSorted((a, b) => a - b)
    .map((day) => dayNames[day] ?? '')
    .join(', ')
}

/** When, and while the studio shows what. */
export function whileSentence({ hours, scenes }: Pick<Gate, 'hours' | 'scenes'>): string {
  return (
    and([
      scenes ? `${scenes.join(' or ')} is shown` : '',
      hours ? `${clockWords(hours.from)} to ${clockWords(hours.until)}, ${daysWords(hours.weekdays)}` : '',
    ]) || 'at any time'
  )
}
