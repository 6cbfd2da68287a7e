/** The pictures of Lantern Loaf, drawn as SVG on a square of 640. All are ours and CC0. */

const crust = '#B5642A'
const crumb = '#E0964B'
const pale = '#F6D79B'
const dark = '#3A1D0C'
const gold = '#FFC247'
const iron = '#5B6675'
const cream = '#FFF4DC'

function picture(body: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 640 640" width="640" height="640">${body}</svg>`
}

function steam(x: number, y: number, size: number): string {
  const path = `M${x} ${y} c ${-size} ${-size * 1.1} ${size} ${-size * 1.7} 0 ${-size * 3}`
  return `<path d="${path}" fill="none" stroke="${cream}" stroke-width="16" stroke-linecap="round" opacity=".8"/>`
}

function loafShape(x: number, y: number, scale: number, body = crust, top = crumb): string {
  return `<g transform="translate(${x} ${y}) scale(${scale})">
    <path d="M-250 90 C-270 -60 -150 -140 0 -140 S270 -60 250 90 Q245 130 200 130 H-200 Q-245 130 -250 90 Z" fill="${body}" stroke="${dark}" stroke-width="16" stroke-linejoin="round"/>
    <path d="M-222 60 C-226 -50 -130 -112 0 -112 S226 -50 222 60 Q120 4 0 4 T-222 60 Z" fill="${top}"/>
    ${[-120, 0, 120].map((cut) => `<path d="M${cut - 26} -78 q46 26 34 92" fill="none" stroke="${pale}" stroke-width="22" stroke-linecap="round"/>`).join('')}
  </g>`
}

const loaf = picture(`
  <ellipse cx="320" cy="548" rx="240" ry="26" fill="${dark}" opacity=".45"/>
  ${steam(210, 236, 34)}${steam(320, 206, 40)}${steam(430, 236, 34)}
  ${loafShape(320, 410, 1)}`)

const goldenCrust = picture(`
  ${Array.from({ length: 12 }, (_, index) => `<path d="M320 320 L302 30 L338 30 Z" transform="rotate(${index * 30} 320 320)" fill="${gold}" opacity="${index % 2 ? 0.55 : 0.9}"/>`).join('')}
  <circle cx="320" cy="320" r="206" fill="${dark}"/><circle cx="320" cy="320" r="190" fill="#5A3212"/>
  ${loafShape(320, 334, 0.62, '#D98A16', gold)}`)

const bell = picture(`
  <path d="M296 96 a24 24 0 0 1 48 0 v30 h-48 Z" fill="${iron}" stroke="${dark}" stroke-width="14"/>
  <g transform="rotate(14 320 110)">
    <circle cx="320" cy="520" r="44" fill="${crust}" stroke="${dark}" stroke-width="16"/>
    <path d="M320 116 C430 116 446 230 456 330 C462 398 486 430 512 462 Q520 490 490 490 H150 Q120 490 128 462 C154 430 178 398 184 330 C194 230 210 116 320 116 Z" fill="${gold}" stroke="${dark}" stroke-width="16" stroke-linejoin="round"/>
    <path d="M252 176 C222 214 224 300 212 372" fill="none" stroke="${cream}" stroke-width="22" stroke-linecap="round" opacity=".75"/>
    <path d="M150 430 H490" stroke="${crust}" stroke-width="16"/>
  </g>
  <path d="M104 214 q-44 50 -30 116 M566 262 q40 62 8 128" fill="none" stroke="${cream}" stroke-width="16" stroke-linecap="round"/>`)

const lantern = picture(`
  <circle cx="320" cy="350" r="270" fill="${gold}" opacity=".16"/><circle cx="320" cy="350" r="200" fill="${gold}" opacity=".22"/>
  <path d="M320 40 v60" stroke="${iron}" stroke-width="18" stroke-linecap="round"/>
  <circle cx="320" cy="70" r="36" fill="none" stroke="${iron}" stroke-width="16"/>
  <path d="M216 190 L320 96 L424 190 Z" fill="${iron}" stroke="${dark}" stroke-width="14" stroke-linejoin="round"/>
  <path d="M226 196 H414 L448 500 H192 Z" fill="#FFE7A8" stroke="${dark}" stroke-width="16" stroke-linejoin="round"/>
  <path d="M320 300 C376 372 372 452 320 462 C268 452 264 372 320 300 Z" fill="#F08A24"/><path d="M320 370 C346 408 344 448 320 454 C296 448 294 408 320 370 Z" fill="${cream}"/>
  <path d="M290 196 L276 500 M350 196 L364 500" stroke="${dark}" stroke-width="10" opacity=".55"/>
  <rect x="176" y="496" width="288" height="52" rx="14" fill="${iron}" stroke="${dark}" stroke-width="14"/>`)

