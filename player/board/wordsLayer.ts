import type { ResolvedLiveText } from '../../core/board/liveText.ts'
import { plainText, type TextPiece } from '../../core/text/textPiece.ts'
import { drawnNodes, pieceNodes } from '../textNodes.ts'
import { measured } from './bench.ts'
import { styleLive } from './liveStyle.ts'
import { plain } from '../plain.ts'

/** Words that change, held into their room: they get smaller where they would not fit. */
export interface WordsLayer {
  element: HTMLElement
  write(lines: readonly (readonly TextPiece[])[]): void
}

interface LayerOptions {
  text: ResolvedLiveText
  widthPx: number
  heightPx: number
  /** Where they stand: from the side that their text begins at. */
  align: ResolvedLiveText['align']
  /** Drawn but not said: another layer says it. */
  isCopy?: boolean
}

const justify = { start: 'flex-start', middle: 'center', end: 'flex-end' } as const
const originX = { start: '0%', middle: '50%', end: '100%' } as const

export function wordsLayer({ text, widthPx, heightPx, align, isCopy = false }: LayerOptions): WordsLayer {
  const element = document.createElement('div')
  plain(element, {
    inset: '0',
    display: 'flex',
    alignItems: 'center',
    justifyContent: justify[align],
  })
  if (isCopy) element.setAttribute('aria-hidden', 'true')
  const block = document.createElement('div')
  element.append(block)
  let written = ''
  const nodesOf = isCopy ? drawnNodes : pieceNodes
  return {
    element,
    write(lines) {
      const key = lines.map(plainText).join('\n')
      if (key === written) return
      written = key
      styleLive(block, { ...text, align })
      block.style.position = 'relative'
      block.style.flex = '0 0 auto'
      block.replaceChildren(
        ...lines.map((line, index) => {
          const words = document.createElement('div')
          // Lines behind the first say more of the same: they are smaller.
          if (index > 0) words.style.fontSize = '0.66em'
          words.append(...nodesOf(line, text.highlightInk))
          return words
        }),
      )
      const size = measured(block.cloneNode(true) as HTMLElement)
      const scale = Math.min(1, widthPx / Math.max(1, size.widthPx), heightPx / Math.max(1, size.heightPx))
      block.style.transform = scale < 1 ? `scale(${scale})` : 'none'
      block.style.transformOrigin = `${originX[align]} 50%`
    },
  }
}
