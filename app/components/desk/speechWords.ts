import type { PlayView } from '../../../contract/views.ts'

/** What a voice reads of a play, as one text; empty where nothing is read. */
export const readText = ({ speech, approval }: Pick<PlayView, 'speech' | 'approval'>): string =>
  (speech?.sayings ?? [])
    .filter(({ of, outcome }) => outcome !== 'refused' && !(of === 'message' && approval === 'withheld'))
    .map(({ text }) => text)
    .join(' · ')

/** Why less of a play is heard than was meant; empty where nothing is missing. */
export function unreadWords({ speech, approval }: Pick<PlayView, 'speech' | 'approval'>): string {
  if (!speech) return ''
  if (speech.verdict) return speech.verdict
  if (speech.note) return speech.note
  if (approval === 'withheld') return 'Not read.'
  return speech.sayings
    .flatMap(({ of, reason }) =>
      reason === null ? [] : [`${of === 'message' ? 'The message' : 'The line'} is not read: ${reason}`],
    )
    .join(' ')
}

/** What was written where cleaning changed what is read; null where it did not. */
export const writtenText = ({ speech }: Pick<PlayView, 'speech'>): string | null =>
  (speech?.sayings ?? [])
    .filter(({ outcome }) => outcome === 'changed')
    .map(({ written }) => written)
    .join(' · ') || null
