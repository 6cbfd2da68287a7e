import { describe, expect, it } from 'vitest'
import type { PictureMeasured } from '../../../contract/media.ts'
import { measureFile } from './measureFile.ts'
import type { Refusal } from './refusal.ts'
import { clockMs, motionOf } from './svgMotion.ts'

const svg = (inside: string) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 50">${inside}</svg>`
const measuredOf = async (inside: string) => {
  const { mime, converted, measured } = await measureFile(Buffer.from(svg(inside)))
  return { mime, isKept: converted === null, measured: measured as PictureMeasured }
}
const turning =
  '<rect width="9" height="9"><animateTransform attributeName="transform" type="rotate" from="0" to="360" dur="2s" repeatCount="indefinite"/></rect>'

describe('how a drawing moves', () => {
  it.each([
    ['<rect/>', null],
    ['<style>rect { fill: red }</style><rect/>', null],
    [turning, { count: 1, roundMs: 2000, isEndless: true }],
    ['<animate dur="300ms" begin="1s" repeatCount="3"/>', { count: 1, roundMs: 1900, isEndless: false }],
    ['<animate id="a" dur="1s"/><animate begin="a.end+0.5s" dur="2s"/>', { count: 2, roundMs: 3500, isEndless: false }],
    [
      '<animate begin="b.end" dur="2s"/><animate id="b" dur="1s" begin="0s;c.end"/>',
      { count: 2, roundMs: 3000, isEndless: true },
    ],
    ['<animate dur="2s" repeatCount="indefinite"/><animate dur="3s" repeatCount="indefinite"/>', { roundMs: 6000 }],
    ['<animate dur="7s" repeatCount="indefinite"/><animate dur="61s" repeatCount="indefinite"/>', { roundMs: 60_000 }],
    ['<animate begin="click" dur="2s"/>', { count: 1, roundMs: 100, isEndless: false }],
    [
      '<style>@keyframes a { to { x: 1 } } rect { animation: a 1.5s .5s cubic-bezier(0.1, 2, 3, 1) 2 } g { animation: a 1s infinite, a 4s }</style>',
      { count: 3, roundMs: 4000, isEndless: true },
    ],
    [
      '<style>@keyframes a { to { x: 1 } } rect { animation-name: a; animation-duration: 800ms; animation-iteration-count: infinite }</style>',
      { roundMs: 800, isEndless: true },
    ],
    ['<style>rect { animation: a 1.5s }</style>', null],
  ])('%s', (inside, expected) => {
    const found = motionOf(svg(inside))
    if (expected === null) expect(found).toBeNull()
    else expect(found).toMatchObject(expected)
  })
  it.each([
    ['1.5s', 1500],
    ['200ms', 200],
    ['2min', 120_000],
    ['01:02.5', 62_500],
    ['-0.5s', -500],
    ['3', 3000],
    ['soon', null],
  ])('reads the clock value %s', (value, ms) => expect(clockMs(value)).toBe(ms))
})

describe('a drawing that moves', () => {
  it('is kept as it is, laid out whole, as large as a still one would be', async () => {
    const { mime, isKept, measured } = await measuredOf(turning)
    expect([mime, isKept]).toEqual(['image/svg+xml', true])
    expect(measured).toMatchObject({
      ...{ widthPx: 1600, heightPx: 800, durationMs: 2000, isEndless: true, frameCount: 1 },
      seen: { ink: { xPx: 0, yPx: 0, widthPx: 1600, heightPx: 800 } },
    })
  })
  it('of which too much moves stands still, and it is said', async () => {
    const { mime, measured } = await measuredOf(turning.repeat(1000))
    expect(mime).toBe('image/png')
    expect(measured.durationMs).toBeNull()
    expect(measured.standsStill).toContain('1000 things')
  })
  it.each([
    '<a><animate attributeName="href" to="javascript:alert(1)" dur="1s"/></a>',
    '<set attributeName="onclick" to="alert(1)"/>',
    `<style>@keyframes a { to { fill: u\\72l(https://example.invalid/a) } }</style>${turning}`,
    `<style>rect { background: image-set("https://example.invalid/a.png" 1x) }</style>${turning}`,
    `<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>${turning}`,
  ])('is refused with %s', async (inside) => {
    const refused = await measureFile(Buffer.from(svg(inside))).catch((error: Refusal) => error)
    expect(refused).toMatchObject({ reason: expect.stringMatching(/SVG/) as string })
  })
})