const bun = (x: number, y: number) =>
  `<g transform="translate(${x} ${y})"><path d="M-72 34 C-76 -30 -40 -62 0 -62 S76 -30 72 34 Q70 50 50 50 H-50 Q-70 50 -72 34 Z" fill="${crumb}" stroke="${dark}" stroke-width="12"/><path d="M-34 -22 L34 20 M34 -22 L-34 20" stroke="${pale}" stroke-width="12" stroke-linecap="round"/></g>`

const tray = picture(`
  ${steam(180, 170, 26)}${steam(320, 140, 30)}${steam(460, 170, 26)}
  ${bun(150, 350)}${bun(320, 350)}${bun(490, 350)}${bun(234, 256)}${bun(406, 256)}
  <path d="M60 400 H580 L540 500 Q534 516 516 516 H124 Q106 516 100 500 Z" fill="${iron}" stroke="${dark}" stroke-width="16" stroke-linejoin="round"/>
  <path d="M40 404 H600" stroke="${dark}" stroke-width="20" stroke-linecap="round"/>
  <path d="M120 440 H520" stroke="#8C97A6" stroke-width="12" stroke-linecap="round"/>`)

const croissant = picture(`
  <path d="M70 430 C60 330 130 210 250 176 Q320 156 390 176 C510 210 580 330 570 430 Q560 470 520 458 C470 380 400 346 320 346 S170 380 120 458 Q80 470 70 430 Z" fill="${crumb}" stroke="${dark}" stroke-width="16" stroke-linejoin="round"/>
  ${[-152, -54, 54, 152].map((at) => `<path d="M${320 + at * 0.75} ${186 + Math.abs(at) * 0.22} Q${320 + at * 1.05} ${280 + Math.abs(at) * 0.2} ${320 + at * 1.12} ${356 + Math.abs(at) * 0.34}" fill="none" stroke="${crust}" stroke-width="20" stroke-linecap="round"/>`).join('')}
  <path d="M160 250 Q220 200 290 200" fill="none" stroke="${pale}" stroke-width="18" stroke-linecap="round"/>`)

const rye = picture(`
  <ellipse cx="320" cy="500" rx="230" ry="24" fill="${dark}" opacity=".45"/>
  <ellipse cx="320" cy="350" rx="246" ry="150" fill="#6B3F22" stroke="${dark}" stroke-width="16"/>
  <path d="M120 320 Q320 150 520 320" fill="none" stroke="#8A5A36" stroke-width="34" stroke-linecap="round" opacity=".8"/>
  ${[-130, -44, 44, 130].map((at) => `<path d="M${320 + at} ${272 + Math.abs(at) * 0.16} l46 118" stroke="${cream}" stroke-width="16" stroke-linecap="round" opacity=".85"/>`).join('')}`)

const plainBun = picture(`
  <ellipse cx="320" cy="520" rx="200" ry="24" fill="${dark}" opacity=".45"/>
  <path d="M110 430 C100 250 190 150 320 150 S540 250 530 430 Q524 500 450 500 H190 Q116 500 110 430 Z" fill="${crumb}" stroke="${dark}" stroke-width="16"/>
  <path d="M150 360 C170 250 240 196 320 196" fill="none" stroke="${pale}" stroke-width="22" stroke-linecap="round"/>
  ${[
    [250, 300],
    [330, 250],
    [410, 310],
    [300, 380],
    [390, 400],
  ]
    .map(([x, y]) => `<ellipse cx="${x}" cy="${y}" rx="16" ry="9" fill="${cream}" transform="rotate(-24 ${x} ${y})"/>`)
    .join('')}`)

const pretzel = picture(`
  <path d="M320 470 C140 470 90 330 150 240 C210 160 320 200 330 320 C340 420 420 500 470 520 M320 470 C500 470 550 330 490 240 C430 160 320 200 310 320 C300 420 220 500 170 520" fill="none" stroke="${dark}" stroke-width="86" stroke-linecap="round" stroke-linejoin="round"/>
  <path d="M320 470 C140 470 90 330 150 240 C210 160 320 200 330 320 C340 420 420 500 470 520 M320 470 C500 470 550 330 490 240 C430 160 320 200 310 320 C300 420 220 500 170 520" fill="none" stroke="${crust}" stroke-width="56" stroke-linecap="round" stroke-linejoin="round"/>
  ${[
    [150, 300],
    [210, 210],
    [440, 210],
    [494, 320],
    [260, 456],
    [390, 456],
  ]
    .map(
      ([x, y]) =>
        `<rect x="${x}" y="${y}" width="20" height="14" rx="4" fill="${cream}" transform="rotate(24 ${x} ${y})"/>`,
    )
    .join('')}`)

