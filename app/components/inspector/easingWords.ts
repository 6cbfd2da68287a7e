import type { easingNames } from '../../../core/motion/easingSpec.ts'

/** What easings are called. */
export const easingWords: Record<(typeof easingNames)[number], string> = {
  linear: 'even',
  easeOut: 'slows down',
  easeIn: 'speeds up',
  easeInOut: 'soft at both ends',
  overshoot: 'a little too far and back',
  bounce: 'bounces',
}
