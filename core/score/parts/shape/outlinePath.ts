import type { Shape } from './schema.ts'

type Point = readonly [x: number, y: number]

/** The outline of a form in a box of the given size, as an SVG path. Pixels, rounded to hundredths. */
export function outlinePath(form: Shape['form'], widthPx: number, heightPx: number, cornerPx: number): string {
  const w = widthPx
  const h = heightPx
  switch (form) {
    case 'rectangle':
      return roundedPath(w, h, cornerPx)
    case 'ellipse':
      return `M0 ${n(h / 2)}A${n(w / 2)} ${n(h / 2)} 0 1 1 ${n(w)} ${n(h / 2)}A${n(w / 2)} ${n(h / 2)} 0 1 1 0 ${n(h / 2)}Z`
    case 'triangle':
      return polygon([
        [w / 2, 0],
        [w, h],
        [0, h],
      ])
    case 'diamond':
      return polygon([
        [w / 2, 0],
        [w, h / 2],
        [w / 2, h],
        [0, h / 2],
      ])
    case 'star':
      return polygon(spikes(w, h, 5, 0.42))
    case 'burst':
      return polygon(spikes(w, h, 16, 0.78))
    case 'ribbon':
      return polygon([
        [0, 0],
        [w, 0],
        [w - h * 0.35, h / 2],
        [w, h],
        [0, h],
        [h * 0.35, h / 2],
      ])
    case 'bubble': {
      const body = h * 0.8
      const r = Math.min(cornerPx, w / 2, body / 2)
      return `M${n(r)} 0H${n(w - r)}A${n(r)} ${n(r)} 0 0 1 ${n(w)} ${n(r)}V${n(body - r)}A${n(r)} ${n(r)} 0 0 1 ${n(w - r)} ${n(body)}H${n(w * 0.36)}L${n(w * 0.2)} ${n(h)}L${n(w * 0.22)} ${n(body)}H${n(r)}A${n(r)} ${n(r)} 0 0 1 0 ${n(body - r)}V${n(r)}A${n(r)} ${n(r)} 0 0 1 ${n(r)} 0Z`
    }
  }
}

function n(value: number): string {
  return String(Math.round(value * 100) / 100)
}

function polygon(points: readonly Point[]): string {
  return `M${points.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}Z`
}

function spikes(w: number, h: number, count: number, inner: number): Point[] {
  return Array.from({ length: count * 2 }, (_, index) => {
    const angle = (index * Math.PI) / count - Math.PI / 2
    const reach = index % 2 === 0 ? 1 : inner
    return [w / 2 + (Math.cos(angle) * w * reach) / 2, h / 2 + (Math.sin(angle) * h * reach) / 2] as const
  })
}

function roundedPath(w: number, h: number, cornerPx: number): string {
  const r = Math.min(cornerPx, w / 2, h / 2)
  if (r === 0) return `M0 0H${n(w)}V${n(h)}H0Z`
  return `M${n(r)} 0H${n(w - r)}A${n(r)} ${n(r)} 0 0 1 ${n(w)} ${n(r)}V${n(h - r)}A${n(r)} ${n(r)} 0 0 1 ${n(w - r)} ${n(h)}H${n(r)}A${n(r)} ${n(r)} 0 0 1 0 ${n(h - r)}V${n(r)}A${n(r)} ${n(r)} 0 0 1 ${n(r)} 0Z`
}
