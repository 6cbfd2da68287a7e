import { openGate } from '../../core/gate/schema.ts'
import { newTrigger, type Trigger } from '../../core/triggers/schema.ts'
import type { CallSettings } from '../../core/triggers/settings.ts'

/** What answers with the address of the list for viewers is a trigger like any, but nobody's to change. */
export const listTriggerId = 'list-for-viewers'

/** @returns null where no word answers */
export function listTrigger({ listWord }: CallSettings, listUrl: string): Trigger | null {
  if (!/^[\p{L}\p{M}\p{N}_-]{1,40}$/u.test(listWord)) return null
  return {
    ...newTrigger(listTriggerId, 'List for viewers'),
    isArmed: true,
    starts: [{ by: 'command', word: listWord, aliases: [] }],
    gate: { ...openGate, againAfter: { allMs: 5_000, viewerMs: 0 } },
    sheet: { do: 'inTurn', of: [{ do: 'say', words: listUrl }] },
    again: 'together',
  }
}
