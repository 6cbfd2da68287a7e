import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { animations } from './animation.ts'
import { artworks } from './artwork.ts'
import catalogue from './files/catalogue.json'
import { syntheses } from './synthesis.ts'
import { render, sampleRateHz, toWav } from './voices.ts'

const fileOf = (name: string) => readFileSync(new URL(`./files/${name}`, import.meta.url))
const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex')

describe('the demo media', () => {
  it('are all in the catalogue, with their licence, and are what it says', () => {
    expect(catalogue.map((entry) => entry.file)).toEqual([
      ...artworks.map((artwork) => `${artwork.file}.png`),
      ...animations.map((animation) => `${animation.file}.webp`),
      'flames.webm',
      ...syntheses.map((synthesis) => `${synthesis.file}.wav`),
    ])
    for (const { file, sha256: expected, bytes, licence } of catalogue) {
      expect([sha256(fileOf(file)), fileOf(file).length, licence]).toEqual([expected, bytes, 'CC0-1.0'])
    }
  })

  it.each(syntheses.map((synthesis) => [synthesis.file, synthesis] as const))(
    '%s comes out of its script byte for byte',
    (file, synthesis) => {
      expect(sha256(toWav(render(synthesis)))).toBe(sha256(fileOf(`${file}.wav`)))
    },
  )

  it.each(syntheses.map((synthesis) => [synthesis.file, synthesis] as const))(
    '%s is neither clipped nor clicks at its end',
    (_file, synthesis) => {
      const samples = render(synthesis)
      expect(samples.length).toBe(Math.round(synthesis.seconds * sampleRateHz))
      expect(samples.every((sample) => Number.isFinite(sample) && Math.abs(sample) <= 0.7001)).toBe(true)
      expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(0.01)
    },
  )
})
