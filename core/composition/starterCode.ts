import type { Code } from '../score/parts/code/schema.ts'
import type { Canvas } from './canvas.ts'
import { fromTheStart, leaves, pictureAt, reach } from './starterParts.ts'
import { untilTheEnd } from './untilTheEnd.ts'
import { plainVisible } from './visiblePart.ts'

/** A badge of one's own making, so that there is something to change: it says who came, and its rays turn with the score. */
export function starterCode(canvas: Canvas): Code {
  const size = Math.round(520 * reach(canvas))
  return {
    kind: 'code',
    id: 'code',
    name: 'Code',
    clip: { start: fromTheStart, end: untilTheEnd() },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * pictureAt), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { role: 'enter' }, exit: leaves },
    opacity: 1,
    widthPx: size,
    heightPx: size,
    html: starterHtml,
    css: starterCss,
    properties: { size: { kind: 'number', value: Math.round(64 * reach(canvas)), unit: 'px' } },
  }
}

const starterHtml = `<div class="rays"></div>
<div class="badge">
  <strong>{name}</strong>
</div>
`
const starterCss = `body {
  display: grid;
  place-items: center;
}
.rays,
.badge {
  grid-area: 1 / 1;
  border-radius: 50%;
}
.rays {
  width: 100%;
  height: 100%;
  background: repeating-conic-gradient(var(--accent) 0 12deg, transparent 12deg 30deg);
  animation: turn 12s linear infinite;
}
.badge {
  display: grid;
  place-items: center;
  width: 76%;
  height: 76%;
  background: var(--plate);
  color: var(--headline);
  font: 700 var(--size) / 1.1 var(--display);
  text-align: center;
  scale: calc(0.8 + 0.2 * var(--enter));
}
@keyframes turn {
  to {
    rotate: 360deg;
  }
}
`
