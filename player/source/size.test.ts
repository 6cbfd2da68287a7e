import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bundlePlayer } from '../../modules/player/bundle.ts'

/** What a browser source loads before any font or media, without vector animations; a board does with every kind of part. */
const maxBytes = { source: 20_000, board: 60_000 }

describe.each(['source', 'board'] as const)('the script of the %s page', (page) => {
  const folder = mkdtempSync(join(tmpdir(), 'thundercrest-player-'))
  let built: Awaited<ReturnType<typeof bundlePlayer>>
  beforeAll(async () => void (built = await bundlePlayer(page, folder, false)))
  afterAll(() => rmSync(folder, { recursive: true }))

  /** The script with everything that it loads at once: pieces that come when they are asked for are others. */
  const atOnce = (): string[] => {
    const files = new Set([built.script])
    for (const file of files)
      for (const { path, kind } of built.metafile.outputs[file]?.imports ?? [])
        if (kind === 'import-statement') files.add(path)
    return [...files]
  }

  it('holds nothing but our own rooms, however far behind an import: no schema library, no framework', () => {
    const inside = atOnce().flatMap((file) => Object.keys(built.metafile.outputs[file]?.inputs ?? {}))
    expect(inside.length).toBeGreaterThan(20)
    expect(inside.filter((input) => !/^(player|core|contract)\//.test(input))).toEqual([])
  })

  it('is small', () => {
    const bytes = atOnce().reduce((sum, file) => sum + gzipSync(readFileSync(resolve(file)), { level: 9 }).length, 0)
    expect(bytes).toBeLessThan(maxBytes[page])
  })
})
