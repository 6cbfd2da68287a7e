import { minorDigits } from '../../core/minorDigits.ts'
import { momentOf, wordsOf, type SimulatedPlatform } from './platform.ts'

function decimalOf(minor: number, currency: string): string {
  const digits = minorDigits(currency)
  const all = String(minor).padStart(digits + 1, '0')
  return digits === 0 ? all : `${all.slice(0, -digits)}.${all.slice(-digits)}`
}

const standings = [
  { role: 'moderator', standing: 'keeper' },
  { role: 'vip', standing: 'guest' },
  { role: 'subscriber', standing: 'regular' },
]

export const cedar: SimulatedPlatform = {
  kinds: ['follow', 'raid', 'tip'],
  say(event, id) {
    const { viewer } = event.data
    const who = viewer && {
      ref: viewer.id,
      shown_as: viewer.name,
      standing: standings.find(({ role }) => viewer.roles?.includes(role))?.standing,
    }
    const at = momentOf(event)
    const noticed = (notice: object) => ({ sent_at: at, notices: [notice] })
    // A follow has no id of its own there.
    if (event.kind === 'follow') return noticed({ what: 'new_follow', at, who: who ?? { ref: id, shown_as: '' } })
    if (event.kind === 'raid')
      return noticed({
        what: 'raid',
        ref: id,
        at,
        who: who ?? { ref: id, shown_as: '' },
        brought: event.data.partySize,
      })
    if (event.kind === 'tip')
      return noticed({
        what: 'tip',
        ref: id,
        at,
        who,
        sum: decimalOf(event.data.amountMinor, event.data.currency),
        money: event.data.currency,
        words: wordsOf(event),
        picked: event.data.choice,
      })
    return null
  },
}
