import { build } from 'esbuild'
import type { Page } from '@playwright/test'

/** Which libraries move the same elements in the place of the player, and how their figures are called. */
export const movingPeers = [
  { what: '  peer: Web Animations alone, the same elements', start: 'platform' },
  { what: '  peer: anime.js, the same elements', start: 'anime' },
  { what: '  peer: Motion, the same elements', start: 'motion' },
] as const

/** Runs in the page: finds what the player has mounted and moves it as the score does. Each begins one and returns what ends it. */
const contents = `
import { animate as anime } from 'animejs'
import { animate as motion } from 'motion'
const seconds = 6
const parts = () => [...document.querySelectorAll('[data-part^=p]')].map((element) => {
  // Half way to the right and turned, as it is after three seconds: where it begins is told by its middle.
  const middle = new DOMMatrix(element.style.transform).transformPoint({ x: 80, y: 80 })
  const [x, y] = [middle.x - 140, middle.y - 80]
  element.style.transform = ''
  element.style.transformOrigin = '80px 80px'
  return { element, x, y, xs: Array.from({ length: 7 }, (_, at) => x + (at % 2 === 0 ? 0 : 60)), turns: Array.from({ length: 7 }, (_, at) => at * 40) }
})
const letters = () => [...document.querySelectorAll('[data-part^=t]')].flatMap((part) =>
  [...part.querySelectorAll(':scope > [aria-hidden]')].map((element, at) => ({ element, delay: at * 60 })))
globalThis.moving = {
  platform() {
    const made = [
      ...parts().map(({ element, xs, y, turns }) => element.animate(
        { transform: xs.map((x, at) => \`translate(\${x}px, \${y}px) rotate(\${turns[at]}deg)\`) }, { duration: seconds * 1000, iterations: Infinity })),
      ...letters().map(({ element, delay }) => element.animate(
        { transform: ['translate(0px, 0px)', 'translate(0px, -8px)', 'translate(0px, 0px)'] }, { duration: 900, delay, iterations: Infinity })),
    ]
    return () => made.forEach((each) => each.cancel())
  },
  anime() {
    const made = [
      ...parts().map(({ element, xs, y, turns }) => anime(element,
        { translateX: xs, translateY: [y, y], rotate: turns, duration: seconds * 1000, ease: 'linear', loop: true })),
      ...letters().map(({ element, delay }) => anime(element, { translateY: [0, -8, 0], duration: 900, delay, ease: 'linear', loop: true })),
    ]
    return () => made.forEach((each) => each.cancel())
  },
  motion() {
    const made = [
      ...parts().map(({ element, xs, y, turns }) => motion(element,
        { x: xs, y: [y, y], rotate: turns }, { duration: seconds, ease: 'linear', repeat: Infinity })),
      ...letters().map(({ element, delay }) => motion(element, { y: [0, -8, 0] }, { duration: 0.9, delay: delay / 1000, ease: 'linear', repeat: Infinity })),
    ]
    return () => made.forEach((each) => each.stop())
  },
}`

/** Brings the libraries to a page on which a score is mounted. */
export async function bringMovingPeers(page: Page): Promise<void> {
  const bundle = await build({
    ...{ stdin: { contents, resolveDir: process.cwd() }, bundle: true, write: false, format: 'iife' },
  })
  await page.addScriptTag({ content: bundle.outputFiles[0]?.text ?? '' })
}
