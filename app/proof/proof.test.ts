import { unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { starterComposition } from '../../core/composition/starter.ts'
import type { FlashFinding } from '../../core/flash/flashMeter.ts'
import { countedRemarks, proofRows } from '../components/proofs/proofRows.ts'
import type { Remark } from '../../core/remarks/remark.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { calmSearch } from './calmSearch.ts'
import type { ProofPicture } from './drawCase.ts'
import { packWithProof } from './packWithProof.ts'
import { proofPage } from './proofPage.ts'

const remark = (type: Remark['type'], level: Remark['level'] = 'wrong', partId: string | null = null): Remark => ({
  ...{ type, partId, level, words: type, remedy: null },
})
const picture = (shownWith: string, remarks: Remark[] = [], change: ProofPicture['change'] = null): ProofPicture => ({
  ...{ key: shownWith, shownWith, picture: null, change, remarks, looked: null },
})

describe('the rows of a proof sheet', () => {
  const cases = [
    { key: 'fine', pictures: [picture('everyday'), picture('longest', [remark('tooLong', 'advice')])] },
    {
      key: 'hard',
      pictures: [
        picture('everyday', [remark('textCut', 'wrong', 'a')], { by: 0.2, before: null }),
        picture('longest', [remark('textCut', 'wrong', 'a'), remark('textCut', 'wrong', 'b')]),
        picture('emoji'),
      ],
    },
  ]
  const keys = (view: Parameters<typeof proofRows>[1], type: Parameters<typeof proofRows>[2] = null) =>
    proofRows(cases, view, type).map(
      ({ key, pictures }) => `${key} ${pictures.map((each) => each.shownWith).join(',')}`,
    )

  it('begin with problems, and hold what is looked at', () => {
    expect(keys('all')).toEqual(['hard everyday,longest,emoji', 'fine everyday,longest'])
    expect(keys('wrong')).toEqual(['hard everyday,longest'])
    expect(keys('advice')).toEqual(['hard everyday,longest', 'fine longest'])
    expect(keys('changed')).toEqual(['hard everyday'])
    expect(keys('all', 'tooLong')).toEqual(['fine longest'])
  })
  it('say what is remarked of several pictures once', () => {
    expect(proofRows(cases, 'wrong', null)[0]?.remarks.map(({ on }) => on)).toEqual([
      ['everyday', 'longest'],
      ['longest'],
    ])
  })
  it('count each kind of remark once a picture, most first', () => {
    const all = cases.flatMap(({ pictures }) => pictures)
    expect(countedRemarks(all, false)).toEqual([
      { type: 'textCut', count: 2 },
      { type: 'tooLong', count: 1 },
    ])
    expect(countedRemarks(all, true)).toEqual([{ type: 'textCut', count: 2 }])
  })
})

describe('what calms a flash', () => {
  const composition = starterComposition(
    { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 },
    { headline: '{name}', second: 'follows' },
    { pictureId: null, soundId: null },
  )
  const flash: FlashFinding = { is: 'general', fromMs: 0, untilMs: 900, changes: 8, area: 1 }
  /** A score that only says how opaque its parts are. */
  const resolve = ({ parts }: typeof composition) =>
    ({
      parts: parts.flatMap((part) =>
        'opacity' in part ? [{ id: part.id, place: {}, startMs: 0, endMs: 5000, opacity: part.opacity }] : [],
      ),
    }) as unknown as ResolvedScore
  const flashingWhile = (isBright: (opacityOf: (id: string) => number) => boolean) => {
    let drawn = 0
    const flashesOf = async (score: ResolvedScore, without: ReadonlySet<string> = new Set()) => {
      drawn += 1
      const opacityOf = (id: string) => {
        const part = score.parts.find((each) => each.id === id)
        return part && !without.has(id) && 'opacity' in part ? part.opacity : 0
      }
      return isBright(opacityOf) ? [flash] : []
    }
    return { flashesOf, drawn: () => drawn }
  }

  it('is the part without which it does not flash, no fainter than it has to be', async () => {
    const { flashesOf, drawn } = flashingWhile((of) => of('picture') > 0.4)
    expect(await calmSearch(composition, resolve, flashesOf, [flash])).toEqual([{ partId: 'picture', share: 0.35 }])
    expect(drawn()).toBeLessThanOrEqual(3 + 6)
  })
  it('is all that is seen where no part does it alone', async () => {
    const { flashesOf } = flashingWhile((of) => of('picture') + of('headline') > 0.6)
    const calmer = await calmSearch(composition, resolve, flashesOf, [flash])
    expect(calmer?.map(({ partId }) => partId)).toEqual(['picture', 'headline', 'second'])
    expect(calmer?.[0]?.share).toBe(0.25)
  })
  it('is nothing where nothing helps', async () => {
    expect(await calmSearch(composition, resolve, flashingWhile(() => true).flashesOf, [flash])).toBeNull()
  })
})

describe('a sheet to keep', () => {
  const page = proofPage({
    title: '<b>Counter</b> & co',
    made: 'today',
    ground: '#000',
    rows: [
      {
        title: 'Follow · "every time"',
        remarks: [{ words: '<script>alert(1)</script>', isWrong: true }],
        pictures: [
          {
            words: 'everyday',
            address: 'data:image/webp;base64,AA',
            before: 'data:image/webp;base64,BB',
            isWrong: true,
            isChanged: true,
          },
          { words: 'long', address: null, before: null, isWrong: false, isChanged: false },
        ],
      },
    ],
  })
  it('takes names and remarks as words, and asks for nothing', () => {
    expect(page).toContain('&lt;b&gt;Counter&lt;/b&gt; &amp; co')
    expect(page).not.toMatch(/<script|https?:|src="(?!data:)/)
    expect(page).toContain("default-src 'none'")
  })
  it('says how many pictures there are, and which have something to mend', () => {
    expect(page).toContain('2 pictures, 1 with something to mend')
    expect(page.match(/class="bad other"/g)).toHaveLength(2)
    expect(page).toContain('cannot be drawn')
  })
  it('goes into a pack beside what that holds', async () => {
    const pack = zipSync({ 'manifest.json': new TextEncoder().encode('{}'), 'media/a.png': new Uint8Array([1, 2, 3]) })
    const files = unzipSync(await packWithProof(pack, page))
    expect(Object.keys(files).sort()).toEqual(['manifest.json', 'media/a.png', 'proof-sheet.html'])
    expect([...(files['media/a.png'] ?? [])]).toEqual([1, 2, 3])
    expect(new TextDecoder().decode(files['proof-sheet.html'])).toBe(page)
    await expect(packWithProof(new Uint8Array([1, 2, 3]), page)).rejects.toThrow()
  })
})
