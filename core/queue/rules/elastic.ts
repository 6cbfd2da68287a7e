import * as z from 'zod'
import type { Line } from '../line.ts'
import type { Ticket } from '../ticket.ts'

/** When much waits, alerts take their shortest length. */
export const elasticSentence = z.object({
  rule: z.literal('elastic'),
  isOn: z.boolean(),
  /** From so many on. */
  waiting: z.int().min(1).max(10_000),
  /** Or when the last would wait so long; null: that does not count. */
  lastMs: z.int().min(5_000).max(3_600_000).nullable(),
})
export type ElasticSentence = z.infer<typeof elasticSentence>

/** Whether so much waits that whatever is next is to be short. */
export function isPressed(line: Line, sentence: ElasticSentence | null, gapMs: number): boolean {
  if (!sentence) return false
  const { readyCount } = line
  if (readyCount >= sentence.waiting) return true
  return sentence.lastMs !== null && line.readyMs + readyCount * gapMs > sentence.lastMs
}

/** A play at the short end of what its length allows; itself where it has none. */
export function shortened(ticket: Ticket): Ticket {
  const shortestMs = ticket.facts?.shortestMs ?? ticket.lengthMs
  return shortestMs < ticket.lengthMs ? { ...ticket, lengthMs: shortestMs, isShort: true } : ticket
}
