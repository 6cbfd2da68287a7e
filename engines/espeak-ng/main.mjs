// A speech engine as a program of its own (GPL-3.0-or-later, see LICENSE). It reads one JSON object a line on its standard input and answers
// each with one line on its standard output:
//   { "ask": "voices" }                                        → { "voices": [{ "id", "language", "name" }] }
//   { "ask": "speak", "text", "voice", "rate", "pitch" }       → { "rateHz", "pcm": base64 of 16-bit little-endian mono, "words": [{ "from", "to", "atMs" }] }
//   anything else                                              → { "error": "…" }
// `rate` is in words a minute (80–450), `pitch` 0–100. Words lie from one letter (code point) of the text to before another.
import { createInterface } from 'node:readline'
import start from '@echogarden/espeak-ng-emscripten'

const lettersMost = 600
const answer = (value) => process.stdout.write(`${JSON.stringify(value)}\n`)
const engine = await start()
const worker = await new engine.eSpeakNGWorker()

const voices = worker
  .list_voices()
  .map(({ identifier, name, languages }) => ({ id: identifier, language: languages?.[0]?.name ?? '', name }))
const known = new Set(voices.map(({ id }) => id))

/**
 * The engine reads marks of its own in a text; what viewers write is words and nothing else. Each stays one letter, so
 * that word times still fit.
 */
const harmless = (text) =>
  text
    .replaceAll('\0', ' ')
    .replaceAll('<', ' ')
    .replaceAll('>', ' ')
    .replaceAll('&', '+')
    .replaceAll('[', '(')
    .replaceAll(']', ')')

function speak({ text, voice, rate, pitch }) {
  if (typeof text !== 'string' || text.trim() === '') return { error: 'There is nothing to say.' }
  if ([...text].length > lettersMost) return { error: `More than ${lettersMost} letters.` }
  if (!known.has(voice)) return { error: 'This voice is not known here.' }
  worker.set_voice(voice)
  worker.set_rate(Math.min(450, Math.max(80, Number(rate) || 165)))
  worker.set_pitch(Math.min(100, Math.max(0, Number.isFinite(pitch) ? pitch : 50)))
  const pieces = []
  const words = []
  worker.synthesize(harmless(text), (samples, events) => {
    if (samples?.length) pieces.push(Buffer.from(samples.buffer, samples.byteOffset, samples.byteLength))
    for (const { type, text_position: position, word_length: length, audio_position: atMs } of events)
      if (type === 'word') words.push({ from: position - 1, to: position - 1 + length, atMs })
    return false
  })
  return { rateHz: worker.get_samplerate(), pcm: Buffer.concat(pieces).toString('base64'), words }
}

answer({ ready: true })
// Code that was run before runs ten times as fast: a few sentences are said to nobody, between which whoever asks is
// answered.
for (const afterMs of [100, 200, 300])
  setTimeout(() => speak({ text: 'good evening, a kettle and two loaves', voice: voices[0]?.id }), afterMs).unref()
for await (const line of createInterface({ input: process.stdin })) {
  try {
    const asked = JSON.parse(line)
    if (asked.ask === 'voices') answer({ voices })
    else if (asked.ask === 'speak') answer(speak(asked))
    else answer({ error: 'This is not understood.' })
  } catch (error) {
    answer({ error: error instanceof Error ? error.message.slice(0, 200) : 'This broke.' })
  }
}
