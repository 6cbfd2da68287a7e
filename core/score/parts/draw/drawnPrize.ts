import { placeOfLot, randomAt, seedOf } from '../../../random.ts'
import type { DrawPart, Prize } from './schema.ts'

type Drawn = Pick<DrawPart, 'id' | 'prizes' | 'rare'>

/** How often each prize is drawn, as a ratio of all draws: the rare one as often as it says, the others by their weights. */
export function oddsOf({ prizes, rare }: Pick<Drawn, 'prizes' | 'rare'>): number[] {
  const isRare = ({ id }: Prize) => id === rare?.prizeId
  const hasRare = prizes.some(isRare)
  const common = prizes.filter((prize) => !isRare(prize)).reduce((sum, { weight }) => sum + weight, 0)
  const share = hasRare ? 1 - (rare?.percent ?? 0) / 100 : 1
  return prizes.map((prize) => (isRare(prize) ? (rare?.percent ?? 0) / 100 : (share * prize.weight) / common))
}

/**
 * Draws for an event: the same for the same event and part on every machine, however often it is asked.
 * @param eventSeed of the event's identity
 * @returns the place of the prize in the list
 */
export function drawPrize(part: Drawn, eventSeed: number): number {
  return placeOfLot(oddsOf(part), randomAt(eventSeed, seedOf(`prize of ${part.id}`)))
}

/** The prize itself. */
export const drawnPrize = (part: Drawn, eventSeed: number): Prize | null =>
  part.prizes[drawPrize(part, eventSeed)] ?? null
