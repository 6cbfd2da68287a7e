import { sourcePage } from '../../../realtime/sourcePage.ts'

/** The browser source page of a box. */
export default sourcePage('box')
