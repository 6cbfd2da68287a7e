import type { ParticlesState } from '../../core/score/parts/particles/evaluateParticles.ts'
import { flyingAt, particleField, spriteOf } from '../../core/score/parts/particles/particleField.ts'
import type { ResolvedParticles, ResolvedSprite } from '../../core/score/parts/particles/resolveParticles.ts'
import type { Canvas } from '../../core/composition/canvas.ts'
import { boxWriter, makePartElement, type Painter } from './paint.ts'

type Picture = CanvasImageSource & { width: number; height: number }

const spriteSidePx = 96

/** Particles on one canvas as large as the alert's. Each sprite is drawn once and then only copied. */
export function paintParticles(
  part: ResolvedParticles,
  canvas: Canvas,
  pictures: ReadonlyMap<string, Picture>,
): Painter<ParticlesState> {
  const element = makePartElement('canvas', part.id)
  element.width = canvas.widthPx
  element.height = canvas.heightPx
  const context = element.getContext('2d')
  const writeBox = boxWriter(element)
  const field = particleField(part)
  const sprites = part.sprites.map((sprite) => makeSprite(sprite, pictures))
  const spriteOfEach = Array.from({ length: part.count }, (_, index) => sprites[spriteOf(part, index)] ?? null)
  let isBlank = true
  return {
    element,
    draw(state) {
      writeBox(state)
      if (!context) return
      if (!isBlank) {
        context.setTransform(1, 0, 0, 1, 0, 0)
        context.clearRect(0, 0, element.width, element.height)
        isBlank = true
      }
      flyingAt(part, field, state.intoMs, (particle) => {
        const sprite = spriteOfEach[particle.index]
        const half = particle.sizePx * 0.75
        const isOutside =
          particle.xPx < -half ||
          particle.yPx < -half ||
          particle.xPx > element.width + half ||
          particle.yPx > element.height + half
        if (!sprite || isOutside || particle.opacity <= 0 || particle.sizePx <= 0.1) return
        isBlank = false
        const scale = particle.sizePx / Math.max(sprite.width, sprite.height)
        const radians = (particle.turnDeg * Math.PI) / 180
        const cos = Math.cos(radians) * scale
        const sin = Math.sin(radians) * scale
        context.globalAlpha = particle.opacity
        context.setTransform(cos, sin, -sin, cos, particle.xPx, particle.yPx)
        context.drawImage(sprite, -sprite.width / 2, -sprite.height / 2)
      })
    },
  }
}

/** Null where its picture could not be loaded: those particles are not drawn. */
function makeSprite(sprite: ResolvedSprite, pictures: ReadonlyMap<string, Picture>): HTMLCanvasElement | null {
  const canvas = document.createElement('canvas')
  canvas.width = spriteSidePx
  canvas.height = spriteSidePx
  const context = canvas.getContext('2d')
  if (!context) return null
  if ('form' in sprite) {
    drawForm(context, sprite.form, sprite.ink)
    return canvas
  }
  const picture = pictures.get('mediaId' in sprite ? sprite.mediaId : sprite.emoteUrl)
  if (!picture || picture.width === 0 || picture.height === 0) return null
  const scale = spriteSidePx / Math.max(picture.width, picture.height)
  context.imageSmoothingQuality = 'high'
  context.drawImage(
    picture,
    (spriteSidePx - picture.width * scale) / 2,
    (spriteSidePx - picture.height * scale) / 2,
    picture.width * scale,
    picture.height * scale,
  )
  return canvas
}

function drawForm(context: CanvasRenderingContext2D, form: string, ink: string): void {
  const side = spriteSidePx
  const middle = side / 2
  context.fillStyle = ink
  context.beginPath()
  if (form === 'square') context.rect(side * 0.1, side * 0.1, side * 0.8, side * 0.8)
  else if (form === 'strip') context.rect(side * 0.3, 0, side * 0.4, side)
  else if (form === 'star') {
    for (let index = 0; index < 10; index++) {
      const reach = index % 2 === 0 ? middle : middle * 0.42
      context.lineTo(
        middle + Math.cos((index * Math.PI) / 5 - Math.PI / 2) * reach,
        middle + Math.sin((index * Math.PI) / 5 - Math.PI / 2) * reach,
      )
    }
  } else if (form === 'spark') {
    const glow = context.createRadialGradient(middle, middle, 0, middle, middle, middle)
    glow.addColorStop(0, '#ffffff')
    glow.addColorStop(0.3, ink)
    glow.addColorStop(1, `${ink}00`)
    context.fillStyle = glow
    context.rect(0, 0, side, side)
  } else context.arc(middle, middle, middle * 0.96, 0, Math.PI * 2)
  context.fill()
}
