import { err, ok, type Result } from '../result.ts'

export interface JsonBounds {
  /** Lists and objects in one another. */
  depth: number
  /** Values in all: entries of lists, fields of objects. */
  values: number
}

/** Why a text is not taken. */
export interface JsonFault {
  /** It is JSON, for all that is known, and more of it than is taken. */
  isTooMuch: boolean
  words: string
}

const tooMuch = (words: string) => err<JsonFault>({ isTooMuch: true, words })

/** What programs exchange with this one is never deeper, and never in more pieces. */
export const usualBounds: JsonBounds = { depth: 64, values: 400_000 }

/**
 * Parses JSON whose shape is bounded before anything is made of it: text of some megabytes can be nested millions deep, and
 * takes a hundred times its size as values. One pass over the text, then the parser's own.
 * @returns why it is not taken: too deep, too many values, or the parser's words
 */
export function parseBounded(text: string, { depth, values }: JsonBounds = usualBounds): Result<unknown, JsonFault> {
  let level = 0
  let count = 1
  let isInString = false
  for (let at = 0; at < text.length; at++) {
    const letter = text.charCodeAt(at)
    if (isInString) {
      if (letter === 0x5c) at += 1
      else if (letter === 0x22) isInString = false
    } else if (letter === 0x22) isInString = true
    else if (letter === 0x7b || letter === 0x5b) {
      level += 1
      if (level > depth) return tooMuch(`It is nested more than ${depth} deep.`)
    } else if (letter === 0x7d || letter === 0x5d) level -= 1
    else if (letter === 0x2c) {
      count += 1
      if (count > values) return tooMuch(`It has more than ${values} values.`)
    }
  }
  try {
    return ok(JSON.parse(text) as unknown)
  } catch (error) {
    return err({ isTooMuch: false, words: error instanceof Error ? error.message.slice(0, 120) : 'It is not JSON.' })
  }
}
