/** An animation as a function of time: an SVG of 400 × 400 at each moment of its round. */
export interface Animation {
  file: string
  name: string
  frames: number
  frameMs: number
  /** @param turn 0…1 through the round */
  svgAt: (turn: number) => string
}

const svg = (body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400" viewBox="0 0 400 400">${body}</svg>`
const wave = (turn: number, phase = 0) => Math.sin((turn + phase) * Math.PI * 2)

/** A loaf that rises and settles, with steam; a bell that swings. */
export const animations: readonly Animation[] = [
  {
    file: 'rising-loaf',
    name: 'Rising loaf',
    frames: 20,
    frameMs: 80,
    svgAt(turn) {
      const rise = 18 * (0.5 - 0.5 * Math.cos(turn * Math.PI * 2))
      const top = 210 - rise
      const steam = [120, 200, 280]
        .map(
          (x, index) =>
            `<path d="M${x} ${150 - rise} q ${18 * wave(turn, index / 3)} -30 0 -60 q ${-18 * wave(turn, index / 3)} -30 0 -50" fill="none" stroke="#F3E3C3" stroke-width="10" stroke-linecap="round" opacity="${(0.35 + 0.35 * wave(turn, index / 3)).toFixed(2)}"/>`,
        )
        .join('')
      return svg(
        `${steam}<path d="M60 330 C 40 ${top} 120 ${top - 20} 200 ${top - 24} C 280 ${top - 20} 360 ${top} 340 330 Z" fill="#C9853F" stroke="#6B3A17" stroke-width="10" stroke-linejoin="round"/>` +
          [140, 200, 260]
            .map(
              (x) =>
                `<path d="M${x - 22} ${top + 44} l 44 -26" stroke="#F3D6A2" stroke-width="12" stroke-linecap="round"/>`,
            )
            .join('') +
          `<ellipse cx="200" cy="338" rx="160" ry="16" fill="#3A1D0C" opacity="0.35"/>`,
      )
    },
  },
  {
    file: 'swinging-bell',
    name: 'Swinging bell',
    frames: 16,
    frameMs: 60,
    svgAt(turn) {
      const deg = 16 * wave(turn)
      return svg(
        `<g transform="rotate(${deg.toFixed(2)} 200 60)"><circle cx="200" cy="60" r="16" fill="#6B3A17"/><path d="M120 280 C 130 160 150 100 200 90 C 250 100 270 160 280 280 L 304 312 H 96 Z" fill="#FFC247" stroke="#6B3A17" stroke-width="10" stroke-linejoin="round"/></g>` +
          `<circle cx="${(200 - 1.6 * deg).toFixed(1)}" cy="330" r="24" fill="#6B3A17"/>`,
      )
    },
  },
]
