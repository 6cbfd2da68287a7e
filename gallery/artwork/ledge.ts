import { placed, square } from './draw.ts'

/** Birds on a window ledge, in one colour and its shades. */
export const feather = '#8CC7A6'
const shade = '#3F7F61'
const dark = '#12241B'
const pale = '#E9F6EE'

const bird = `<path d="M-150 40 C-150 -60 -70 -110 10 -110 C90 -110 130 -60 132 -6 C190 10 230 50 250 96 C200 84 170 92 140 110 C100 150 -10 164 -70 140 C-120 120 -150 90 -150 40 Z" fill="${feather}"/>
  <path d="M-150 40 l-76 -22 70 -26 Z" fill="${pale}"/><path d="M-20 20 C40 -10 110 6 132 60 C90 110 10 118 -30 84 Z" fill="${shade}"/>
  <circle cx="-84" cy="-20" r="17" fill="${dark}"/><circle cx="-90" cy="-26" r="6" fill="${pale}"/><path d="M-20 148 v54 M40 150 v52" stroke="${dark}" stroke-width="14" stroke-linecap="round"/>`
const ledge = `<path d="M40 540 H600" stroke="${shade}" stroke-width="34" stroke-linecap="round"/>`

export const ledgePictures = {
  arrival: square(
    `${ledge}${placed(320, 330, 1, bird)}<path d="M500 120 q40 -50 80 0 M70 150 q36 -44 70 0" fill="none" stroke="${pale}" stroke-width="16" stroke-linecap="round"/>`,
  ),
  support: square(
    `${ledge}${placed(350, 340, 0.95, bird)}<path d="M120 250 C60 190 90 130 140 140 C170 146 180 170 180 180 C180 170 194 144 224 140 C274 132 300 196 240 250 L180 306 Z" fill="${pale}"/>`,
  ),
  crowd: square(`${ledge}${placed(170, 408, 0.6, bird)}${placed(480, 408, 0.6, bird)}${placed(330, 300, 0.72, bird)}`),
  great: square(
    `<circle cx="320" cy="300" r="240" fill="${pale}" opacity=".28"/><circle cx="320" cy="300" r="170" fill="${pale}" opacity=".5"/>${ledge}${placed(320, 330, 1.08, bird)}`,
  ),
}
