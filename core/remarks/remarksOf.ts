import { templateRemarks, unusedRemarks } from './content.ts'
import { codeRemarks } from './code.ts'
import { contrastRemarks } from './contrastRemarks.ts'
import { drawnContrastRemarks } from './drawnContrast.ts'
import { placeRemarks, textSizeRemarks } from './place.ts'
import type { Remark, RemarkContext } from './remark.ts'
import { flashRemarks } from './flashes.ts'
import { soundLevelRemarks } from './soundLevel.ts'
import { soundSumRemarks } from './soundSum.ts'
import { entranceRemarks, lengthRemarks, solverRemarks, soundLengthRemarks, textTimeRemarks } from './timing.ts'
import { voiceRemarks } from './voice.ts'

const makers: readonly ((context: RemarkContext) => Remark[])[] = [
  lengthRemarks,
  entranceRemarks,
  soundLengthRemarks,
  solverRemarks,
  textTimeRemarks,
  textSizeRemarks,
  placeRemarks,
  contrastRemarks,
  drawnContrastRemarks,
  flashRemarks,
  templateRemarks,
  codeRemarks,
  unusedRemarks,
  soundLevelRemarks,
  soundSumRemarks,
  voiceRemarks,
]

/**
 * Everything to say about a score, what is wrong first. What the person has switched off is left out. Quadratic in the
 * number of parts.
 */
export function remarksOf(context: RemarkContext): Remark[] {
  const { silenced } = context.composition
  return makers
    .flatMap((make) => make(context))
    .filter(
      (remark) =>
        !silenced.some((each) => each.type === remark.type && (each.partId === null || each.partId === remark.partId)),
    )
    .sort((a, b) => Number(b.level === 'wrong') - Number(a.level === 'wrong'))
}
