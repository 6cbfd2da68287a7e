import { placed, square } from './draw.ts'

/** Harvest: apples, a basket, a cart. */
export const apple = '#E0682F'
const dark = '#3A1508'
const wood = '#9A5B2B'
const straw = '#F3CE7A'
const leaf = '#7C9440'

const fruit = `<path d="M0 -80 C-40 -120 -150 -110 -150 10 C-150 110 -80 170 0 150 C80 170 150 110 150 10 C150 -110 40 -120 0 -80 Z" fill="${apple}" stroke="${dark}" stroke-width="16" stroke-linejoin="round"/><path d="M-96 -30 C-100 20 -84 66 -56 92" fill="none" stroke="#FFD9B8" stroke-width="22" stroke-linecap="round"/><path d="M0 -80 q-4 -60 28 -92" fill="none" stroke="${dark}" stroke-width="18" stroke-linecap="round"/><path d="M20 -110 C50 -170 120 -170 140 -140 C120 -96 60 -86 20 -110 Z" fill="${leaf}" stroke="${dark}" stroke-width="12"/>`
const pumpkin = `<ellipse cx="-84" cy="20" rx="92" ry="110" fill="${apple}" stroke="${dark}" stroke-width="14"/><ellipse cx="84" cy="20" rx="92" ry="110" fill="${apple}" stroke="${dark}" stroke-width="14"/><ellipse cx="0" cy="20" rx="88" ry="124" fill="#F08A4B" stroke="${dark}" stroke-width="14"/><path d="M-6 -100 q-6 -50 36 -60" fill="none" stroke="${leaf}" stroke-width="28" stroke-linecap="round"/>`

export const cartPictures = {
  arrival: square(placed(320, 350, 1.35, fruit)),
  support: square(
    `${placed(210, 250, 0.62, fruit)}${placed(430, 250, 0.62, fruit)}${placed(320, 200, 0.66, fruit)}<path d="M80 300 H560 L506 560 Q500 586 474 586 H166 Q140 586 134 560 Z" fill="${wood}" stroke="${dark}" stroke-width="18" stroke-linejoin="round"/>${[370, 450, 530].map((y, row) => `<path d="M${102 + row * 14} ${y} H${538 - row * 14}" stroke="${straw}" stroke-width="18" stroke-dasharray="46 24"/>`).join('')}`,
  ),
  crowd: square(
    `${placed(230, 220, 0.62, pumpkin)}${placed(420, 230, 0.6, pumpkin)}${placed(324, 170, 0.5, pumpkin)}<path d="M60 290 H570 L530 440 H110 Z" fill="${wood}" stroke="${dark}" stroke-width="18" stroke-linejoin="round"/><path d="M570 300 L632 250" stroke="${dark}" stroke-width="22" stroke-linecap="round"/>${[190, 450].map((x) => `<circle cx="${x}" cy="480" r="96" fill="none" stroke="${dark}" stroke-width="26"/><circle cx="${x}" cy="480" r="22" fill="${dark}"/><path d="M${x} 390 V570 M${x - 90} 480 H${x + 90} M${x - 64} 416 L${x + 64} 544 M${x + 64} 416 L${x - 64} 544" stroke="${dark}" stroke-width="14"/>`).join('')}`,
  ),
  great: square(
    `${[-44, -30, -16, 0, 16, 30, 44].map((turn) => `<g transform="rotate(${turn} 320 560)"><path d="M320 560 V180" stroke="${straw}" stroke-width="18"/>${[90, 140, 190, 240].map((y) => `<ellipse cx="292" cy="${y}" rx="20" ry="40" fill="${straw}" stroke="${dark}" stroke-width="8" transform="rotate(-22 292 ${y})"/><ellipse cx="348" cy="${y}" rx="20" ry="40" fill="${straw}" stroke="${dark}" stroke-width="8" transform="rotate(22 348 ${y})"/>`).join('')}</g>`).join('')}<path d="M220 430 Q320 480 420 430" fill="none" stroke="${apple}" stroke-width="56" stroke-linecap="round"/>`,
  ),
}
