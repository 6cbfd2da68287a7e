// The leveller beside ffmpeg's ebur128 filter (a peer here, no dependency) on the same WAV files: how fast, and how far
// apart.
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { SoundMeter } from '../core/audio/soundMeter.ts'
import { LoudnessMeter, type Loudness } from '../core/audio/loudnessMeter.ts'
import { decodeWav } from '../server/media/measure/sounds/wav.ts'
import { wav } from '../test/media/wav.ts'
import { report } from './report.ts'

const folder = mkdtempSync(join(tmpdir(), 'thundercrest-loudness-'))
const hasPeer = spawnSync('ffmpeg', ['-version']).status === 0

/** Noise whose loudness wanders like a recording's: seeded, so that every run measures the same. */
function wandering(seed: number): (seconds: number) => number {
  let state = seed
  let held = 0
  return (seconds) => {
    state = (state * 48_271) % 0x7fff_ffff
    held += 0.3 * ((state / 0x7fff_ffff) * 2 - 1 - held)
    return (
      held * (0.35 + 0.3 * Math.sin(seconds * 0.9) + 0.25 * Math.sin(seconds * 3.7)) +
      0.2 * Math.sin(2 * Math.PI * 220 * seconds)
    )
  }
}

const corpus = readdirSync('demo/media/files')
  .filter((file) => file.endsWith('.wav'))
  .map((file) => join('demo/media/files', file))
for (const [rateHz, channels, seconds] of [
  [48_000, 2, 60],
  [44_100, 2, 60],
  [44_100, 1, 30],
  [96_000, 2, 20],
  [22_050, 2, 30],
  [192_000, 2, 10],
] as const) {
  const path = join(folder, `${rateHz}-${channels}.wav`)
  writeFileSync(path, wav({ rateHz, channels, bits: 24, seconds, sampleAt: wandering(rateHz + channels) }))
  corpus.push(path)
}

async function measure(path: string): Promise<{ loudness: Loudness; seconds: number; tookS: number }> {
  const pieces = []
  for await (const piece of decodeWav(readFileSync(path))) pieces.push(piece)
  const [first] = pieces
  if (!first) throw new Error(path)
  const startedMs = performance.now()
  const meter = new LoudnessMeter(first.rateHz, first.channels.length)
  for (const piece of pieces) meter.push(piece.channels)
  const loudness = meter.end()
  return {
    loudness,
    seconds: pieces.reduce((sum, { channels }) => sum + (channels[0]?.length ?? 0), 0) / first.rateHz,
    tookS: (performance.now() - startedMs) / 1000,
  }
}

function peer(path: string): { lufs: number; peakDb: number; tookS: number } {
  const startedMs = performance.now()
  const printed = execFileSync(
    'ffmpeg',
    [
      '-v',
      'error',
      '-i',
      path,
      '-af',
      'ebur128=metadata=1:peak=true:dualmono=true,ametadata=mode=print:file=-',
      '-f',
      'null',
      '-',
    ],
    { encoding: 'utf8', maxBuffer: 1 << 28 },
  )
  const tookS = (performance.now() - startedMs) / 1000
  const last = (key: string) =>
    Number([...printed.matchAll(new RegExp(`lavfi\\.r128\\.${key}=(\\S+)`, 'g'))].at(-1)?.[1] ?? NaN)
  const peaks = ['true_peaks_ch0', 'true_peaks_ch1'].map(last).filter((value) => !Number.isNaN(value))
  return { lufs: last('I'), peakDb: 20 * Math.log10(Math.max(...peaks)), tookS }
}

/** Starting ffmpeg is not its measuring: what a file of nothing takes is taken off. */
function startS(): number {
  const path = join(folder, 'nothing.wav')
  writeFileSync(path, wav({ seconds: 0.1 }))
  return Math.min(...[1, 2, 3].map(() => peer(path).tookS))
}

