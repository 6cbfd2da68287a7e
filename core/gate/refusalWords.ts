import { numberFormat } from '../text/numberFormat.ts'
import { listedWords } from '../text/listedWords.ts'
import { fillTemplate } from '../text/fillTemplate.ts'
import { plainText } from '../text/textPiece.ts'
import type { GateAnswer } from './askGate.ts'
import type { Gate } from './schema.ts'

export type Refused = Extract<GateAnswer, { is: 'refused' }>

/** What sentences about a gate need to know of the channel. */
export interface GateWords {
  points: { one: string; many: string }
  timeZone: string
  /** BCP 47. */
  locale: string
}

/** What sentences about gates need, of a channel. */
export const gateWords = ({
  calls,
  timeZone,
  locale,
}: Pick<GateWords, 'timeZone' | 'locale'> & { calls: { points: { name: GateWords['points'] } } }): GateWords => ({
  ...{ timeZone, locale },
  points: calls.points.name,
})

/** How long still, as people say it: rounded up, so that nobody comes too early. */
export function waitWords(ms: number): string {
  const seconds = Math.max(1, Math.ceil(ms / 1000))
  if (seconds < 60) return `${seconds} s`
  const minutes = Math.ceil(seconds / 60)
  if (minutes < 60) return `${minutes} min`
  const hours = Math.floor(minutes / 60)
  return minutes % 60 === 0 ? `${hours} h` : `${hours} h ${minutes % 60} min`
}

/** Why a gate says no, as one sentence to whoever stands before it. */
export function refusalWords(refused: Refused, gate: Gate, nowMs: number, words: GateWords): string {
  const { reason, detail, retryAtMs } = refused
  const wait = retryAtMs === null ? '' : waitWords(retryAtMs - nowMs)
  switch (reason) {
    case 'disarmed':
      return 'This is switched off at the moment.'
    case 'hours':
      return retryAtMs === null ? 'This never opens.' : `This opens ${opening(retryAtMs, words)}.`
    case 'scene':
      return `Only while ${listedWords(gate.scenes ?? [], 'or')} is shown.`
    case 'who':
      return `This is for ${detail}.`
    case 'input':
      return `That cannot be taken: ${detail}.`
    case 'cooldown':
      return `Not so soon: again in ${wait}.`
    case 'viewerCooldown':
      return `You did this a moment ago: again in ${wait}.`
    case 'streamLimit':
      return 'That is all for this stream.'
    case 'viewerLimit':
      return 'You have had your share of this stream.'
    case 'stock':
      return 'There are none left.'
    case 'votes':
      return `${detail} have asked for it.`
    case 'cost': {
      const missing = Number(detail)
      const count = numberFormat(words.locale).format(missing)
      return missing === 1 ? `1 ${words.points.one} is missing.` : `${count} ${words.points.many} are missing.`
    }
  }
}

/**
 * What chat is told, in the channel's own words: a template that knows `{name}`, `{wait}` (empty where waiting does not
 * help) and `{reason}`. Null where nothing is to be said.
 */
export function refusalSaid(
  template: string,
  name: string,
  refused: Refused,
  gate: Gate,
  nowMs: number,
  words: GateWords,
): string | null {
  if (template.trim() === '') return null
  const { retryAtMs } = refused
  const values = {
    name,
    reason: refusalWords(refused, gate, nowMs, words),
    ...(retryAtMs === null ? {} : { wait: waitWords(retryAtMs - nowMs) }),
  }
  return plainText(fillTemplate(template, values, words.locale)).trim() || null
}

function opening(atMs: number, { timeZone, locale }: GateWords): string {
  return new Intl.DateTimeFormat(locale, {
    timeZone,
    weekday: 'long',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).format(atMs)
}
