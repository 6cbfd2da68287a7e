import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { BufferSource, EncodedPacketSink, Input, WEBM } from 'mediabunny'
import { describe, expect, it } from 'vitest'
import type { PictureMeasured, SoundMeasured } from '../../../contract/media.ts'
import { hostileFiles } from '../../../test/media/hostile.ts'
import { drawnSides, inkOfAll, inkOfFirst, tonePeakDb, toneRateHz, vectorAnimation } from '../../../test/media/shape.ts'
import { wav } from '../../../test/media/wav.ts'
import { measureFile } from './measureFile.ts'
import type { Refusal } from './refusal.ts'

const golden = (name: string) => readFile(new URL(`../../../test/media/files/${name}`, import.meta.url))
const refusalOf = (bytes: Uint8Array) =>
  measureFile(bytes).then(
    () => null,
    (error: Refusal) => error,
  )

describe('pictures are measured', () => {
  it.each([
    ['still.png', 'image/png'],
    ['still.webp', 'image/webp'],
    ['still.avif', 'image/avif'],
  ])('%s', async (name, mime) => {
    const { measured, ...found } = await measureFile(await golden(name))
    expect(found).toMatchObject({ kind: 'picture', mime, converted: null })
    expect(measured).toMatchObject({
      ...drawnSides,
      frameCount: 1,
      durationMs: null,
      seen: { hasAlpha: true, ink: inkOfFirst, dominant: expect.stringMatching(/^#(E0|DF|E1)9[5-7]4[A-C]$/) as string },
    })
    expect(found.poster?.subarray(8, 12)).toEqual(Buffer.from('WEBP'))
  })
  it.each([
    ['moving.webp', 'image/webp', [100, 200, 100, 200]],
    // A frame that claims no time is shown for a tenth of a second.
    ['moving.gif', 'image/gif', [100, 200, 100, 200]],
    ['moving.apng', 'image/apng', [100, 200, 100, 200]],
  ])('%s, over all its frames', async (name, mime, frameMs) => {
    const found = await measureFile(await golden(name))
    expect(found.mime).toBe(mime)
    expect(found.measured).toMatchObject({
      ...drawnSides,
      frameCount: 4,
      frameMs,
      durationMs: 600,
      seen: { hasAlpha: true, ink: inkOfAll },
    })
  })
  it('a photograph that is to be turned, as it is shown', async () => {
    const { measured } = await measureFile(await golden('opaque.jpg'))
    expect(measured).toMatchObject({
      widthPx: drawnSides.heightPx,
      heightPx: drawnSides.widthPx,
      seen: { hasAlpha: false, ink: { xPx: 0, yPx: 0, widthPx: drawnSides.heightPx, heightPx: drawnSides.widthPx } },
    })
  })
  it('a photograph without the smaller picture that a camera put behind it', async () => {
    const photograph = await golden('opaque.jpg')
    const { converted } = await measureFile(Buffer.concat([photograph, photograph]))
    expect(Buffer.from(converted ?? [])).toEqual(photograph)
  })
  it('a vector picture as the picture that is drawn from it, sharp on a canvas', async () => {
    const { mime, measured, converted } = await measureFile(await golden('still.svg'))
    const { widthPx, heightPx, seen } = measured as PictureMeasured
    expect([mime, widthPx, heightPx]).toEqual(['image/png', 1600, 1067])
    expect(Math.abs((seen?.ink?.xPx ?? 0) - (10 * 1600) / 96)).toBeLessThan(2)
    expect(converted?.subarray(1, 4)).toEqual(Buffer.from('PNG'))
  })
})

/** Where a measured sound is loud: the moments at which that begins, in milliseconds. */
function loudFrom({ waveform }: SoundMeasured): number[] {
  const peaks = [...Buffer.from(waveform[0]?.peaks ?? '', 'base64')]
  return peaks.flatMap((peak, at) => (peak > 40 && (peaks[at - 1] ?? 0) <= 40 ? [at * 10] : []))
}

describe('the sound of a video is measured like every sound', () => {
  const ownSoundOf = async (bytes: Uint8Array) => ((await measureFile(bytes)).measured as PictureMeasured).ownSound
  it.each([
    ['flash-click.webm', 0, 2, [500, 1500]],
    ['late-sound.webm', 294, 2, [500, 1500]],
    ['long-sound.webm', 0, 2, [500, 1500, 2500]],
    ['six-channels.webm', 0, 6, [500, 1500]],
    ['vorbis-sound.webm', 0, 2, [500, 1500]],
  ])('%s', async (name, startsMs, channelCount, loudMs) => {
    const sound = await ownSoundOf(await golden(name))
    expect(sound).toMatchObject({ startsMs, fault: null, heard: { channelCount, rateHz: 48_000 } })
    expect(sound?.heard && loudFrom(sound.heard)).toEqual(loudMs)
    expect(Math.abs((sound?.heard?.loudness?.integratedLufs ?? 0) + 22)).toBeLessThan(1)
  })
  it('is left to a browser where only browsers decode it', async () =>
    expect(await ownSoundOf(await golden('aac-sound.mp4'))).toEqual({ startsMs: 0, heard: null, fault: null }))
  it('broken in the middle, it is not heard and said why; the picture is taken', async () => {
    const bytes = Buffer.from(await golden('long-sound.webm'))
    const input = new Input({ source: new BufferSource(Uint8Array.from(bytes)), formats: [WEBM] })
    const track = await input.getPrimaryAudioTrack()
    if (!track) throw new Error('it has one')
    for await (const { data, timestamp } of new EncodedPacketSink(track).packets())
      if (timestamp > 1 && timestamp < 2) bytes.fill(0xff, bytes.indexOf(data), bytes.indexOf(data) + data.length)
    expect(await ownSoundOf(bytes)).toMatchObject({ heard: null, fault: expect.stringMatching(/damaged/) as string })
    const half = await measureFile(bytes.subarray(0, bytes.length / 2)).catch((error: Refusal) => error)
    expect(half).toMatchObject({ reason: expect.stringMatching(/damaged or incomplete/) as string })
  })
})

describe('videos and vector animations are measured, and left for a browser to look at', () => {
  it.each([
    ['moving-vp9.webm', 'video/webm', 'vp9', true],
    ['moving-vp8.webm', 'video/webm', 'vp8', false],
    ['moving-av1.webm', 'video/webm', 'av1', false],
    ['moving-h264.mp4', 'video/mp4', 'avc', false],
  ])('%s', async (name, mime, codec, hasSound) => {
    const found = await measureFile(await golden(name))
    expect(found).toMatchObject({
      kind: 'picture',
      mime,
      poster: null,
      measured: { ...drawnSides, frameCount: 4, codec, seen: null },
    })
    expect((found.measured as PictureMeasured).ownSound !== null).toBe(hasSound)
    expect(Math.abs(((found.measured as PictureMeasured).durationMs ?? 0) - 400)).toBeLessThanOrEqual(30)
  })
  it('a vector animation without what would be fetched or styled with it', async () => {
    const png = `data:image/png;base64,${(await golden('still.png')).toString('base64')}`
    const { converted } = await measureFile(
      Buffer.from(
        vectorAnimation({
          fonts: {
            list: [
              {
                fName: 'a',
                fFamily: 'a{}</style><style>body{display:none}',
                origin: 1,
                fPath: 'https://example.invalid/a.css',
              },
            ],
          },
          assets: [{ id: 'p', w: 9, h: 9, u: 'https://example.invalid/', p: png, e: 0 }],
        }),
      ),
    )
    const kept = Buffer.from(converted ?? []).toString()
    expect(kept).not.toMatch(/example\.invalid|fonts|style/)
    expect(JSON.parse(kept)).toMatchObject({ assets: [{ id: 'p', u: '', p: png, e: 1 }], op: 20 })
  })
  it('a vector animation', async () => {
    expect(await measureFile(Buffer.from(vectorAnimation()))).toMatchObject({
      mime: 'video/lottie+json',
      measured: { ...drawnSides, frameCount: 20, durationMs: 2000, seen: null },
    })
  })
})

describe('sounds are measured', () => {
  // A sine on both channels at its peak level is as loud as that in LUFS, by the definition of the scale (0.1 LU off at
  // 997 Hz).
  const check = (measured: SoundMeasured, durationToleranceMs: number, lossLu = 0) => {
    expect(measured).toMatchObject({ rateHz: toneRateHz, channelCount: 2 })
    expect(Math.abs(measured.durationMs - 4000)).toBeLessThanOrEqual(durationToleranceMs)
    expect(Math.abs((measured.loudness?.shortTermMaxLufs ?? 0) - tonePeakDb + lossLu)).toBeLessThan(0.1)
    // Its first and last blocks are silent in part.
    expect(Math.abs((measured.loudness?.integratedLufs ?? 0) - tonePeakDb + 0.27 + lossLu)).toBeLessThan(0.1)
    expect(Math.abs((measured.loudness?.truePeakDbtp ?? 0) - tonePeakDb)).toBeLessThan(0.4)
    expect(Math.abs(measured.leadingSilenceMs - 250)).toBeLessThanOrEqual(durationToleranceMs + 5)
    expect(measured.waveform.map((level) => level.stretchMs)).toEqual([10, 40])
  }
  it.each([
    // This encoder loses a quarter of a decibel; another meter reads −18.5 LUFS too.
    ['tone.mp3', 'audio/mpeg', 60, 0.25],
    ['tone.ogg', 'audio/ogg; codecs=vorbis', 20, 0],
    ['tone.opus', 'audio/ogg; codecs=opus', 20, 0],
    ['tone.flac', 'audio/flac', 0, 0],
  ])('%s', async (name, mime, toleranceMs, lossLu) => {
    const found = await measureFile(await golden(name))
    expect(found).toMatchObject({ kind: 'sound', mime })
    check(found.measured as SoundMeasured, toleranceMs, lossLu)
  })
  it.each([16, 24, 32] as const)('WAV of %i bits', async (bits) =>
    check((await measureFile(wav({ bits }))).measured as SoundMeasured, 0),
  )
  it('silence has no loudness', async () =>
    expect((await measureFile(wav({ sampleAt: () => 0 }))).measured).toMatchObject({
      loudness: null,
      leadingSilenceMs: 4000,
    }))
  it.each(['tone.m4a', 'tone.aac', 'tone-only.webm'])('%s is for a browser to decode', async (name) => {
    expect(await refusalOf(await golden(name))).toMatchObject({
      canDecodeInBrowser: true,
      advice: 'Save it as MP3, Ogg or WAV.',
    })
  })
})

describe('fonts are measured', () => {
  const fontFile = (path: string) => readFile(new URL(`../../../node_modules/${path}`, import.meta.url))
  it('one that has every weight', async () => {
    expect(
      await measureFile(await fontFile('@fontsource-variable/fredoka/files/fredoka-latin-wght-normal.woff2')),
    ).toMatchObject({
      kind: 'font',
      mime: 'font/woff2',
      measured: {
        of: 'font',
        family: expect.stringContaining('Fredoka') as string,
        weights: [300, 700],
        isItalic: false,
      },
    })
  })
  it('one that has a single weight, packed and bare', async () => {
    const packed = await fontFile('@fontsource/anton/files/anton-latin-400-normal.woff2')
    const { decompress } = createRequire(import.meta.url)('wawoff2') as {
      decompress(packed: Uint8Array): Promise<Uint8Array>
    }
    for (const [bytes, mime] of [
      [packed, 'font/woff2'],
      [Buffer.from(await decompress(packed)), 'font/ttf'],
    ] as const) {
      expect(await measureFile(bytes)).toMatchObject({ mime, measured: { family: 'Anton', weights: [400, 400] } })
    }
  })
})

describe('what could hurt is refused with one reason and advice', () => {
  it.each(hostileFiles.map((file) => [file.name, file] as const))('%s', async (_name, { bytes, reason }) => {
    const refusal = await refusalOf(bytes())
    expect(refusal?.reason).toMatch(reason)
    expect(refusal?.advice).toMatch(/\.$/)
  })
})
