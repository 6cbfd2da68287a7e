import { expect, type Page } from '@playwright/test'
import type { DemoFile } from './server.ts'

/** The score room of one of the demo's boxes. */
export const box = (demo: DemoFile, index = 0) => `${demo.url}/boxes/${demo.boxes[index]?.id}`
/** What the room says once the server has everything. */
export const saved = (page: Page) => page.getByText(/^Saved( \d+ s ago)?$/)
/** Puts the box that is open on air, once all of it is saved, as its version of this number. */
export async function putOnAir(page: Page, version: number): Promise<void> {
  await expect(saved(page)).toBeVisible()
  await page.getByRole('button', { name: /^Put on air/ }).click()
  await page
    .getByRole('button', { name: /on air$/ })
    .last()
    .click()
  await expect(page.getByText(`On air: version ${version}`)).toBeVisible()
}
/**
 * Lets a page think that it is a day on which the demo's boxes have their everyday look: a season has another pace, too. Time goes
 * on as ever.
 */
export async function onAnEverydayDay(page: Page): Promise<void> {
  await page.addInitScript(
    (wantedMs) => {
      const Real = Date
      const byMs = wantedMs - Real.now()
      class Shifted extends Real {
        constructor(...given: unknown[]) {
          super(...((given.length === 0 ? [Real.now() + byMs] : given) as [number]))
        }
        static override now(): number {
          return Real.now() + byMs
        }
      }
      Object.assign(globalThis, { Date: Shifted })
    },
    Date.UTC(2026, 9, 20, 20),
  )
}
/** Runs a command by its name, with keys alone. */
export async function command(page: Page, name: string): Promise<void> {
  await page.keyboard.press('ControlOrMeta+k')
  await expect(page.getByLabel('Search commands')).toBeFocused()
  await page.keyboard.type(name)
  await expect(page.getByRole('option', { name: new RegExp(`^${name}`) }).first()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
}
/** A part's name in the score, which selects it. */
export const lane = (page: Page, name: string) =>
  page.getByRole('region', { name: 'Score' }).getByRole('button', { name, exact: true })
/** What the stage has drawn of a part. */
export const part = (page: Page, id: string) => page.getByRole('application').locator(`[data-part=${id}]`)

/**
 * Types words in the place of what a part says, as a person does. (Filling the editor's element sets the selection
 * behind its back.)
 */
export async function setWords(page: Page, part: string, words: string): Promise<void> {
  await page.getByLabel(`Words of ${part}`).click()
  await page.keyboard.press('ControlOrMeta+A')
  await page.keyboard.insertText(words)
}

/** Shows an alert that lets its viewers choose something with a name of this kind: where there is less room, that is a list. */
export async function showNamed(page: Page, name: 'long' | 'everyday'): Promise<void> {
  await page.getByRole('button', { name: /^Shown with a name that is/ }).click()
  await page.getByRole('option', { name: `${name} name` }).click()
}
