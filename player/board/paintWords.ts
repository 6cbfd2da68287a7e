import type { ClockState } from '../../core/score/parts/clock/evaluateClock.ts'
import type { TallyState } from '../../core/score/parts/tally/evaluateTally.ts'
import type { ResolvedKinds } from '../../core/score/resolved.ts'
import { boxWriter, makePartElement, type Painter } from '../painters/paint.ts'
import { stylePlate } from './liveStyle.ts'
import { wordsLayer } from './wordsLayer.ts'

/** Words that change: a count, or the time. */
export function paintWords(part: ResolvedKinds['tally' | 'clock']): Painter<TallyState | ClockState> {
  const element = makePartElement('div', part.id)
  stylePlate(element, part.plate)
  const writeBox = boxWriter(element, part.text.outlinePx)
  const [widthPx, heightPx] = [part.widthPx - 2 * part.padPx, part.heightPx - 2 * part.padPx]
  const words = wordsLayer({ text: part.text, widthPx, heightPx, align: part.text.align })
  words.element.style.inset = `${part.padPx}px`
  element.append(words.element)
  return {
    element,
    draw(state) {
      writeBox(state)
      words.write(state.lines)
    },
  }
}
