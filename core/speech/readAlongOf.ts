import type { ResolvedVoice } from '../score/parts/voice/resolveVoice.ts'
import type { ReadWord } from '../text/readAlong.ts'
import { alignWords, type SaidWord } from './alignWords.ts'
import type { SayingKind } from './spoken.ts'

/**
 * When the words of a shown text are read by the voices of its score.
 * @param shown the text as it is drawn, capitals made
 * @returns null where no voice reads it
 */
export function readAlongOf(
  shown: string,
  of: SayingKind,
  voices: readonly ResolvedVoice[],
): { words: ReadWord[]; untilMs: number } | null {
  const utterance = voices.flatMap(({ utterances }) => utterances).find((each) => each.of === of)
  if (!utterance) return null
  const letters = [...utterance.text]
  const said: SaidWord[] = utterance.words
    .map(({ from, to, atMs }) => ({ text: letters.slice(from, to).join(''), atMs: utterance.startMs + atMs }))
    .filter(({ atMs }) => atMs < utterance.endMs)
  const written = shown.split(/\s+/u).filter((word) => word !== '')
  const times = alignWords(written, said)
  const words: ReadWord[] = []
  let from = 0
  written.forEach((word, index) => {
    const atMs = times[index]
    if (atMs != null) words.push({ from, to: from + word.length, atMs })
    from += word.length
  })
  return words.length > 0 ? { words, untilMs: utterance.endMs } : null
}
