import { describe, expect, it } from 'vitest'
import { readConfig } from './config.ts'

describe('readConfig', () => {
  it('has a default for everything', () => {
    expect(readConfig({})).toMatchObject({
      PORT: 4410,
      HOST: '127.0.0.1',
      THUNDERCREST_DATA: '.data',
      THUNDERCREST_DEMO: false,
    })
  })

  it('takes an empty variable for one that is not set', () =>
    expect(readConfig({ DATABASE_URL: '' }).DATABASE_URL).toBeUndefined())

  it('stops with one line that names every bad variable, and none of their values', () => {
    const bad = { PORT: 'eighty', DATABASE_URL: 'mysql://user:hunter2@x', THUNDERCREST_SECRET: 'short' }
    expect(() => readConfig(bad)).toThrow(
      /^Thundercrest cannot start: .*PORT.*DATABASE_URL.*THUNDERCREST_SECRET[^\n]*$/,
    )
    expect(() => readConfig(bad)).not.toThrow(/hunter2|eighty|"short"/)
  })
})
