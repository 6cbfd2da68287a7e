import { lately } from '../../../lately.ts'
import type { CodeProblem } from './codeProblem.ts'
import { readMarkup } from './readMarkup.ts'
import { readStyle } from './readStyle.ts'

/** An alert that plays often is read once, and one that is written is read once for all who ask. */
const most = 40
export const markupOf = lately(readMarkup, most)
export const styleOf = lately((css) => readStyle(css), most)

/** What of a text is left out, or does not do what it seems to. */
export const problemsOf = (language: 'html' | 'css', text: string): CodeProblem[] =>
  (language === 'html' ? markupOf(text) : styleOf(text)).problems
