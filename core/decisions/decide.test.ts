import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { decide } from './decide.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const alert = starterAlert('raid', canvas, { pictureId: null, soundId: null })
const box: BoxDocument = { version: 1, canvas, look: lanternLook, alerts: [alert] }

describe('decide', () => {
  it('plays the variation of the alert of that kind', () => {
    const { decision, variation } = decide('raid', box)
    expect(decision).toMatchObject({ outcome: 'plays', alertId: 'raid', variationName: 'Everyday' })
    expect(variation).toBe(alert.variations[0])
  })

  it.each([
    ['never on air', null, 'not been put on air'],
    ['no alert of that kind', { ...box, alerts: [] }, 'no alert for this kind'],
    ['switched off', { ...box, alerts: [{ ...alert, isOn: false }] }, 'switched off'],
  ])('plays nothing and says why: %s', (_case, onAir, reason) => {
    const { decision, variation } = decide('raid', onAir)
    expect(decision).toMatchObject({ outcome: 'nothing', reason: expect.stringContaining(reason) })
    expect(variation).toBeNull()
  })
})
