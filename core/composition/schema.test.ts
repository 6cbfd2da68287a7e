import { describe, expect, it } from 'vitest'
import { lanternLook } from '../look/lanternLook.ts'
import { boxDocument } from './box.ts'
import { composition } from './schema.ts'
import { starterAlert, starterComposition } from './starter.ts'
import { eventKinds } from '../events/kinds.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import { unknownVariables } from '../remarks/content.ts'
import { resolveScore } from '../score/resolve.ts'
import { parseTemplate } from '../text/template.ts'
import { plainBox } from './plainBox.ts'

const canvas = { widthPx: 1080, heightPx: 1920, framesPerSecond: 30 }
const good = starterComposition(canvas, { headline: '{name}', second: 'joins' }, { pictureId: null, soundId: null })

describe('composition', () => {
  it('accepts what it starts with', () => expect(composition.parse(good)).toEqual(good))

  it.each([
    ['a part of no known kind', { ...good, parts: [{ kind: 'script', id: 'x' }] }, 'parts.0.kind'],
    ['two parts of one name', { ...good, parts: [good.parts[0], good.parts[0]] }, 'parts.1.id'],
    [
      'an anchor that is no anchor',
      {
        ...good,
        parts: [{ ...good.parts[0], clip: { ...good.parts[0]?.clip, start: { at: 'somewhere', offsetMs: 0 } } }],
      },
      'parts.0.clip.start.at',
    ],
    [
      'ten thousand parts',
      { ...good, parts: Array.from({ length: 10_000 }, (_, index) => ({ ...good.parts[0], id: `p${index}` })) },
      'parts',
    ],
    ['an hour', { ...good, length: { rule: 'fixed', ms: 3_600_000 } }, 'length.ms'],
    ['a later version', { ...good, version: 5 }, 'version'],
  ])('refuses %s, with the path', (_what, value, path) => {
    const checked = composition.safeParse(value)
    expect(checked.error?.issues.map((issue) => issue.path.join('.'))).toContain(path)
  })

  it('refuses two alerts for one kind of event', () => {
    const alert = starterAlert('tip', canvas, { pictureId: null, soundId: null })
    const box = plainBox(canvas, [alert, { ...alert, id: 'other' }])
    expect(boxDocument.safeParse(box).error?.issues[0]?.path).toEqual(['alerts', 1, 'kinds', 0])
  })
})

describe.each(eventKinds)('the alert that %s starts with', (kind) => {
  const alert = starterAlert(kind, canvas, { pictureId: null, soundId: null })

  it('is valid and plays', () => {
    const [variation] = alert.variations
    const score =
      variation &&
      resolveScore(variation.composition, {
        canvas,
        look: lanternLook,
        zones: [],
        event: sampleEvent(kind),
        locale: 'en-IE',
        media: {},
      })
    expect(score?.ok).toBe(true)
    if (score?.ok)
      for (const part of score.value.parts) if (part.kind === 'line') expect(part.pieces.length).toBeGreaterThan(0)
  })

  it('uses only variables that this kind carries', () => {
    for (const part of alert.variations[0]?.composition.parts ?? []) {
      if (part.kind !== 'line') continue
      expect(unknownVariables(parseTemplate(part.template).nodes, [kind], { parts: [] })).toEqual([])
    }
  })
})
