import { around, placed, square } from './draw.ts'

/** Winter: crystals, mittens, people of snow. */
export const ice = '#7CC4EE'
const deep = '#1E4D7A'
const snow = '#F4FBFF'
const berry = '#E5707E'

const crystal = around(
  6,
  () =>
    `<path d="M320 320 V70 M320 150 l-52 -44 M320 150 l52 -44 M320 220 l-60 -46 M320 220 l60 -46" stroke="${snow}" stroke-width="22" stroke-linecap="round" fill="none"/>`,
)
const figure = (x: number, y: number, scale: number, scarf: string) =>
  placed(
    x,
    y,
    scale,
    `<circle cx="0" cy="110" r="120" fill="${snow}" stroke="${deep}" stroke-width="14"/><circle cx="0" cy="-60" r="84" fill="${snow}" stroke="${deep}" stroke-width="14"/><path d="M-86 4 Q0 50 86 4" fill="none" stroke="${scarf}" stroke-width="34" stroke-linecap="round"/><path d="M52 20 l26 90" stroke="${scarf}" stroke-width="30" stroke-linecap="round"/><circle cx="-28" cy="-74" r="11" fill="${deep}"/><circle cx="28" cy="-74" r="11" fill="${deep}"/><path d="M0 -58 l54 14 -54 12 Z" fill="${berry}"/><circle cx="0" cy="90" r="10" fill="${deep}"/><circle cx="0" cy="140" r="10" fill="${deep}"/>`,
  )

export const frostPictures = {
  arrival: square(
    `<circle cx="320" cy="320" r="270" fill="${ice}" opacity=".35"/>${crystal}<circle cx="320" cy="320" r="34" fill="${ice}"/>`,
  ),
  support: square(
    `<path d="M190 600 V360 C190 200 240 80 340 80 C440 80 470 180 470 300 V330 C480 250 560 250 560 330 C560 420 480 440 470 480 V600 Z" fill="${ice}" stroke="${deep}" stroke-width="18" stroke-linejoin="round"/><path d="M180 500 H480 V600 Q480 616 464 616 H196 Q180 616 180 600 Z" fill="${snow}" stroke="${deep}" stroke-width="18"/>${placed(330, 300, 0.3, `<g transform="translate(-320 -320)">${crystal}</g>`)}`,
  ),
  crowd: square(`${figure(150, 380, 0.78, ice)}${figure(490, 380, 0.78, ice)}${figure(320, 330, 1, berry)}`),
  great: square(
    `<circle cx="320" cy="320" r="300" fill="${ice}" opacity=".22"/><circle cx="320" cy="320" r="236" fill="${deep}" stroke="${ice}" stroke-width="18"/>${around(12, (index) => `<circle cx="320" cy="54" r="${index % 2 ? 12 : 22}" fill="${snow}"/>`)}${placed(320, 320, 0.86, `<g transform="translate(-320 -320)">${crystal}<circle cx="320" cy="320" r="44" fill="${berry}"/></g>`)}`,
  ),
}
