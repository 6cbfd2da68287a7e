// Draws and synthesises the demo media into demo/media/files, with a catalogue beside them. Run: npm run demo:media
import { createHash } from 'node:crypto'
import { mkdir, writeFile } from 'node:fs/promises'
import sharp from 'sharp'
import { measureFile } from '../../server/media/measure/measureFile.ts'
import { animations } from './animation.ts'
import { artworks } from './artwork.ts'
import { syntheses } from './synthesis.ts'
import { render, sampleRateHz, toWav } from './voices.ts'
import { recordFlames } from './video.ts'

const folder = new URL('./files/', import.meta.url)
await mkdir(folder, { recursive: true })
const catalogue: Record<string, unknown>[] = []

/** What the door would find out about the file, so that a fresh channel knows it at once. */
const measuredOf = async (bytes: Buffer) => (await measureFile(bytes)).measured

async function keep(file: string, name: string, bytes: Buffer, facts: Record<string, unknown>): Promise<void> {
  await writeFile(new URL(file, folder), bytes)
  catalogue.push({
    file,
    name,
    sha256: createHash('sha256').update(bytes).digest('hex'),
    bytes: bytes.length,
    licence: 'CC0-1.0',
    ...facts,
    measured: await measuredOf(bytes),
  })
}

for (const artwork of artworks) {
  const bytes = await sharp(Buffer.from(artwork.svg)).png({ compressionLevel: 9, palette: false }).toBuffer()
  await keep(`${artwork.file}.png`, artwork.name, bytes, {
    kind: 'picture',
    mime: 'image/png',
    widthPx: 640,
    heightPx: 640,
    durationMs: null,
  })
}
for (const { file, name, frames, frameMs, svgAt } of animations) {
  const drawn = await Promise.all(
    Array.from({ length: frames }, (_, frame) =>
      sharp(Buffer.from(svgAt(frame / frames)))
        .png()
        .toBuffer(),
    ),
  )
  const bytes = await sharp(drawn, { join: { animated: true } })
    .webp({ quality: 70, alphaQuality: 80, loop: 0, delay: Array.from({ length: frames }, () => frameMs) })
    .toBuffer()
  await keep(`${file}.webp`, name, bytes, {
    kind: 'picture',
    mime: 'image/webp',
    widthPx: 400,
    heightPx: 400,
    durationMs: frames * frameMs,
  })
}
const flames = { sidePx: 480, frames: 48, framesPerSecond: 24 }
await keep('flames.webm', 'Flames', await recordFlames(flames), {
  kind: 'picture',
  mime: 'video/webm',
  widthPx: flames.sidePx,
  heightPx: flames.sidePx,
  durationMs: (flames.frames * 1000) / flames.framesPerSecond,
})
for (const synthesis of syntheses) {
  const samples = render(synthesis)
  const durationMs = Math.round((samples.length * 1000) / sampleRateHz)
  await keep(`${synthesis.file}.wav`, synthesis.name, toWav(samples), {
    kind: 'sound',
    mime: 'audio/wav',
    widthPx: null,
    heightPx: null,
    durationMs,
  })
}
await writeFile(new URL('catalogue.json', folder), JSON.stringify(catalogue, null, 2) + '\n')
process.stdout.write(`${catalogue.length} files\n`)
