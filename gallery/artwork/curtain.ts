import { around, placed, square } from './draw.ts'

/** Things of a theatre. */
export const brass = '#F2B84B'
const velvet = '#8E1F2F'
const dark = '#26070D'
const pale = '#FFF0D0'

const star = (r: number) =>
  `<path d="M0 ${-r} L${r * 0.29} ${-r * 0.31} L${r} ${-r * 0.26} L${r * 0.46} ${r * 0.2} L${r * 0.62} ${r * 0.84} L0 ${r * 0.5} L${-r * 0.62} ${r * 0.84} L${-r * 0.46} ${r * 0.2} L${-r} ${-r * 0.26} L${-r * 0.29} ${-r * 0.31} Z"/>`
const head = (x: number, y: number, scale: number, fill: string) =>
  placed(
    x,
    y,
    scale,
    `<circle cx="0" cy="-70" r="62" fill="${fill}"/><path d="M-120 150 C-120 20 -70 0 0 0 S120 20 120 150 Z" fill="${fill}"/>`,
  )

export const curtainPictures = {
  arrival: square(
    `<path d="M320 40 L560 560 H80 Z" fill="${pale}" opacity=".25"/><ellipse cx="320" cy="560" rx="240" ry="36" fill="${pale}" opacity=".5"/>${placed(320, 330, 1, `<g fill="${brass}" stroke="${dark}" stroke-width="14" stroke-linejoin="round">${star(200)}</g>`)}`,
  ),
  support: square(
    `<g transform="rotate(-10 320 320)"><path d="M70 210 H570 V286 A36 36 0 0 0 570 358 V434 H70 V358 A36 36 0 0 0 70 286 Z" fill="${brass}" stroke="${dark}" stroke-width="16" stroke-linejoin="round"/><path d="M420 214 V430" stroke="${dark}" stroke-width="10" stroke-dasharray="18 16"/><g fill="${velvet}">${placed(244, 326, 1, star(74))}</g></g>`,
  ),
  crowd: square(
    `${head(160, 330, 1, velvet)}${head(480, 330, 1, velvet)}${head(320, 300, 1.15, brass)}${head(90, 470, 1.1, dark)}${head(320, 480, 1.2, dark)}${head(550, 470, 1.1, dark)}`,
  ),
  great: square(
    `${around(16, (index) => `<path d="M320 320 L306 10 H334 Z" fill="${brass}" opacity="${index % 2 ? 0.4 : 0.8}"/>`)}<circle cx="320" cy="320" r="200" fill="${velvet}" stroke="${brass}" stroke-width="18"/><g fill="${pale}">${placed(320, 326, 1, star(140))}</g>`,
  ),
}
