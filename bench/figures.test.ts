import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { figureNotes } from './figureNotes.ts'
import { figuresPage, readKept } from './figuresPage.ts'

describe('docs/figures.md', () => {
  it('is what the benchmarks kept, and nothing written by hand', () => {
    expect(readFileSync(new URL('../docs/figures.md', import.meta.url), 'utf8')).toBe(figuresPage(readKept()))
  })

  it('has a section for every benchmark', () => {
    const names = readdirSync(import.meta.dirname)
      .filter((file) => file.endsWith('.bench.ts'))
      .map((file) => file.replace('.bench.ts', ''))
    expect(Object.keys(figureNotes).sort()).toEqual(names.sort())
    expect(
      readKept()
        .map(({ name }) => name)
        .sort(),
    ).toEqual(names.sort())
  })
})
