import { sourcePage } from '../../../realtime/sourcePage.ts'

/** The browser source page of a board. */
export default sourcePage('board')
