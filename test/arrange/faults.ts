import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** What people design on a stage, with outlines that the tool cannot see; everything around it is ours. */
export const artwork = '[data-part]'

/**
 * Nothing on the page keeps anybody out. Our pages have no frames, so the tool looks through the page itself, which is
 * three times as fast.
 * @param leftOut what is not looked at, as a selector
 */
export async function expectNoFaults(page: Page, leftOut?: string): Promise<void> {
  await expectNothingSideways(page)
  const tool = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true)
  const { violations } = await (leftOut === undefined ? tool : tool.exclude(leftOut)).analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(' | ')}`)).toEqual(
    [],
  )
}

/** Nothing has to be scrolled sideways to be seen, with bars that take room. */
export async function expectNothingSideways(page: Page): Promise<void> {
  const sideways = await page.evaluate(() =>
    [...document.querySelectorAll('*')].flatMap((element) => {
      const { overflowX } = getComputedStyle(element)
      const isRoot = element === document.documentElement
      if (!isRoot && overflowX !== 'auto' && overflowX !== 'scroll') return []
      // What is said to readers of screens alone is a pixel wide.
      if (element.clientWidth <= 1 || element.scrollWidth <= element.clientWidth + 1) return []
      const name = element.getAttribute('aria-label') ?? element.className
      return [`${element.tagName.toLowerCase()} ${name}: ${element.scrollWidth} in ${element.clientWidth}`]
    }),
  )
  expect(sideways).toEqual([])
}