const guest = (x: number, y: number, size: number, coat: string) =>
  `<g transform="translate(${x} ${y}) scale(${size})"><path d="M-60 170 C-64 40 -44 20 0 20 S64 40 60 170 Z" fill="${coat}" stroke="${dark}" stroke-width="14" stroke-linejoin="round"/><circle cx="0" cy="-26" r="46" fill="${pale}" stroke="${dark}" stroke-width="14"/><path d="M-46 -34 q46 -44 92 0" fill="none" stroke="${dark}" stroke-width="16" stroke-linecap="round"/></g>`

const queueAtDoor = picture(`
  <path d="M44 560 V180 Q44 96 128 96 H256 Q340 96 340 180 V560 Z" fill="#6B3A1A" stroke="${dark}" stroke-width="16"/>
  <path d="M82 560 V196 Q82 134 144 134 H240 Q302 134 302 196 V560 Z" fill="#FFE7A8"/>
  <path d="M192 134 V560 M82 300 H302" stroke="#6B3A1A" stroke-width="14"/>
  <circle cx="280" cy="372" r="14" fill="${dark}"/>
  ${guest(548, 396, 0.86, '#7C8FA8')}${guest(462, 386, 0.98, '#B5642A')}${guest(368, 374, 1.1, '#4E7F68')}
  <path d="M24 566 H616" stroke="${dark}" stroke-width="20" stroke-linecap="round"/>`)

const flour = picture(`
  ${[
    [320, 330, 150],
    [200, 360, 104],
    [440, 356, 112],
    [262, 246, 96],
    [390, 236, 90],
    [320, 440, 110],
    [130, 300, 54],
    [520, 290, 58],
  ]
    .map(([x, y, r]) => `<circle cx="${x}" cy="${y}" r="${r}" fill="${cream}" opacity=".92"/>`)
    .join('')}
  ${[
    [96, 190, 16],
    [540, 176, 20],
    [182, 128, 22],
    [452, 108, 16],
    [318, 90, 14],
    [80, 430, 20],
    [566, 446, 18],
  ]
    .map(([x, y, r]) => `<circle cx="${x}" cy="${y}" r="${r}" fill="${cream}" opacity=".85"/>`)
    .join('')}
  <path d="M232 352 q44 -52 92 0 q44 52 92 0" fill="none" stroke="${pale}" stroke-width="20" stroke-linecap="round"/>`)

const ovenOnFire = picture(`
  <rect x="84" y="150" width="472" height="420" rx="28" fill="#6B5A50" stroke="${dark}" stroke-width="18"/>
  ${[210, 300, 390, 480].map((y, row) => [130, 250, 370, 490].map((x) => `<rect x="${x - 30 + (row % 2 ? 20 : 0)}" y="${y - 24}" width="72" height="36" rx="8" fill="#85705F" opacity=".6"/>`).join('')).join('')}
  <path d="M160 540 V380 Q160 250 320 250 T480 380 V540 Z" fill="${dark}"/>
  <path d="M200 540 C180 440 240 430 250 350 C300 390 300 420 320 330 C372 380 366 430 396 382 C430 440 460 470 440 540 Z" fill="#E4572E"/>
  <path d="M246 540 C240 480 286 470 292 420 C330 450 334 470 350 440 C390 480 404 500 396 540 Z" fill="${gold}"/>
  <path d="M286 540 C286 508 312 500 320 474 C344 500 356 512 352 540 Z" fill="${cream}"/>
  <path d="M150 150 C130 90 180 70 176 20 C226 60 222 100 236 116 C250 90 244 70 256 50 C300 90 290 130 282 150 Z" fill="#E4572E" opacity=".9"/>
  <path d="M398 150 C384 110 420 96 416 60 C456 92 452 120 460 132 C470 116 466 104 474 90 C504 116 498 140 494 150 Z" fill="${gold}" opacity=".9"/>`)

export interface Artwork {
  file: string
  name: string
  svg: string
}

export const artworks: readonly Artwork[] = [
  { file: 'loaf', name: 'A loaf that rises', svg: loaf },
  { file: 'lantern', name: 'A lantern', svg: lantern },
  { file: 'bell', name: 'The oven bell', svg: bell },
  { file: 'tray-of-five', name: 'A tray of five', svg: tray },
  { file: 'golden-crust', name: 'A golden crust', svg: goldenCrust },
  { file: 'croissant', name: 'A croissant', svg: croissant },
  { file: 'rye', name: 'A rye', svg: rye },
  { file: 'bun', name: 'A bun', svg: plainBun },
  { file: 'pretzel', name: 'A pretzel', svg: pretzel },
  { file: 'queue-at-the-door', name: 'A queue at the door', svg: queueAtDoor },
  { file: 'flour', name: 'A flour puff', svg: flour },
  { file: 'oven-on-fire', name: 'Oven on fire', svg: ovenOnFire },
]
