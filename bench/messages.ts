import { readFileSync } from 'node:fs'

/** What is wrong with a message, or of which sort it is where nothing is. */
const abuseKinds = new Set(['obscenity', 'slur', 'self-harm', 'hate', 'disguise', 'address', 'telephone', 'length'])

/** A message that the cleaning was not written for. */
export interface UnseenMessage {
  kind: string
  isAbuse: boolean
  /** BCP 47's first part. */
  language: string
  text: string
}

export const messageSets = [
  'first',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
  'ninth',
  'tenth',
] as const

/** A set of `bench/messages`: a line is kind, language and message, with bars between them. */
export function readMessages(set: (typeof messageSets)[number]): UnseenMessage[] {
  return readFileSync(new URL(`./messages/${set}.txt`, import.meta.url), 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith('#'))
    .map((line) => {
      const [kind = '', language = '', ...text] = line.split('|')
      return { kind, language, isAbuse: abuseKinds.has(kind), text: text.join('|') }
    })
}
