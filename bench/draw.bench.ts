// The odds of a prize draw: a hundred thousand events, what each prize was drawn, and chi-squared against what is stated.
import { drawnPrize } from '../core/score/parts/draw/drawnPrize.ts'
import type { DrawPart } from '../core/score/parts/draw/schema.ts'
import { eventSeed } from '../core/score/valuesIn.ts'
import { report, type Measured } from './report.ts'
import { whole } from './timing.ts'

const events = 100_000
const lots = { Croissant: 3, Rye: 3, Bun: 4, Pretzel: 2, 'Golden crust': 1 }
const rarePercent = 4
const prizes = Object.entries(lots).map(([name, weight]) => ({ id: name, name, mediaId: null, weight }))
const part = { id: 'draw', prizes, rare: { prizeId: 'Golden crust', percent: rarePercent } } as Pick<
  DrawPart,
  'id' | 'prizes' | 'rare'
>
const others = Object.entries(lots).filter(([name]) => name !== 'Golden crust')
const sum = others.reduce((all, [, weight]) => all + weight, 0)
const stated = new Map(others.map(([name, weight]) => [name, ((100 - rarePercent) / 100) * (weight / sum)]))
stated.set('Golden crust', rarePercent / 100)

/** The 99.9 % point of chi-squared with four degrees of freedom. */
const chiSquaredMax = 18.467

function odds(what: string, drawOf: (at: number) => string): Measured {
  const drawn = new Map<string, number>()
  const beganMs = performance.now()
  for (let at = 0; at < events; at++) {
    const name = drawOf(at)
    drawn.set(name, (drawn.get(name) ?? 0) + 1)
  }
  const seconds = (performance.now() - beganMs) / 1000
  const chi = [...stated].reduce((all, [name, ratio]) => {
    const wanted = ratio * events
    return all + ((drawn.get(name) ?? 0) - wanted) ** 2 / wanted
  }, 0)
  return {
    what,
    figures: {
      'golden crust': `${(((drawn.get('Golden crust') ?? 0) / events) * 100).toFixed(2)} %`,
      'chi-squared': chi.toFixed(2),
      'below 18.47': chi < chiSquaredMax ? 'yes' : 'no',
      'per second': whole(events / seconds),
    },
  }
}

/** The same odds by the platform's own chance, which nobody can draw again. */
function byChance(): string {
  let point = Math.random()
  for (const [name, ratio] of stated) if ((point -= ratio) < 0) return name
  return 'Golden crust'
}

report(
  'draw',
  [
    odds('by the event’s identity', (at) => {
      const seed = eventSeed({ source: 'feed:alder', externalId: `01J${at}` })
      return drawnPrize(part, seed)?.name ?? ''
    }),
    odds('peer: Math.random, not repeatable', byChance),
  ],
  [
    `${events} events; five prizes, the golden crust at ${rarePercent} %. Chi-squared, four degrees of freedom: 18.47 at 99.9 %.`,
  ],
)
