import { fillTemplate } from '../text/fillTemplate.ts'
import type { TemplateValues } from '../text/templateValue.ts'
import type { TextPiece } from '../text/textPiece.ts'
import type { VisualBase } from '../score/visualBase.ts'

/** Words of a part, line by line. */
export interface WordsState extends VisualBase {
  lines: TextPiece[][]
}

/** Words with variables, line by line; none at all where there is no template. */
export const filledLines = (template: string, values: TemplateValues, locale: string): TextPiece[][] =>
  template === '' ? [] : template.split('\n').map((line) => fillTemplate(line, values, locale))
