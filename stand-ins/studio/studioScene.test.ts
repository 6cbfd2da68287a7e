import { describe, expect, it } from 'vitest'
import { studioErrors, studioScenes, type StudioOrder } from '../../contract/studioLink.ts'
import { bakeryStudio, obey, scenesOf, type StudioState } from './studioScene.ts'

function after(...orders: StudioOrder[]): StudioState {
  return orders.reduce((state, order) => {
    const obeyed = obey(state, order)
    if (!obeyed.ok) throw new Error(obeyed.message)
    return obeyed.state
  }, bakeryStudio())
}
const create = (scenes: string[], widthPx = 1920): StudioOrder => ({
  method: 'source.create',
  params: {
    ...{ key: 'box:b', name: 'Clock', url: 'http://127.0.0.1/source/x', heightPx: 1080, framesPerSecond: 60 },
    ...{ scenes, widthPx },
  },
})

describe('the simulated studio', () => {
  it('says what it shows as the link has it', () => {
    const shows = scenesOf(bakeryStudio())
    expect(studioScenes.parse(shows)).toEqual(shows)
    expect([shows.programme, shows.scenes.length]).toEqual(['Bench cam', 4])
  })

  it('switches, shows, hides and writes; what it does not have it says by code', () => {
    const state = after(
      { method: 'scene.set', params: { scene: 'Oven cam' } },
      { method: 'source.show', params: { source: 'Flour cloud', isShown: true } },
      { method: 'text.set', params: { source: 'Price board', text: 'bread' } },
    )
    expect(state.programme).toBe('Oven cam')
    expect(state.layers.map(({ isShown, text }) => [isShown, text])).toEqual([
      [true, ''],
      [true, 'bread'],
      [true, ''],
    ])
    expect(obey(state, { method: 'scene.set', params: { scene: 'Cellar' } })).toMatchObject({
      code: studioErrors.noSuchScene,
    })
    expect(obey(state, { method: 'source.show', params: { source: 'Cellar', isShown: true } })).toMatchObject({
      code: studioErrors.noSuchSource,
    })
    expect(obey(state, create(['Cellar']))).toMatchObject({ code: studioErrors.noSuchScene })
  })

  it('takes a browser source once, under a name of its own, and brings it up to date', () => {
    const state = after(create(['Oven cam']), create(['Bench cam'], 1280))
    const made = state.layers.filter(({ browser }) => browser)
    expect(made).toHaveLength(1)
    expect(made[0]).toMatchObject({ name: 'Clock 2', scenes: ['Oven cam', 'Bench cam'], browser: { widthPx: 1280 } })
  })
})
