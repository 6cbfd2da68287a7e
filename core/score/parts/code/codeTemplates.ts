import { markupOf } from './readLately.ts'
import type { CodeNode } from './readMarkup.ts'
import type { Code } from './schema.ts'

/** All words of a code part that are filled from the event: texts of its markup, and properties that are words. */
export function codeTemplates({ html, properties }: Pick<Code, 'html' | 'properties'>): string[] {
  const texts: string[] = []
  const gather = (node: CodeNode): void => {
    if (typeof node !== 'string') node.children.forEach(gather)
    else if (node.trim() !== '') texts.push(node.trim())
  }
  markupOf(html).nodes.forEach(gather)
  return [...texts, ...Object.values(properties).flatMap((each) => (each.kind === 'words' ? [each.template] : []))]
}
