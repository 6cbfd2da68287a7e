import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import type { EventKind } from '../events/kinds.ts'
import { historyKindsOf } from './historyKinds.ts'
import type { Rule } from './schema.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
function boxAsking(kinds: EventKind[], of: Rule['of'][number]): BoxDocument {
  const alert = starterAlert(kinds[0] ?? 'follow', canvas, { pictureId: null, soundId: null })
  return plainBox(canvas, [
    { ...alert, kinds, variations: alert.variations.map((each) => ({ ...each, rule: { match: 'any', of: [of] } })) },
  ])
}

describe('kinds whose history is asked for', () => {
  it('are those of alerts with such a rule, also one in a group', () => {
    const inGroup = { match: 'none' as const, of: [{ field: 'since', is: 'atMost' as const, value: 60 }] }
    const asked = historyKindsOf([
      boxAsking(['follow', 'raid'], { field: 'visit', is: 'oneOf', values: ['first'] }),
      boxAsking(['tip'], inGroup),
    ])
    expect([...asked].sort()).toEqual(['follow', 'raid', 'tip'])
  })
  it('are none where nobody asks', () =>
    expect(historyKindsOf([boxAsking(['tip'], { field: 'amount', is: 'atLeast', value: 500 })]).size).toBe(0))
})
