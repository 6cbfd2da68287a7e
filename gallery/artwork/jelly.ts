import { placed, square } from './draw.ts'

/** Jellies with faces. */
export const berry = '#FF6FB1'
const deep = '#B0246E'
const shine = '#FFD9EC'
const ink = '#3B0B26'
const sky = '#6FE0FF'

const jelly = (
  mouth: string,
) => `<path d="M-170 150 C-190 -10 -150 -170 0 -170 S190 -10 170 150 C150 190 120 150 90 176 C60 200 30 160 0 176 C-30 192 -60 156 -90 176 C-120 196 -154 186 -170 150 Z" fill="${berry}" stroke="${deep}" stroke-width="16" stroke-linejoin="round"/>
  <path d="M-104 -40 C-100 -92 -66 -122 -30 -126" fill="none" stroke="${shine}" stroke-width="24" stroke-linecap="round"/>
  <circle cx="-56" cy="4" r="24" fill="${ink}"/><circle cx="56" cy="4" r="24" fill="${ink}"/><circle cx="-48" cy="-4" r="9" fill="${shine}"/><circle cx="64" cy="-4" r="9" fill="${shine}"/>${mouth}`
const smile = `<path d="M-34 52 Q0 92 34 52" fill="none" stroke="${ink}" stroke-width="15" stroke-linecap="round"/>`
const open = `<path d="M-38 46 Q0 126 38 46 Z" fill="${ink}"/>`

export const jellyPictures = {
  arrival: square(
    `${placed(320, 350, 1.1, jelly(smile))}<path d="M512 330 q70 -60 66 -140" fill="none" stroke="${berry}" stroke-width="44" stroke-linecap="round"/><path d="M566 96 l10 -50 M606 120 l40 -30" stroke="${sky}" stroke-width="16" stroke-linecap="round"/>`,
  ),
  support: square(
    `${placed(320, 320, 1, jelly(open))}<rect x="200" y="430" width="240" height="160" rx="18" fill="${sky}" stroke="${ink}" stroke-width="14"/><path d="M320 430 V590 M200 490 H440" stroke="${ink}" stroke-width="14"/><path d="M320 430 C270 370 230 400 250 430 M320 430 C370 370 410 400 390 430" fill="none" stroke="${ink}" stroke-width="14"/>`,
  ),
  crowd: square(
    `${placed(150, 400, 0.62, jelly(smile))}${placed(490, 400, 0.62, jelly(smile))}${placed(320, 300, 0.84, jelly(open))}`,
  ),
  great: square(
    `${placed(320, 372, 1.12, jelly(open))}<path d="M196 190 L226 60 L280 130 L320 30 L360 130 L414 60 L444 190 Z" fill="#FFD34D" stroke="${ink}" stroke-width="16" stroke-linejoin="round"/>`,
  ),
}
