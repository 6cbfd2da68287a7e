import { sourceLink } from '../../../realtime/sourceLink.ts'

export default sourceLink('box')
