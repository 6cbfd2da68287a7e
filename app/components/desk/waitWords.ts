import type { DeskView, ForecastView, PlayView } from '../../../contract/views.ts'
import { manyOf } from '../../../core/queue/policyWords.ts'
import { span } from '../../format/time.ts'

type Why = ForecastView['why']

/** Nothing happens before somebody at the desk says something. */
export const waitsForSomebody = (why: Why | undefined): boolean =>
  why?.because === 'showing' || why?.because === 'reading'

/** Who else is shown with it, after the name. */
export const nameWords = ({ together }: Pick<PlayView, 'together'>): string =>
  together > 1 ? ` and ${together - 1} more` : ''

/** What else there is to say of it in one line: what it brings, or of which case it is; of several, how many there are. */
export const detailWords = ({ detail, variationName, together, kind }: PlayView): string =>
  together > 1 ? `${together} ${manyOf(kind).toLowerCase()} as one` : detail || variationName

/** What had the screen last, whether it was shown to its end or somebody skipped it. */
export const lastShown = ({ log }: Pick<DeskView, 'log'>): PlayView | undefined =>
  log.find(({ state }) => state === 'played' || state === 'skipped')

/** When a play is likely to begin, in as many words as stand at the edge of its card. */
export function whenWords(forecast: ForecastView | undefined, { enqueuedAtMs }: PlayView, nowMs: number): string {
  if (waitsForSomebody(forecast?.why)) return 'for you'
  if (!forecast || forecast.startsAtMs === null) return `${span(nowMs - enqueuedAtMs)} so far`
  return `in ${span(forecast.startsAtMs - nowMs)}`
}

/**
 * Why a play waits, as one short sentence.
 * @param index its place among those that wait
 */
export function whyWords(forecast: ForecastView | undefined, index: number, isPlaying: boolean): string {
  if (!forecast) return ''
  const { why } = forecast
  switch (why.because) {
    case 'turn': {
      const ahead = index + (isPlaying ? 1 : 0)
      if (ahead === 0) return 'It is next.'
      return ahead === 1 ? 'After the one that plays.' : `${ahead} are before it.`
    }
    case 'airtime':
      return 'Alerts have had their share of this minute.'
    case 'showing':
      return 'Somebody has to let it be shown.'
    case 'reading':
      return 'Somebody has to let its message be read.'
    case 'gifts':
      return 'The gifts it may be one of have not been announced yet.'
    case 'held':
      return 'The line is held.'
    case 'noSource':
      return 'No source shows this box.'
    case 'doubt':
      return 'Another server may have this line.'
    case 'quiet':
      return `It is quiet: ${why.why}.`
  }
}

/** How the line as a whole stands. */
export function lineWords({ isHeld, sources, waitingCount, forecast }: DeskView, nowMs: number): string {
  if (isHeld) return 'held'
  if (waitingCount === 0) return ''
  const [first] = forecast
  if (first?.why.because === 'quiet') return 'quiet'
  if (sources.length === 0) return 'waiting for a source'
  if (forecast.length > 0 && forecast.every(({ why }) => waitsForSomebody(why))) return 'waiting for you'
  const lastAtMs = forecast.findLast(({ startsAtMs }) => startsAtMs !== null)?.startsAtMs ?? nowMs
  return `last one in ${span(lastAtMs - nowMs)}`
}
