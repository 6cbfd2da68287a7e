import type { LengthRule } from '../composition/clip.ts'
import { untilTheEnd } from '../composition/untilTheEnd.ts'
import { usualDuckDb } from '../score/parts/voice/schema.ts'
import type { Remedy } from '../remarks/remark.ts'
import { heardAs, isTextPart, isVisiblePart } from '../score/parts/part.ts'
import { waitingForVoice } from './addPart.ts'
import { calmed } from './calmed.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

const outlineEm = 0.07

/** As long as needed: at least what it was, at most so much. */
function fitting(length: LengthRule, maxMs: number): LengthRule {
  return { rule: 'fit', minMs: length.rule === 'fixed' ? Math.min(length.ms, maxMs) : length.minMs, maxMs }
}

/** Does what a remark advises, as one step that can be undone. */
export function applyRemedy(address: VariationAddress, remedy: Remedy): Edit {
  return {
    label: remedy.label,
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (!composition) return
      if (remedy.type === 'setLength') {
        composition.length = { rule: 'fixed', ms: remedy.ms }
        return
      }
      if (remedy.type === 'fitContents') {
        composition.length = fitting(composition.length, remedy.maxMs)
        // A message that is to be read lasts as long as reading it takes; then the whole waits for it.
        for (const part of composition.parts)
          if (part.kind === 'message') part.clip.end = { length: 'natural', times: 1 }
        return
      }
      if (remedy.type === 'holdUntilEnd') {
        composition.length = fitting(composition.length, remedy.maxMs)
        for (const part of composition.parts) if (remedy.partIds.includes(part.id)) part.clip.end = untilTheEnd()
        return
      }
      if (remedy.type === 'waitForVoice') {
        composition.length = waitingForVoice(composition.length)
        return
      }
      if (remedy.type === 'calm') {
        composition.parts = calmed(composition, remedy.parts).parts
        return
      }
      const part = composition.parts.find((each) => each.id === remedy.partId)
      if (!part) return
      if (remedy.type === 'startWhenEntered') part.clip.start = { at: `${remedy.of}.entered`, offsetMs: 0 }
      else if (remedy.type === 'lastUntilEnd') part.clip.end = untilTheEnd()
      else if (remedy.type === 'setTrim') {
        const heard = heardAs(part)
        if (heard) heard.trimDb = remedy.trimDb
      } else if (remedy.type === 'duckSounds') {
        if (part.kind === 'voice') part.duckDb = usualDuckDb
      } else if (remedy.type === 'levelSound') {
        const heard = heardAs(part)
        if (heard && 'isLevelled' in heard) Object.assign(heard, { isLevelled: true, trimDb: 0 })
      } else if (remedy.type === 'moveBy') {
        if (!isVisiblePart(part)) return
        part.place.xPx += remedy.dxPx
        part.place.yPx += remedy.dyPx
      } else if (isTextPart(part)) {
        if (remedy.type === 'wrapText') {
          part.fit = 'wrap'
          part.maxLines = Math.max(2, part.maxLines)
        } else if (remedy.type === 'setPace') {
          if (part.letters) part.letters = { ...part.letters, staggerMs: remedy.staggerMs }
        } else if (remedy.type === 'setSize') part.sizePx = remedy.sizePx
        else part.outline = { widthPx: Math.ceil(part.sizePx * outlineEm), ink: { role: 'outline' } }
      }
    },
  }
}
