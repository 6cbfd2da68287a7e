import { inSeconds, type Remark, type RemarkContext } from './remark.ts'
import type { SeenFlash } from './seen.ts'

/** Flashes that may harm: more than three a second over a large piece of what one sees (WCAG 2.2, 2.3.1). */
export function flashRemarks({ seen }: RemarkContext): Remark[] {
  const worst = new Map<string, SeenFlash>()
  for (const flash of seen?.flashes ?? [])
    if (flash.changes > (worst.get(flash.is)?.changes ?? 0)) worst.set(flash.is, flash)
  return [...worst.values()].map(({ is, fromMs, changes, area, calmer }) => ({
    type: 'flashes',
    partId: calmer?.length === 1 ? (calmer[0]?.partId ?? null) : null,
    level: 'wrong',
    words: `It flashes${is === 'red' ? ' in red' : ''} ${Math.ceil(changes / 2)} times in the second from ${inSeconds(fromMs)} on, over ${Math.round(area * 100)} % of what one looks at. More than three can harm people with epilepsy.`,
    remedy: calmer && { type: 'calm', parts: [...calmer], label: 'Make it gentler' },
  }))
}
