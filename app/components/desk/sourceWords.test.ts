import { describe, expect, it } from 'vitest'
import type { SourceView } from '../../../contract/views.ts'
import { sourceFacts, sourceRemarks } from './sourceWords.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const source: SourceView = {
  ...{ id: 's', connectedAtMs: 0, latencyMs: 12, sound: 'on', widthPx: 1920, heightPx: 1080, missing: [], machine: '' },
  ...{ isSetAside: false, isHeard: true, isSilenced: false, isHidden: false, chromium: 127, frames: null },
}

describe('what is said of a source', () => {
  it('is nothing where all is well', () => {
    expect(sourceRemarks(source, canvas)).toEqual([])
    expect(sourceRemarks({ ...source, frames: { drawn: 400, dropped: 12 } }, canvas)).toEqual([])
  })
  it('says what to enter where it is of another size', () => {
    expect(sourceRemarks({ ...source, widthPx: 1280, heightPx: 720 }, canvas)).toEqual([
      'enter width 1920 and height 1080 in its program',
    ])
  })
  it('names what is worst first', () => {
    const bad = { ...source, isSetAside: true, missing: ['bell'], sound: 'blocked', isSilenced: true } as const
    expect(sourceRemarks({ ...bad, missing: [...bad.missing], frames: { drawn: 50, dropped: 50 } }, canvas)).toEqual([
      'never ready in time: others start without it. Load its page again.',
      'could not load: bell',
      'silent: click once into its page to let it be heard',
      '50 % of the last alert’s pictures came too late: is it set to 60 a second?',
      'all sound of this box is off',
    ])
  })
  it('tells its facts in a line', () => {
    expect(sourceFacts(source)).toBe('1920×1080 · 12 ms · Chromium 127')
    expect(sourceFacts({ ...source, latencyMs: null, chromium: null, frames: { drawn: 9, dropped: 3 } })).toBe(
      '1920×1080 · measuring · 3 dropped · no Chromium',
    )
  })
})
