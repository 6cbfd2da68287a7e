import type { LengthRule } from '../composition/clip.ts'
import type { Part } from '../score/parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'
import { freeId } from './freeId.ts'

/** An alert with a voice waits for it at most so long. */
export const voiceWaitMs = 45_000

/** What a viewer wrote may be long: a fixed length becomes the least that an alert with a voice lasts. */
export function waitingForVoice(length: LengthRule): LengthRule {
  return length.rule === 'fixed'
    ? { rule: 'fit', minMs: length.ms, maxMs: Math.max(length.ms, voiceWaitMs) }
    : { ...length, maxMs: Math.max(length.maxMs, voiceWaitMs) }
}

/**
 * Puts a part on top of the others, a backdrop at the back. Its id is made unique by a number at its end. With a voice
 * the alert waits until it is done.
 */
export function addPart(address: VariationAddress, part: Part): Edit {
  return {
    label: `add ${part.name}`,
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (!composition) return
      const added = { ...part, id: freeId(part.id, new Set(composition.parts.map((each) => each.id))) }
      if (part.kind === 'backdrop') composition.parts.unshift(added)
      else composition.parts.push(added)
      if (part.kind === 'voice') composition.length = waitingForVoice(composition.length)
    },
  }
}
