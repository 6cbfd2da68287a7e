import { parseTemplate } from './template.ts'

/** A run of text in one style. `isValue` marks what came from the event: drawn in the highlight style, isolated in direction. */
export interface TextPiece {
  text: string
  isValue: boolean
}

/**
 * Fills a template from values. A value is data: it is never parsed again, so a viewer called `{amount}` stays a name.
 * A variable without a value leaves nothing behind, and the spaces around it close up.
 */
export function fillTemplate(template: string, values: Readonly<Record<string, string>>): TextPiece[] {
  const pieces: TextPiece[] = []
  for (const node of parseTemplate(template).nodes) {
    if (node.type === 'words') {
      pieces.push({ text: node.text, isValue: false })
      continue
    }
    const value = Object.hasOwn(values, node.name) ? values[node.name] : undefined
    if (value) pieces.push({ text: value.replace(/\s+/g, ' '), isValue: true })
  }
  return closeUp(pieces)
}

function closeUp(pieces: TextPiece[]): TextPiece[] {
  const closed: TextPiece[] = []
  for (const piece of pieces) {
    const previous = closed.at(-1)
    if (previous && !previous.isValue && !piece.isValue) {
      previous.text = (previous.text + piece.text).replace(/ {2,}/g, ' ')
    } else {
      closed.push({ ...piece })
    }
  }
  const first = closed[0]
  const last = closed.at(-1)
  if (first && !first.isValue) first.text = first.text.trimStart()
  if (last && !last.isValue) last.text = last.text.trimEnd()
  return closed.filter((piece) => piece.text !== '')
}
