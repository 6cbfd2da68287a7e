import { describe, expect, it } from 'vitest'
import { animatedWebp, pictureChunks } from './animatedWebp.ts'
import { changedBox } from './changedBox.ts'
import { frameAt, framesOf, planFilm } from './filmPlan.ts'
import { toYuv } from './yuv.ts'

describe('the plan of a film', () => {
  const canvas = { widthPx: 1080, heightPx: 1921, framesPerSecond: 60 }
  it.each([
    ['webm', 'whole', [1080, 1922, 60]],
    ['webm', 'third', [360, 640, 60]],
    ['webp', 'half', [540, 960, 30]],
  ] as const)('%s, %s of the canvas', (kind, share, [width, height, rate]) =>
    expect(planFilm(kind, canvas, 2000, share)).toEqual({
      kind,
      widthPx: width,
      heightPx: height,
      framesPerSecond: rate,
      lengthMs: 2000,
    }),
  )
  it('is drawn at moments that exist, which fill all of its length', () => {
    for (const framesPerSecond of [10, 24, 30, 60, 120])
      for (const lengthMs of [1, 99, 1000, 1001, 7345]) {
        const plan = planFilm('webm', { ...canvas, framesPerSecond }, lengthMs, 'whole')
        const frames = Array.from({ length: framesOf(plan) }, (_, frame) => frameAt(plan, frame))
        expect(frames[0]?.at).toBe(0)
        expect(frames.every(({ at }) => at < lengthMs)).toBe(true)
        expect(frames.reduce((sum, { lasts }) => sum + lasts, 0)).toBe(lengthMs)
      }
  })
})

describe('what changed between two pictures', () => {
  const picture = (...dots: [x: number, y: number][]) => {
    const pixels = new Uint32Array(10 * 8)
    for (const [x, y] of dots) pixels[y * 10 + x] = 0xff0000ff
    return pixels
  }
  it('is nothing where they are the same', () => expect(changedBox(picture([3, 3]), picture([3, 3]), 10, 8)).toBeNull())
  it('of a first picture is what is seen of it', () =>
    expect(changedBox(null, picture([4, 2], [6, 5]), 10, 8)).toEqual({ xPx: 4, yPx: 2, widthPx: 3, heightPx: 4 }))
  it('begins at an even place', () =>
    expect(changedBox(picture(), picture([3, 5], [9, 7]), 10, 8)).toEqual({
      xPx: 2,
      yPx: 4,
      widthPx: 8,
      heightPx: 4,
    }))
  it('holds what came and what went', () =>
    expect(changedBox(picture([0, 0]), picture([9, 7]), 10, 8)).toEqual({ xPx: 0, yPx: 0, widthPx: 10, heightPx: 8 }))
})

