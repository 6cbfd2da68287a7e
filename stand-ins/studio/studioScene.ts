import type { StudioOrder, StudioScenes } from '../../contract/studioLink.ts'
import { studioErrors } from '../../contract/studioLink.ts'

/** Something that a scene shows. */
export interface StudioLayer {
  name: string
  scenes: string[]
  isShown: boolean
  /** A browser source that was put here over the link; null for the studio's own. */
  browser: { key: string; url: string; widthPx: number; heightPx: number; framesPerSecond: number } | null
  /** What stands in it, where it shows words. */
  text: string
}

/** All of a simulated studio. */
export interface StudioState {
  programme: string
  preview: string
  scenes: string[]
  layers: StudioLayer[]
  isLive: boolean
}

const own = (name: string, scenes: string[], isShown: boolean, text = ''): StudioLayer => ({
  ...{ name, scenes, isShown, text },
  browser: null,
})

/** A browser source that stands in scenes from the beginning. */
export interface StandingSource {
  id: string
  name: string
  sourceUrl: string
  scenes: string[]
  widthPx: number
  heightPx: number
  framesPerSecond: number
}

const standing = ({
  id,
  name,
  sourceUrl,
  scenes,
  widthPx,
  heightPx,
  framesPerSecond,
}: StandingSource): StudioLayer => ({
  ...{ name, scenes, isShown: true, text: '' },
  browser: { key: `box:${id}`, url: sourceUrl, widthPx, heightPx, framesPerSecond },
})

/** The studio of the night bakery. */
export function bakeryStudio(sources: readonly StandingSource[] = []): StudioState {
  const scenes = ['Oven cam', 'Bench cam', 'Street window', 'Back in five']
  return {
    programme: 'Bench cam',
    preview: 'Oven cam',
    scenes,
    isLive: false,
    layers: [
      own('Flour cloud', ['Oven cam', 'Bench cam', 'Street window'], false),
      own('Price board', ['Bench cam', 'Street window'], true, 'rye 4.20 · croissant 1.80 · bun 0.90'),
      own('Clock', scenes, true),
      ...sources.map(standing),
    ],
  }
}

/** What a studio says that it shows. */
export function scenesOf({ programme, scenes, layers, isLive }: StudioState): StudioScenes {
  return {
    programme,
    isLive,
    scenes,
    sources: layers.map(({ name, isShown, scenes: of, browser }) => ({
      ...{ name, isShown, scenes: of },
      ...(browser ? { key: browser.key, widthPx: browser.widthPx, heightPx: browser.heightPx } : {}),
    })),
  }
}

export type Obeyed = { ok: true; state: StudioState } | { ok: false; code: number; message: string }

const refused = (code: number, message: string): Obeyed => ({ ok: false, code, message })

/** Does what it is asked over the link. Pure. */
export function obey(state: StudioState, { method, params }: StudioOrder): Obeyed {
  const changed = (layers: StudioLayer[]): Obeyed => ({ ok: true, state: { ...state, layers } })
  const withLayer = (name: string, change: Partial<StudioLayer>): Obeyed =>
    state.layers.some((layer) => layer.name === name)
      ? changed(state.layers.map((layer) => (layer.name === name ? { ...layer, ...change } : layer)))
      : refused(studioErrors.noSuchSource, `there is no source “${name}”`)
  switch (method) {
    case 'scenes.list':
      return { ok: true, state }
    case 'scene.set':
      return state.scenes.includes(params.scene)
        ? { ok: true, state: { ...state, programme: params.scene } }
        : refused(studioErrors.noSuchScene, `there is no scene “${params.scene}”`)
    case 'source.show':
      return withLayer(params.source, { isShown: params.isShown })
    case 'text.set':
      return withLayer(params.source, { text: params.text })
    case 'source.create': {
      const { key, name, scenes, ...browser } = params
      const missing = scenes.find((scene) => !state.scenes.includes(scene))
      if (missing !== undefined) return refused(studioErrors.noSuchScene, `there is no scene “${missing}”`)
      const layer: StudioLayer = { name, scenes, isShown: true, text: '', browser: { key, ...browser } }
      // Asked for again it is brought up to date: it may be in more scenes then, and stays in those where it was.
      const known = state.layers.find((each) => each.browser?.key === key)
      if (!known) return changed([...state.layers, { ...layer, name: freeName(state, name) }])
      const all = [...new Set([...known.scenes, ...scenes])]
      return changed(state.layers.map((each) => (each === known ? { ...layer, name: known.name, scenes: all } : each)))
    }
  }
}

function freeName({ layers }: StudioState, name: string): string {
  const taken = new Set(layers.map((layer) => layer.name))
  for (let number = 1; ; number++) {
    const tried = number === 1 ? name : `${name} ${number}`
    if (!taken.has(tried)) return tried
  }
}
