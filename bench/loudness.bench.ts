// The leveller beside ffmpeg's ebur128 filter (a peer here, no dependency) on the same WAV files: how fast, and how far
// apart.
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
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
  // From 96 kHz on the peer looks between fewer samples too; at 192 kHz neither does.
  if (Number.isFinite(other.peakDb)) {
    const db = Math.abs(other.peakDb - ours.loudness.truePeakDbtp)
    if (db > sums.db) sums.db = db
    if (db > 0.1)
      process.stderr.write(
        `${basename(path)}: ${ours.loudness.truePeakDbtp.toFixed(3)} and ${other.peakDb.toFixed(3)} dBTP\n`,
      )
  }
}
rmSync(folder, { recursive: true, force: true })
report('loudness', [
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
