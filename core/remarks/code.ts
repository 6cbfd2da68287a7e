import { lineAt } from '../score/parts/code/codeProblem.ts'
import { problemsOf } from '../score/parts/code/readLately.ts'
import type { Remark, RemarkContext } from './remark.ts'

/** Code that was left out, or that does not do what it seems to: the first of the HTML and the first of the CSS. */
export function codeRemarks({ composition }: RemarkContext): Remark[] {
  return composition.parts.flatMap((part): Remark[] => {
    if (part.kind !== 'code') return []
    return [
      { of: 'HTML', text: part.html, problems: problemsOf('html', part.html) },
      { of: 'CSS', text: part.css, problems: problemsOf('css', part.css) },
    ].flatMap(({ of, text, problems: [first, ...rest] }) =>
      first
        ? [
            {
              type: 'codeProblem' as const,
              partId: part.id,
              level: 'wrong' as const,
              words: `“${part.name}”, ${of}, line ${lineAt(text, first.at)}: ${first.reason}${rest.length > 0 ? `, and ${rest.length} more like it` : ''}.`,
              remedy: null,
            },
          ]
        : [],
    )
  })
}
