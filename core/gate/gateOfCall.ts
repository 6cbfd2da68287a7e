import type { TriggerCall } from '../triggers/callsOf.ts'
import { openGate, type Gate } from './schema.ts'

/**
 * What of a gate is asked of a call. Nobody types anything with an event or at a given time, and nobody is charged for it;
 * what was redeemed is paid for on its platform and counts no votes; a hand of the channel's own only finds what there is none
 * left of.
 */
export function gateOfCall(gate: Gate, { by, isPaid }: Pick<TriggerCall, 'by' | 'isPaid'>): Gate {
  switch (by) {
    case 'command':
      return gate
    case 'reward':
      return { ...gate, votes: null, cost: isPaid ? 0 : gate.cost }
    case 'event':
      return { ...gate, asked: null, votes: null, cost: 0 }
    case 'time': {
      const { againAfter, perStream } = gate
      return {
        ...gate,
        ...{ who: null, asked: null, votes: null, cost: 0 },
        againAfter: { ...againAfter, viewerMs: 0 },
        perStream: { ...perStream, viewer: null },
      }
    }
    case 'hand':
      return { ...openGate, stock: gate.stock }
  }
}
