import { openGate } from '../../core/gate/schema.ts'
import { newTrigger, type Trigger } from '../../core/triggers/schema.ts'

/** What answers with the address of one of the channel’s own pages is a trigger like any, but nobody's to change. */
export const addressTriggers = { 'list-for-viewers': 'List for viewers', 'tip-page': 'Tip page' } as const

/** @returns null where no word answers */
export function addressTrigger(id: keyof typeof addressTriggers, word: string, url: string): Trigger | null {
  if (!/^[\p{L}\p{M}\p{N}_-]{1,40}$/u.test(word)) return null
  return {
    ...newTrigger(id, addressTriggers[id]),
    isArmed: true,
    starts: [{ by: 'command', word, aliases: [] }],
    gate: { ...openGate, againAfter: { allMs: 5_000, viewerMs: 0 } },
    sheet: { do: 'inTurn', of: [{ do: 'say', words: url }] },
    again: 'together',
  }
}
