import { lately } from '../../../lately.ts'
import { readMarkup } from './readMarkup.ts'
import { readStyle } from './readStyle.ts'

/** An alert that plays often is read once, and one that is written is read once for all who ask. */
const most = 40
export const markupOf = lately(readMarkup, most)
export const styleOf = lately((css) => readStyle(css), most)
