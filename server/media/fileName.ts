import { mediaLimits } from '../../contract/media.ts'
import { cleanText } from '../../core/text/cleanText.ts'

/** What a file is called here, whatever it was called where it comes from. */
export function fileName(given: string): string {
  return cleanText(given).replaceAll(/\p{C}/gu, '').trim().slice(0, mediaLimits.nameLetters) || 'Unnamed'
}
