import { periods, type Period } from '../../../core/board/liveFields.ts'
import { variable } from '../../../core/events/kindParts.ts'

/** What the words of a bar can say. */
export const barVariables = [
  variable('title', 'what the goal is called'),
  variable('amount', 'what is there', 'money'),
  variable('target', 'what is wanted next', 'money'),
  variable('missing', 'what is still missing', 'money'),
  variable('percent', 'how many hundredths are there', 'number'),
  variable('days', 'days until it ends', 'number'),
  variable('round', 'how many times it was full, where it repeats', 'number'),
  variable('last', 'who brought something last'),
  variable('gave', 'what that was', 'money'),
]
export const countVariables = [variable('count', 'how many there were', 'number')]
export const timeVariables = [variable('time', 'what the clock shows')]

const periodWords: Record<Period, string> = {
  stream: 'this broadcast began',
  day: 'midnight',
  week: 'Monday',
  month: 'the first of the month',
  ever: 'the very beginning',
}
export const periodChoices = periods.map((value) => ({ value, label: periodWords[value] }))
