import type { DrawState } from '../../core/score/parts/draw/evaluateDraw.ts'
import type { ResolvedDraw } from '../../core/score/parts/draw/resolveDraw.ts'
import { packetsSeen } from '../../core/score/parts/draw/strokes.ts'
import { plainText } from '../../core/text/textPiece.ts'
import { fontStack } from '../fontStack.ts'
import { boxWriter, makePartElement, rounded, type Painter } from './paint.ts'
import { plain } from '../plain.ts'

/** Of the shelf's height: its face with the running words, and the board on which packets stand. */
const faceRatio = 0.2
const frameRatio = 0.035
/** Paper that was torn off: where the upper edge of a packet is high and low, in percent. */
const torn =
  'polygon(0 7%, 8% 0, 17% 6%, 26% 1%, 35% 7%, 44% 0, 54% 6%, 63% 1%, 72% 7%, 81% 0, 91% 6%, 100% 1%, 100% 100%, 0 100%)'

interface Packet {
  element: HTMLElement
  /** Shows the prize of a place in the list. */
  fill(prize: number): void
}

/**
 * A shelf with loaves in paper, and the peel that slides them. Only the packets that can be seen are in the document; a
 * packet that leaves on one side comes in again on the other as the next of the row.
 */
export function paintDraw(part: ResolvedDraw, pictures: ReadonlyMap<string, HTMLImageElement>): Painter<DrawState> {
  const element = makePartElement('div', part.id)
  const writeBox = boxWriter(element)
  const { widthPx, heightPx, isMirrored, landing } = part
  const framePx = heightPx * frameRatio
  const facePx = heightPx * faceRatio
  const standPx = heightPx - facePx - framePx
  const stepPx = (widthPx - 2 * framePx) / packetsSeen
  const packetPx = { width: stepPx * 0.84, height: standPx * 0.8 }
  const way = isMirrored ? -1 : 1

  const shelf = box({ left: 0, top: 0, width: widthPx, height: heightPx, background: part.frameInk, radius: framePx })
  const back = box({
    left: framePx,
    top: framePx,
    width: widthPx - 2 * framePx,
    height: standPx,
    background: part.shelfInk,
  })
  back.style.overflow = 'hidden'
  const face = box({ left: framePx, top: framePx + standPx, width: widthPx - 2 * framePx, height: facePx })
  const runs = runningWords(part, face, facePx)
  const peel = makePeel(part, stepPx, standPx)
  const packets = Array.from({ length: packetsSeen + 2 }, () => makePacket(part, packetPx, pictures))
  back.append(peel.blade, ...packets.map((packet) => packet.element))
  const drawn = makeDrawn(part, packetPx, pictures)
  shelf.append(back, face)
  element.append(peel.handle, shelf, drawn.element)

  return {
    element,
    draw(state) {
      writeBox(state)
      const first = Math.floor(state.passed)
      const middle = widthPx / 2 - framePx
      const standing = standPx * 0.9 - packetPx.height
      packets.forEach(({ element: packet, fill }, index) => {
        // The row comes in from where the peel is; the first of it stand furthest on.
        const at = first + index - 1
        const place = at - state.passed - (packetsSeen - 1) / 2
        const isTaken = at === part.drawnAt && state.lifted > 0
        const prize = part.row[at]
        packet.style.display = prize === undefined || isTaken ? 'none' : 'block'
        if (prize === undefined) return
        fill(prize)
        packet.style.transform = `translate(${rounded(middle - way * place * stepPx - packetPx.width / 2)}px, ${rounded(standing)}px)`
      })
      const reach = middle + way * (state.peel - (packetsSeen - 1) / 2 - 0.35) * stepPx
      const depth = standPx * 0.9 + (1 - state.carries) * standPx * 0.16
      peel.blade.style.transform = `translate(${rounded(reach - (isMirrored ? stepPx * packetsSeen : 0))}px, ${rounded(depth)}px)`
      const behind = isMirrored ? reach + framePx : reach + framePx - stepPx * 4
      peel.handle.style.transform = `translate(${rounded(behind)}px, ${rounded(framePx + depth + standPx * 0.01)}px)`
      drawn.at(state, {
        xPx: widthPx / 2 + landing.xPx * state.lifted,
        yPx:
          framePx +
          standing +
          packetPx.height / 2 +
          (heightPx / 2 + landing.yPx - framePx - standing - packetPx.height / 2) * state.lifted,
        scale: 1 + (landing.scaleRatio - 1) * state.lifted,
      })
      runs(state.ranPx)
    },
  }
}