const baseS = hasPeer ? startS() : 0
const sums = { seconds: 0, oursS: 0, peerS: 0, lu: 0, db: 0 }
for (const path of corpus) {
  await measure(path)
  const ours = await measure(path)
  sums.seconds += ours.seconds
  sums.oursS += ours.tookS
  if (!hasPeer) continue
  const other = peer(path)
  sums.peerS += Math.max(0, other.tookS - baseS)
  // A sound below 400 ms has no block to gate for the peer; one of ours has no such file.
  if (Number.isFinite(other.lufs) && ours.seconds >= 0.4)
    sums.lu = Math.max(sums.lu, Math.abs(other.lufs - ours.loudness.integratedLufs))
  // From 96 kHz on the peer looks between fewer samples; at 192 kHz between none.
  if (Number.isFinite(other.peakDb)) {
    const db = Math.abs(other.peakDb - ours.loudness.truePeakDbtp)
    if (db > sums.db) sums.db = db
    if (db > 0.1)
      process.stderr.write(
        `${basename(path)}: ${ours.loudness.truePeakDbtp.toFixed(3)} and ${other.peakDb.toFixed(3)} dBTP\n`,
      )
  }
}
/** A sine a quarter of the rate high, between whose samples its peaks lie: at most 3 dB above them. */
const peaks = [48_000, 96_000, 192_000].map((rateHz) => {
  const samples = Float32Array.from(
    { length: rateHz },
    (_, at) => 0.5 * Math.min(1, at / 2000, (rateHz - at) / 2000) * Math.sin((Math.PI * at) / 2 + Math.PI / 4),
  )
  const meter = new LoudnessMeter(rateHz, 1)
  meter.push([samples])
  const path = join(folder, `peak-${rateHz}.wav`)
  writeFileSync(
    path,
    wav({
      rateHz,
      channels: 1,
      bits: 24,
      seconds: 1,
      sampleAt: (seconds) => samples[Math.round(seconds * rateHz)] ?? 0,
    }),
  )
  return {
    what: `true peak of a sine of −6.02 dBTP at ${rateHz / 1000} kHz`,
    figures: {
      ours: `${meter.end().truePeakDbtp.toFixed(2)} dBTP`,
      ...(hasPeer ? { ffmpeg: `${peer(path).peakDb.toFixed(2)} dBTP` } : {}),
    },
  }
})

/** How far the level moves where a sound gets a hundredth longer, or has silence around it. */
function levelAt(shape: (seconds: number) => number, lengthMs: number, beforeMs = 0, afterMs = 0): number {
  const rateHz = 16_000
  const [before, heard, after] = [beforeMs, lengthMs, afterMs].map((ms) => Math.round((ms * rateHz) / 1000)) as [
    number,
    number,
    number,
  ]
  const samples = new Float32Array(before + heard + after)
  for (let at = 0; at < heard; at++) samples[before + at] = shape(at / rateHz)
  const meter = new SoundMeter(rateHz, 1)
  meter.push([samples])
  return meter.end().levelLufs
}
const chime = (seconds: number) => 0.7 * Math.exp(-seconds * 1.6) * Math.sin(2 * Math.PI * 900 * seconds)
const tone = (seconds: number) => 0.4 * Math.sin(2 * Math.PI * 700 * seconds)
const steps = [chime, tone].map((shape) => {
  let [longest, last] = [0, levelAt(shape, 60)]
  for (let lengthMs = 60; lengthMs < 9000; lengthMs += Math.max(10, lengthMs * 0.01)) {
    const level = levelAt(shape, lengthMs)
    longest = Math.max(longest, Math.abs(level - last))
    last = level
  }
  const padded = [80, 300, 700, 2990, 3000, 5000].flatMap((lengthMs) =>
    [0, 33, 400, 1777].flatMap((beforeMs) =>
      [0, 77, 2500].map((afterMs) => Math.abs(levelAt(shape, lengthMs, beforeMs, afterMs) - levelAt(shape, lengthMs))),
    ),
  )
  return {
    what: `largest step of the level, ${shape.name}`,
    figures: {
      'a hundredth longer': `${longest.toFixed(2)} dB`,
      'silence around': `${Math.max(...padded).toFixed(2)} dB`,
    },
  }
})
rmSync(folder, { recursive: true, force: true })
report('loudness', [
  ...peaks,
  ...steps,
  {
    what: `ours, ${corpus.length} files, ${Math.round(sums.seconds)} s of sound`,
    figures: { 'seconds a second': (sums.seconds / sums.oursS).toFixed(0) },
  },
  ...(hasPeer
    ? [
        {
          what: 'ffmpeg’s ebur128 with true peak, without its start',
          figures: { 'seconds a second': (sums.seconds / sums.peerS).toFixed(0) },
        },
        {
          what: 'largest difference',
          figures: { 'integrated, LU': sums.lu.toFixed(4), 'true peak, dB': sums.db.toFixed(3) },
        },
      ]
    : [{ what: 'ffmpeg is not installed here', figures: { 'the peer': 'not measured' } }]),
])
