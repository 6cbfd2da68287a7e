/**
 * A voice that is none: a short tone for each syllable, higher where a sentence asks. It stands in for a voice service
 * on another machine.
 */
const rateHz = 22_050
const syllableS = 0.16
const gapS = 0.06
const baseHz = 220
const lettersMost = 600

export const chirpVoices = [
  { id: 'wren', language: 'en', name: 'Wren (a stand-in that chirps)' },
  { id: 'wren-pt', language: 'pt', name: 'Wren (a stand-in that chirps)' },
]

interface Asked {
  text: string
  voice: string
  rate?: number
  pitch?: number
}

/** What the service answers when it is asked to say something. */
export function answerOf({ text, voice, rate = 165, pitch = 50 }: Asked): Chirped | { error: string } {
  if (!chirpVoices.some(({ id }) => id === voice)) return { error: 'This voice is not known here.' }
  if (text.trim() === '') return { error: 'There is nothing to say.' }
  return [...text].length > lettersMost ? { error: `More than ${lettersMost} letters.` } : chirp(text, rate, pitch)
}

interface Chirped {
  rateHz: number
  pcm: string
  words: { from: number; to: number; atMs: number }[]
}

/** @param rate words a minute; 165 is usual @param pitch 0–100 */
function chirp(text: string, rate: number, pitch: number): Chirped {
  const speed = Math.min(450, Math.max(80, rate)) / 165
  const words: Chirped['words'] = []
  const samples: number[] = []
  let at = 0
  for (const piece of text.split(/(\s+)/u)) {
    const length = [...piece].length
    if (piece.trim() !== '') {
      words.push({ from: at, to: at + length, atMs: Math.round((samples.length * 1000) / rateHz) })
      const syllables = Math.max(1, Math.min(12, piece.match(/[aeiouyáéíóúãõâêô]+/giu)?.length ?? 1))
      for (let index = 0; index < syllables; index++)
        addTone(
          samples,
          baseHz *
            2 ** ((pitch - 50) / 50 + (piece.endsWith('?') ? 0.4 : 0) + ((piece.charCodeAt(0) + index * 5) % 7) / 14),
          syllableS / speed,
        )
      addSilence(samples, gapS / speed)
    }
    at += length
  }
  return {
    rateHz,
    pcm: Buffer.from(Int16Array.from(samples, (sample) => Math.round(sample * 32_767)).buffer).toString('base64'),
    words,
  }
}

function addTone(samples: number[], hertz: number, lastsS: number): void {
  const count = Math.round(lastsS * rateHz)
  for (let index = 0; index < count; index++) {
    const ratio = index / count
    samples.push(Math.sin((2 * Math.PI * hertz * index) / rateHz) * Math.sin(Math.PI * ratio) * 0.5)
  }
}

function addSilence(samples: number[], lastsS: number): void {
  for (let index = 0; index < lastsS * rateHz; index++) samples.push(0)
}
