import type { motionRoles, MotionName } from '../../../core/motion/schema.ts'

export const motionWords: Record<MotionName, string> = {
  none: 'at once',
  fade: 'fade',
  rise: 'rise',
  sink: 'sink',
  fromLeft: 'a little from the left',
  fromRight: 'a little from the right',
  slideLeft: 'over the left edge',
  slideRight: 'over the right edge',
  slideTop: 'over the top edge',
  slideBottom: 'over the bottom edge',
  zoom: 'zoom',
  loom: 'loom',
  spring: 'spring',
  drop: 'drop',
  roll: 'roll',
  turn: 'turn',
  swing: 'swing',
  unfold: 'unfold',
  wipe: 'wipe',
  focus: 'come into focus',
}

export const motionRoleWords: Record<(typeof motionRoles)[number], string> = {
  enter: 'things enter',
  words: 'words enter',
  leave: 'all leave',
}
