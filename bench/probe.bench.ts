// How many files of each kind are measured in a second, by the function that the measuring process runs.
import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { measureFile } from '../server/media/measure/measureFile.ts'
import { vectorAnimation } from '../test/media/shape.ts'
import { wav } from '../test/media/wav.ts'
import { report } from './report.ts'

sharp.cache(false)
sharp.concurrency(1)
const golden = (name: string) => readFileSync(new URL(`../test/media/files/${name}`, import.meta.url))
const shipped = (name: string) => readFileSync(new URL(`../demo/media/files/${name}`, import.meta.url))
const large = await sharp({
  create: { width: 1920, height: 1080, channels: 4, background: { r: 200, g: 120, b: 60, alpha: 0.5 } },
})
  .png()
  .toBuffer()

const files: [what: string, bytes: Buffer][] = [
  ['PNG, 640 × 640', shipped('loaf.png')],
  ['PNG, 1920 × 1080', large],
  ['JPEG, 96 × 64', golden('opaque.jpg')],
  ['WebP, 96 × 64', golden('still.webp')],
  ['AVIF, 96 × 64', golden('still.avif')],
  ['GIF, 4 frames', golden('moving.gif')],
  ['animated PNG, 4 frames', golden('moving.apng')],
  ['animated WebP, 400 × 400, 40 frames', shipped('rising-loaf.webp')],
  ['SVG, drawn at 1600', golden('still.svg')],
  ['WebM, VP9', golden('moving-vp9.webm')],
  ['MP4, H.264', golden('moving-h264.mp4')],
  ['WAV, 4 s stereo', wav()],
  ['MP3, 4 s stereo', golden('tone.mp3')],
  ['Ogg Vorbis, 4 s stereo', golden('tone.ogg')],
  ['Opus, 4 s stereo', golden('tone.opus')],
  ['FLAC, 4 s stereo', golden('tone.flac')],
  ['Lottie', Buffer.from(vectorAnimation())],
  [
    'WOFF2',
    readFileSync(new URL('../node_modules/@fontsource/anton/files/anton-latin-400-normal.woff2', import.meta.url)),
  ],
]

const measured = []
for (const [what, bytes] of files) {
  await measureFile(bytes)
  const startedMs = performance.now()
  let count = 0
  while (performance.now() - startedMs < 1200) {
    await measureFile(bytes)
    count += 1
  }
  measured.push({ what, figures: { 'files a second': ((count * 1000) / (performance.now() - startedMs)).toFixed(1) } })
}
report('probe', measured)
