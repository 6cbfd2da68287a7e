import { describe, expect, it } from 'vitest'
import { newBoxBody, saveDraftBody, welcomeBody } from './bodies.ts'
import { ok } from '../core/result.ts'
import { cloudEventOf, readCloudEvent, type ReadCloudEvent } from './cloudEvent.ts'
import { fromSource } from './sourceMessages.ts'

describe('a CloudEvent', () => {
  const good = {
    specversion: '1.0',
    id: 'e-1',
    source: 'till',
    type: 'thundercrest.event.tip.v1',
    time: '2026-11-25T01:00:00+01:00',
    data: { viewer: null, amountMinor: 500, currency: 'EUR' },
  }
  const kept: ReadCloudEvent = {
    ...{ externalId: 'e-1', source: 'till', kind: 'tip', data: { viewer: null, amountMinor: 500, currency: 'EUR' } },
    ...{ occurredAtMs: Date.UTC(2026, 10, 25), receivedAtMs: null, isTest: false },
  }

  it('is read: its kind, its data, its times, and that it is a test', () => {
    expect(readCloudEvent(good)).toEqual(ok(kept))
    const more = { ...good, receivedtime: '2026-11-25T00:00:01Z', istest: true }
    expect(readCloudEvent(more)).toEqual(ok({ ...kept, receivedAtMs: Date.UTC(2026, 10, 25, 0, 0, 1), isTest: true }))
    expect(readCloudEvent({ ...good, time: undefined })).toEqual(ok({ ...kept, occurredAtMs: null }))
  })

  it('that goes out comes in as the same', () => {
    const { occurredAtMs, ...of } = kept
    const at = new Date(occurredAtMs ?? 0)
    expect(readCloudEvent(cloudEventOf({ ...of, occurredAt: at, receivedAt: at }))).toEqual(
      ok({ ...kept, receivedAtMs: occurredAtMs }),
    )
  })

  it.each([
    ['specversion', { ...good, specversion: '0.3' }],
    ['id', { ...good, id: '' }],
    ['type', { ...good, type: 'thundercrest.event.haircut.v1' }],
    ['type', { ...good, type: 'thundercrest.event.tip.v2' }],
    ['time', { ...good, time: 'yesterday' }],
    ['time', { ...good, time: '1999-12-31T23:59:59Z' }],
    ['receivedtime', { ...good, receivedtime: '2100-01-01T00:00:00Z' }],
    ['source', { ...good, source: undefined }],
    ['data.amountMinor', { ...good, data: { ...good.data, amountMinor: 1.5 } }],
  ])('with a bad %s is refused', (path, value) =>
    expect(readCloudEvent(value)).toMatchObject({ ok: false, error: [{ path }] }),
  )
})

describe('saveDraftBody', () => {
  it('takes patches', () =>
    expect(
      saveDraftBody.safeParse({
        baseRevision: 0,
        patches: [{ op: 'replace', path: ['alerts', 0, 'isOn'], value: false }],
      }).success,
    ).toBe(true))

  it.each(['__proto__', 'constructor', 'prototype'])('refuses a path over %s', (step) => {
    expect(
      saveDraftBody.safeParse({ baseRevision: 0, patches: [{ op: 'add', path: [step, 'x'], value: 1 }] }).success,
    ).toBe(false)
  })

  it('refuses none, too many and too deep', () => {
    const patch = { op: 'remove', path: ['x'] }
    expect(saveDraftBody.safeParse({ baseRevision: 0, patches: [] }).success).toBe(false)
    expect(
      saveDraftBody.safeParse({ baseRevision: 0, patches: Array.from({ length: 5001 }, () => patch) }).success,
    ).toBe(false)
    expect(
      saveDraftBody.safeParse({
        baseRevision: 0,
        patches: [{ op: 'remove', path: Array.from({ length: 30 }, () => 'x') }],
      }).success,
    ).toBe(false)
  })
})

describe('what people type', () => {
  it('needs a name that is more than spaces', () => {
    expect(
      newBoxBody.safeParse({ name: '  ', canvas: { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 } }).success,
    ).toBe(false)
  })

  it('needs a password of ten characters', () => {
    const body = { code: 'x', channelName: 'a', personName: 'b', email: 'a@b.example', password: 'too short' }
    expect(welcomeBody.safeParse(body).error?.issues[0]?.message).toBe('ten characters or more')
  })
})

describe('fromSource', () => {
  it('bounds what a source may say', () => {
    const hello = { type: 'hello', shownPlayIds: [], sound: 'on', widthPx: 1920, heightPx: 1080 }
    expect(fromSource.safeParse(hello).success).toBe(true)
    expect(fromSource.safeParse({ ...hello, shownPlayIds: Array.from({ length: 201 }, () => 'p') }).success).toBe(false)
    expect(fromSource.safeParse({ type: 'shout' }).success).toBe(false)
  })
})
