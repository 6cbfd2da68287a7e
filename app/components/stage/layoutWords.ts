import type { LayoutName } from '../../../core/arrange/layouts.ts'

/** What layouts are called. */
export const layoutWords: Record<LayoutName, string> = {
  above: 'picture above',
  below: 'picture below',
  left: 'picture left',
  right: 'picture right',
  behind: 'behind the words',
  fullScreen: 'full screen',
  lowerEdge: 'lower edge',
  vertical: 'vertical',
}
