/**
 * What became of an event in a box. Each event ends in exactly one of them for each box:
 * - played: shown by at least one source, or known to have been
 * - merged: shown as part of another play
 * - expired: waited too long, or too many waited
 * - skipped: somebody took it out of the line
 * - withheld: nobody let it be shown
 * - off: the box has nothing for it, or that is switched off
 * - failed: it should have been shown and could not be
 */
export const outcomes = ['played', 'merged', 'expired', 'skipped', 'withheld', 'off', 'failed'] as const
export type Outcome = (typeof outcomes)[number]