interface BoxStyle {
  left: number
  top: number
  width: number
  height: number
  background?: string
  radius?: number
}

function box({ left, top, width, height, background = 'none', radius = 0 }: BoxStyle): HTMLElement {
  const element = document.createElement('div')
  plain(element, {
    display: 'block',
    boxSizing: 'border-box',
    left: `${left}px`,
    top: `${top}px`,
    width: `${width}px`,
    height: `${height}px`,
    background,
    borderRadius: `${radius}px`,
  })
  return element
}

function words({ family, weight }: ResolvedDraw, ink: string, sizePx: number): HTMLElement {
  const element = document.createElement('div')
  plain(element, {
    position: 'static',
    display: 'block',
    fontFamily: fontStack(family),
    fontWeight: String(weight),
    fontSize: `${sizePx}px`,
    lineHeight: '1.15',
    color: ink,
    textAlign: 'center',
    overflow: 'hidden',
    overflowWrap: 'anywhere',
  })
  element.dir = 'auto'
  return element
}

/** The words on the face, over and over: a copy follows a copy. */
function runningWords(part: ResolvedDraw, face: HTMLElement, facePx: number): (ranPx: number) => void {
  const text = plainText(part.face).trim()
  face.style.overflow = 'hidden'
  if (text === '') return () => undefined
  const sizePx = facePx * 0.56
  const gapPx = facePx * 1.2
  const periodPx = Math.max(1, widthOf(text, part, sizePx) + gapPx)
  const line = words(part, part.ink, sizePx)
  Object.assign(line.style, { position: 'absolute', top: `${facePx * 0.18}px`, whiteSpace: 'pre', overflow: 'visible' })
  for (let index = 0; index <= Math.ceil(part.widthPx / periodPx); index++) {
    const copy = document.createElement('span')
    Object.assign(copy.style, { position: 'absolute', left: `${index * periodPx}px` })
    copy.textContent = text
    // Copies repeat what the first one says.
    if (index > 0) copy.ariaHidden = 'true'
    line.append(copy)
  }
  face.append(line)
  return (ranPx) => {
    line.style.transform = `translateX(${rounded(-(((ranPx % periodPx) + periodPx) % periodPx))}px)`
  }
}

/** How wide words are before they are in the document. */
function widthOf(text: string, { family, weight }: ResolvedDraw, sizePx: number): number {
  const context = document.createElement('canvas').getContext('2d')
  if (!context) return text.length * sizePx * 0.55
  context.font = `${weight} ${sizePx}px ${fontStack(family)}`
  return context.measureText(text).width
}

/** A flat blade under the row with a long handle; what of the handle comes out beside the shelf is drawn behind it. */
function makePeel({ peelInk, isMirrored }: ResolvedDraw, stepPx: number, standPx: number) {
  const bladePx = stepPx * packetsSeen
  const handlePx = stepPx * 4
  const stick = (left: number) =>
    box({ left, top: 0, width: handlePx, height: standPx * 0.05, background: peelInk, radius: standPx * 0.025 })
  const blade = box({
    left: 0,
    top: 0,
    width: bladePx,
    height: standPx * 0.07,
    background: peelInk,
    radius: standPx * 0.03,
  })
  const within = stick(isMirrored ? bladePx * 0.9 : bladePx * 0.1 - handlePx)
  within.style.top = `${standPx * 0.01}px`
  blade.append(within)
  return { blade, handle: stick(0) }
}

interface PacketSize {
  width: number
  height: number
}

