// Makes one small file of every format that the library takes (or refuses with advice) into test/media/files. Run with
// ffmpeg on the path: npx tsx test/media/make.ts. The results are checked in; ffmpeg is needed for nothing else.
import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import sharp from 'sharp'
import UPNG from 'upng-js'
import { drawnSides, frameSvg } from './shape.ts'
import { wav } from './wav.ts'

const folder = fileURLToPath(new URL('./files/', import.meta.url))
const keep = (name: string, bytes: Uint8Array) => writeFileSync(folder + name, bytes)
const ffmpeg = (...args: string[]) =>
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-bitexact', ...args], {
    cwd: folder,
    stdio: ['ignore', 'inherit', 'inherit'],
  })

const frames = await Promise.all(
  [0, 1, 2, 3].map((frame) =>
    sharp(Buffer.from(frameSvg(frame)))
      .png()
      .toBuffer(),
  ),
)
const [first = Buffer.alloc(0)] = frames
const still = () => sharp(first)
keep('still.png', await still().png({ compressionLevel: 9 }).toBuffer())
keep('still.webp', await still().webp({ lossless: true }).toBuffer())
keep('still.avif', await still().avif({ lossless: true }).toBuffer())
keep(
  'opaque.jpg',
  await still().flatten({ background: '#204060' }).jpeg({ quality: 90 }).withMetadata({ orientation: 6 }).toBuffer(),
)
keep('still.svg', Buffer.from(frameSvg(0)))
const joined = () => sharp(frames, { join: { animated: true } })
keep(
  'moving.webp',
  await joined()
    .webp({ lossless: true, delay: [100, 200, 100, 200], loop: 0 })
    .toBuffer(),
)
keep(
  'moving.gif',
  await joined()
    .gif({ delay: [100, 200, 0, 200], loop: 0 })
    .toBuffer(),
)
const raw = await Promise.all(
  frames.map(async (frame) => Uint8Array.from(await sharp(frame).ensureAlpha().raw().toBuffer()).buffer),
)
keep('moving.apng', new Uint8Array(UPNG.encode(raw, drawnSides.widthPx, drawnSides.heightPx, 0, [100, 200, 100, 200])))

frames.forEach((frame, index) => keep(`frame-${index}.png`, frame))
const pictures = ['-framerate', '10', '-i', 'frame-%d.png']
keep('tone.wav', wav())

const sound = ['-i', 'tone.wav']
ffmpeg(...sound, '-c:a', 'libmp3lame', '-b:a', '192k', 'tone.mp3')
ffmpeg(...sound, '-c:a', 'libvorbis', '-q:a', '6', 'tone.ogg')
ffmpeg(...sound, '-c:a', 'libopus', '-b:a', '128k', 'tone.opus')
ffmpeg(...sound, '-c:a', 'flac', 'tone.flac')
ffmpeg(...sound, '-c:a', 'aac', '-b:a', '192k', 'tone.m4a')
ffmpeg(...sound, '-c:a', 'aac', '-b:a', '192k', 'tone.aac')
ffmpeg(
  ...pictures,
  ...sound,
  '-c:v',
  'libvpx-vp9',
  '-pix_fmt',
  'yuva420p',
  '-auto-alt-ref',
  '0',
  '-c:a',
  'libopus',
  '-shortest',
  'moving-vp9.webm',
)
ffmpeg(...pictures, '-c:v', 'libvpx', '-pix_fmt', 'yuv420p', 'moving-vp8.webm')
ffmpeg(...pictures, '-c:v', 'libaom-av1', '-cpu-used', '8', '-pix_fmt', 'yuv420p', 'moving-av1.webm')
ffmpeg(...pictures, '-c:v', 'libx264', '-pix_fmt', 'yuv420p', 'moving-h264.mp4')
ffmpeg(...pictures, '-c:v', 'libx265', '-x265-params', 'log-level=none', '-pix_fmt', 'yuv420p', 'moving-h265.mp4')
ffmpeg(...pictures, '-c:v', 'prores_ks', '-pix_fmt', 'yuva444p10le', '-profile:v', '4', 'moving-prores.mov')
ffmpeg(...sound, '-c:a', 'libopus', 'tone-only.webm')

// A video that is white for a tenth of a second at 0.5 and 1.5 s, and sounds there: transparent otherwise.
const shown = (lengthS: number) => [
  '-f',
  'lavfi',
  '-i',
  `color=c=black@0.0:s=64x36:r=30:d=${lengthS},format=yuva420p,drawbox=c=white@1.0:t=fill:replace=1:enable='between(mod(t\\,1)\\,0.499\\,0.599)'`,
]
const heard = (lengthS: number, channels = 'stereo') => [
  '-f',
  'lavfi',
  '-i',
  `aevalsrc='0.5*sin(2*PI*1000*t)*between(mod(t\\,1)\\,0.5\\,0.52)':s=48000:d=${lengthS},aformat=channel_layouts=${channels}`,
]
const vp9 = ['-c:v', 'libvpx-vp9', '-pix_fmt', 'yuva420p', '-auto-alt-ref', '0', '-g', '8', '-b:v', '80k']
const opus = ['-c:a', 'libopus', '-b:a', '64k']
ffmpeg(...shown(2), ...heard(2), ...vp9, ...opus, 'flash-click.webm')
ffmpeg(...shown(2), '-itsoffset', '0.3', ...heard(1.7), ...vp9, ...opus, 'late-sound.webm')
ffmpeg(...shown(1), ...heard(3), ...vp9, ...opus, 'long-sound.webm')
ffmpeg(...shown(2), ...heard(2, '5.1'), ...vp9, '-c:a', 'libopus', '-b:a', '96k', 'six-channels.webm')
ffmpeg(...shown(2), ...heard(2), ...vp9, '-c:a', 'libvorbis', '-q:a', '2', 'vorbis-sound.webm')
ffmpeg(
  ...shown(2),
  ...heard(2),
  '-c:v',
  'libx264',
  '-pix_fmt',
  'yuv420p',
  '-c:a',
  'aac',
  '-b:a',
  '64k',
  'aac-sound.mp4',
)
execFileSync('rm', ['tone.wav', ...frames.map((_, index) => `frame-${index}.png`)], { cwd: folder })