describe('a frame in planes', () => {
  const rgba = (...pixels: [r: number, g: number, b: number, a: number][]) =>
    new Uint32Array(new Uint8ClampedArray(pixels.flat()).buffer)
  /** The colours that a decoder makes of it, by the same recommendation. */
  function decoded({ colour }: { colour: Uint8Array }, at: number, chromaAt: number, pixels: number, chroma: number) {
    const light = ((colour[at] ?? 0) - 16) / 219
    const blue = ((colour[pixels + chromaAt] ?? 0) - 128) / 224
    const red = ((colour[pixels + chroma + chromaAt] ?? 0) - 128) / 224
    const r = light + 1.5748 * red
    const b = light + 1.8556 * blue
    return [r, (light - 0.2126 * r - 0.0722 * b) / 0.7152, b].map((value) => Math.round(value * 255))
  }
  it.each([
    [255, 0, 0],
    [0, 255, 0],
    [0, 0, 255],
    [255, 255, 255],
    [0, 0, 0],
    [255, 194, 71],
  ])('keeps the colour %i %i %i', (r, g, b) => {
    const frame = toYuv(rgba([r, g, b, 255], [r, g, b, 255], [r, g, b, 255], [r, g, b, 255]), 2, 2)
    decoded(frame, 0, 0, 4, 1).forEach((value, channel) =>
      expect(Math.abs(value - ([r, g, b][channel] ?? 0))).toBeLessThanOrEqual(2),
    )
  })
  it('keeps the alpha as it is, in a frame without colours', () => {
    const { alpha } = toYuv(rgba([9, 9, 9, 0], [9, 9, 9, 1], [9, 9, 9, 128], [9, 9, 9, 255]), 2, 2)
    expect([...alpha]).toEqual([0, 1, 128, 255, 128, 128])
  })
  it('gives what is not seen the colour of what is seen near it', () => {
    const frame = toYuv(rgba([255, 0, 0, 255], [0, 0, 0, 0], [0, 0, 0, 0], [0, 0, 0, 0]), 2, 2)
    expect(new Set(frame.colour.subarray(0, 4)).size).toBe(1)
    expect(decoded(frame, 3, 0, 4, 1)[0]).toBeGreaterThan(250)
  })
  it('mixes colours by how much is seen of them', () => {
    const frame = toYuv(rgba([255, 0, 0, 250], [0, 0, 255, 2], [255, 0, 0, 250], [0, 0, 255, 2]), 2, 2)
    const pure = toYuv(rgba([255, 0, 0, 255], [255, 0, 0, 255], [255, 0, 0, 255], [255, 0, 0, 255]), 2, 2)
    expect(Math.abs((frame.colour[4] ?? 0) - (pure.colour[4] ?? 0))).toBeLessThanOrEqual(2)
  })
  it('of odd size has colours for its last line and row', () => {
    const frame = toYuv(
      rgba(...Array.from({ length: 9 }, (): [number, number, number, number] => [0, 0, 255, 255])),
      3,
      3,
    )
    expect(frame.colour).toHaveLength(9 + 2 * 4)
    for (let at = 0; at < 4; at++) expect(frame.colour[9 + at]).toBe(frame.colour[9])
  })
})

describe('an animated WebP', () => {
  const ascii = (bytes: Uint8Array) => String.fromCharCode(...bytes)
  const chunk = (name: string, ...bytes: number[]) =>
    Uint8Array.from([
      ...[...name].map((each) => each.charCodeAt(0)),
      bytes.length,
      0,
      0,
      0,
      ...bytes,
      ...(bytes.length % 2 ? [0] : []),
    ])
  const still = (...chunks: Uint8Array[]) => {
    const body = chunks.flatMap((each) => [...each])
    return Uint8Array.from([...chunk('RIFF'), ...[...'WEBP'].map((each) => each.charCodeAt(0)), ...body])
  }
  const file = still(chunk('VP8X', 1, 2, 3), chunk('ICCP', 7), chunk('ALPH', 4, 5, 6), chunk('VP8 ', 9, 9))

  it('takes alpha and pixels of its pictures, and nothing else', () =>
    expect(pictureChunks(file).map((each) => ascii(each.subarray(0, 4)))).toEqual(['ALPH', 'VP8 ']))
  it('takes no other file', () => {
    expect(() => pictureChunks(new TextEncoder().encode('a PNG that says so, at length'))).toThrow('no WebP')
    expect(() => pictureChunks(still(chunk('EXIF', 1)))).toThrow('no picture')
  })
  it('is as long as it says, places its pictures, and says how long each stays', () => {
    const made = animatedWebp(640, 360, [
      { box: { xPx: 20, yPx: 40, widthPx: 100, heightPx: 50 }, durationMs: 1000, still: file },
      { box: { xPx: 0, yPx: 0, widthPx: 2, heightPx: 2 }, durationMs: 33, still: still(chunk('VP8L', 1)) },
    ])
    const view = new DataView(made.buffer)
    expect(view.getUint32(4, true)).toBe(made.length - 8)
    const found: [name: string, at: number][] = []
    for (let at = 12; at < made.length;) {
      found.push([ascii(made.subarray(at, at + 4)), at + 8])
      const length = view.getUint32(at + 4, true)
      at += 8 + length + (length % 2)
    }
    expect(found.map(([name]) => name)).toEqual(['VP8X', 'ANIM', 'ANMF', 'ANMF'])
    const [, , first] = found
    expect([...made.subarray(first?.[1], (first?.[1] ?? 0) + 16)]).toEqual([
      ...[10, 0, 0, 20, 0, 0, 99, 0, 0, 49, 0, 0, 0xe8, 3, 0, 2],
    ])
    expect([...made.subarray(found[0]?.[1], (found[0]?.[1] ?? 0) + 10)]).toEqual([0x12, 0, 0, 0, 127, 2, 0, 103, 1, 0])
  })
})
