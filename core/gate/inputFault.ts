import { foldCase } from '../text/foldCase.ts'
import { graphemes } from '../text/graphemes.ts'
import type { Asked } from './schema.ts'

const allowed = {
  any: /^[^\p{Cc}]*$/u,
  letters: /^[\p{L}\p{M}\p{Zs}'’-]*$/u,
  lettersAndFigures: /^[\p{L}\p{M}\p{N}\p{Zs}'’-]*$/u,
}

/** What is wrong with what a viewer typed, as the end of a sentence; null where it will do. `isBlocked`: the speech desk blocks it. */
export function inputFault(asked: Asked | null, input: string, isBlocked: boolean): string | null {
  if (!asked) return null
  const typed = input.trim()
  if (asked.as === 'choice')
    return choiceOfInput(asked, typed) === null ? `it has to be one of ${asked.choices.join(', ')}` : null
  const { minLetters, maxLetters, letters } = asked
  const length = graphemes(typed).length
  if (length < minLetters) return length === 0 ? 'something has to be typed' : `it needs at least ${minLetters} letters`
  if (length > maxLetters) return `it may have at most ${maxLetters} letters`
  if (!allowed[letters].test(typed))
    return letters === 'any'
      ? 'it has a character that cannot be shown'
      : `it may only have ${letters === 'letters' ? 'letters' : 'letters and figures'}`
  return isBlocked ? 'it holds a word that is blocked here' : null
}

/** The choice that somebody means, however it is written; null for none. */
export function choiceOfInput({ choices }: Extract<Asked, { as: 'choice' }>, input: string): string | null {
  const wanted = foldCase(input.trim())
  return choices.find((choice) => foldCase(choice) === wanted) ?? null
}
