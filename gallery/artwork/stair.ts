import { square } from './draw.ts'

/** A stairwell at night. */
export const lamp = '#5FD0C5'
const dark = '#0C2A30'
const mid = '#1F6A70'
const pale = '#E6FBF8'
const warm = '#FFE2A0'

const steps = `<path d="M60 600 V520 H180 V440 H300 V360 H420 V280 H580 V600 Z" fill="${mid}" stroke="${dark}" stroke-width="14" stroke-linejoin="round"/>`
const cat = (x: number, y: number) =>
  `<g transform="translate(${x} ${y})"><path d="M-74 120 C-90 20 -60 -40 0 -44 C60 -40 90 20 74 120 Z" fill="${dark}"/><path d="M-62 -40 L-56 -116 L-16 -76 H16 L56 -116 L62 -40 C62 14 -62 14 -62 -40 Z" fill="${dark}"/><circle cx="-26" cy="-44" r="12" fill="${warm}"/><circle cx="26" cy="-44" r="12" fill="${warm}"/><path d="M72 110 q80 -6 66 -80" fill="none" stroke="${dark}" stroke-width="22" stroke-linecap="round"/></g>`
const door = (x: number, h: number, lit: string) =>
  `<path d="M${x} 580 V${580 - h} q0 -60 70 -60 q70 0 70 60 V580 Z" fill="${lit}" stroke="${dark}" stroke-width="14"/><circle cx="${x + 112}" cy="${580 - h / 2}" r="9" fill="${dark}"/>`

export const stairPictures = {
  arrival: square(
    `<circle cx="500" cy="120" r="84" fill="${warm}" opacity=".5"/><circle cx="500" cy="120" r="46" fill="${warm}"/>${steps}${cat(370, 240)}`,
  ),
  support: square(
    `<path d="M200 180 H440 V210 Q490 250 490 330 V520 Q490 580 430 580 H210 Q150 580 150 520 V330 Q150 250 200 210 Z" fill="${pale}" opacity=".5" stroke="${dark}" stroke-width="16"/><path d="M150 400 H490 V520 Q490 580 430 580 H210 Q150 580 150 520 Z" fill="${lamp}"/><rect x="180" y="110" width="280" height="74" rx="16" fill="${mid}" stroke="${dark}" stroke-width="16"/>${[
      [230, 450],
      [320, 420],
      [400, 470],
      [280, 520],
      [370, 530],
    ]
      .map(([x, y]) => `<circle cx="${x}" cy="${y}" r="34" fill="${warm}" stroke="${dark}" stroke-width="10"/>`)
      .join('')}`,
  ),
  crowd: square(
    `${door(40, 250, lamp)}${door(250, 360, warm)}${door(460, 250, lamp)}<path d="M20 592 H620" stroke="${dark}" stroke-width="20" stroke-linecap="round"/>`,
  ),
  great: square(
    `<path d="M110 590 V290 a210 210 0 0 1 420 0 V590 Z" fill="${mid}" stroke="${dark}" stroke-width="18"/><path d="M320 90 V590 M110 340 H530" stroke="${dark}" stroke-width="14"/><circle cx="400" cy="230" r="80" fill="${warm}"/><circle cx="366" cy="212" r="70" fill="${mid}"/>${cat(250, 470)}`,
  ),
}