function makePacket(part: ResolvedDraw, size: PacketSize, pictures: ReadonlyMap<string, HTMLImageElement>): Packet {
  const element = box({ left: 0, top: 0, ...size })
  const paper = box({ left: 0, top: 0, ...size })
  paper.style.clipPath = torn
  const label = box({
    left: size.width * 0.14,
    top: size.height * 0.2,
    width: size.width * 0.72,
    height: size.height * 0.48,
    background: 'rgb(255 255 255 / 0.16)',
    radius: size.width * 0.05,
  })
  const name = words(part, part.labelInk, size.height * 0.105)
  Object.assign(name.style, {
    position: 'absolute',
    left: '4%',
    width: '92%',
    top: `${size.height * 0.72}px`,
    maxHeight: `${size.height * 0.24}px`,
  })
  paper.append(label, name)
  element.append(paper)
  let shown = -1
  return {
    element,
    fill(prize) {
      if (prize === shown) return
      shown = prize
      const { name: called = '', mediaId = null, isRare = false } = part.prizes[prize] ?? {}
      paper.style.background = isRare ? part.rareInk : part.packetInk
      name.textContent = called
      label.replaceChildren(...pictureOf(mediaId, pictures))
    },
  }
}

function pictureOf(mediaId: string | null, pictures: ReadonlyMap<string, HTMLImageElement>): HTMLElement[] {
  const loaded = mediaId === null ? undefined : pictures.get(mediaId)
  if (!loaded) return []
  const image = loaded.cloneNode() as HTMLImageElement
  plain(image, { position: 'static', display: 'block', width: '100%', height: '100%', objectFit: 'contain' })
  image.alt = ''
  return [image]
}

/** The packet that was drawn: lifted to its spot, its paper parts to both sides, and the prize stands there with its name. */
function makeDrawn(part: ResolvedDraw, size: PacketSize, pictures: ReadonlyMap<string, HTMLImageElement>) {
  const prize = part.row[part.drawnAt] ?? 0
  const { name: called = '', mediaId = null } = part.prizes[prize] ?? {}
  const element = box({ left: 0, top: 0, ...size })
  element.style.transformOrigin = '50% 50%'
  const inside = box({ left: 0, top: 0, ...size })
  const picture = box({ left: 0, top: -size.height * 0.1, width: size.width, height: size.height * 0.82 })
  picture.append(...pictureOf(mediaId, pictures))
  const name = words(part, part.ink, size.height * 0.15)
  Object.assign(name.style, {
    position: 'absolute',
    left: '-40%',
    width: '180%',
    top: `${size.height * 0.74}px`,
    maxHeight: `${size.height * 0.36}px`,
  })
  name.textContent = called
  inside.append(picture, name)
  const halves = (['inset(0 50% 0 0)', 'inset(0 0 0 50%)'] as const).map((clipPath) => {
    const packet = makePacket(part, size, pictures)
    packet.fill(prize)
    packet.element.style.clipPath = clipPath
    packet.element.style.transformOrigin = '50% 100%'
    return packet.element
  })
  element.append(inside, ...halves)
  return {
    element,
    at({ lifted, opened }: DrawState, { xPx, yPx, scale }: { xPx: number; yPx: number; scale: number }) {
      element.style.display = lifted > 0 ? 'block' : 'none'
      element.dataset.prize = opened > 0 ? called : ''
      if (lifted <= 0) return
      element.style.transform = `translate(${rounded(xPx - size.width / 2)}px, ${rounded(yPx - size.height / 2)}px) scale(${rounded(scale)})`
      inside.style.opacity = rounded(Math.min(1, opened * 1.6))
      inside.style.transform = `scale(${rounded(0.7 + 0.3 * opened)})`
      halves.forEach((half, index) => {
        const side = index === 0 ? -1 : 1
        half.style.transform = `translateX(${rounded(side * opened * size.width * 0.55)}px) rotate(${rounded(side * opened * 24)}deg)`
        half.style.opacity = rounded(1 - opened)
      })
    },
  }
}
