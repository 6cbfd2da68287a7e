import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/**
 * Nothing on the page keeps anybody out. The artwork on a stage is what people design, with outlines that the tool cannot see; everything
 * around it is ours. Our pages have no frames, so the tool looks through the page itself, which is three times as fast.
 */
export async function expectNoFaults(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).exclude('[data-part]').options({ resultTypes: ['violations'] }).setLegacyMode(true).analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(' | ')}`)).toEqual([])
}
