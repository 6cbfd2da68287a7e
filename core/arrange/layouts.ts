/** How a picture and words can stand to each other. */
export const layoutNames = ['above', 'below', 'left', 'right', 'behind', 'fullScreen', 'lowerEdge', 'vertical'] as const
export type LayoutName = (typeof layoutNames)[number]

/** A box as ratios of the room that is left for the alert. */
export interface Slot {
  x: number
  y: number
  width: number
  height: number
}

/** Where the picture and the words go, and how they come there. */
export interface LayoutPlan {
  picture: Slot
  words: Slot
  /** How wide the words' text stands in its slot. */
  align: 'start' | 'middle' | 'end'
  pictureEnters: 'spring' | 'slideLeft' | 'slideRight' | 'fade' | 'slideBottom' | 'zoom'
  wordsEnter: 'rise' | 'fromLeft' | 'fromRight' | 'sink'
  /** The picture is drawn behind and fills its slot. */
  fillsSlot: boolean
}

/** Each layout once, seen with the camera at the right; mirroring turns left and right around. */
export const layoutPlans: Record<LayoutName, LayoutPlan> = {
  above: {
    picture: { x: 0.25, y: 0.06, width: 0.5, height: 0.52 },
    words: { x: 0.06, y: 0.62, width: 0.88, height: 0.32 },
    align: 'middle',
    pictureEnters: 'spring',
    wordsEnter: 'rise',
    fillsSlot: false,
  },
  below: {
    picture: { x: 0.25, y: 0.42, width: 0.5, height: 0.52 },
    words: { x: 0.06, y: 0.06, width: 0.88, height: 0.32 },
    align: 'middle',
    pictureEnters: 'spring',
    wordsEnter: 'sink',
    fillsSlot: false,
  },
  left: {
    picture: { x: 0.04, y: 0.18, width: 0.34, height: 0.64 },
    words: { x: 0.41, y: 0.28, width: 0.55, height: 0.44 },
    align: 'start',
    pictureEnters: 'slideLeft',
    wordsEnter: 'fromLeft',
    fillsSlot: false,
  },
  right: {
    picture: { x: 0.62, y: 0.18, width: 0.34, height: 0.64 },
    words: { x: 0.04, y: 0.28, width: 0.55, height: 0.44 },
    align: 'end',
    pictureEnters: 'slideRight',
    wordsEnter: 'fromRight',
    fillsSlot: false,
  },
  behind: {
    picture: { x: 0.2, y: 0.12, width: 0.6, height: 0.76 },
    words: { x: 0.1, y: 0.33, width: 0.8, height: 0.34 },
    align: 'middle',
    pictureEnters: 'zoom',
    wordsEnter: 'rise',
    fillsSlot: false,
  },
  fullScreen: {
    picture: { x: 0, y: 0, width: 1, height: 1 },
    words: { x: 0.08, y: 0.6, width: 0.84, height: 0.32 },
    align: 'middle',
    pictureEnters: 'fade',
    wordsEnter: 'rise',
    fillsSlot: true,
  },
  lowerEdge: {
    picture: { x: 0.05, y: 0.72, width: 0.16, height: 0.24 },
    words: { x: 0.23, y: 0.74, width: 0.7, height: 0.2 },
    align: 'start',
    pictureEnters: 'slideBottom',
    wordsEnter: 'fromLeft',
    fillsSlot: false,
  },
  vertical: {
    picture: { x: 0.1, y: 0.14, width: 0.8, height: 0.36 },
    words: { x: 0.06, y: 0.54, width: 0.88, height: 0.22 },
    align: 'middle',
    pictureEnters: 'spring',
    wordsEnter: 'rise',
    fillsSlot: false,
  },
}
