import type { Step } from '../../../core/sheet/schema.ts'

/** What names steps need: of boxes and their cases, of files, of other triggers. */
export interface StepNames {
  caseName: (boxId: string, alertId: string, variationId: string | null) => string
  fileName: (mediaId: string) => string
  triggerName: (id: string) => string
}

/** A step as it stands on its bar. */
export function stepWords(step: Step, names: StepNames): string {
  switch (step.do) {
    case 'play':
      return names.caseName(step.boxId, step.alertId, step.variationId)
    case 'sound':
      return `sound: ${names.fileName(step.mediaId)}`
    case 'say':
      return `say “${step.words}”`
    case 'scene':
      return `studio: ${step.scene}`
    case 'source':
      return `${{ shown: 'show', hidden: 'hide', other: 'switch' }[step.shows]} ${step.source}`
    case 'text':
      return `${step.source}: “${step.words}”`
    case 'counter':
      return `${step.counter} ${step.change < 0 ? '−' : '+'} ${Math.abs(step.change)}`
    case 'points':
      return `${step.change < 0 ? 'take' : 'give'} ${Math.abs(step.change)} points`
    case 'webhook':
      return `tell ${hostOf(step.url)}`
    case 'sheet':
      return `all of “${names.triggerName(step.triggerId)}”`
    case 'wait':
      return `wait ${step.ms / 1000} s`
  }
}

function hostOf(url: string): string {
  try {
    return new URL(url).host
  } catch {
    return url
  }
}

/** What a step of each kind is called where one is added. */
export const stepNames: Readonly<Record<Exclude<Step['do'], 'wait'>, string>> = {
  play: 'Play an alert',
  sound: 'Play a sound',
  say: 'Say in chat',
  scene: 'Switch the scene',
  source: 'Show or hide a source',
  text: 'Write in the studio',
  counter: 'Count',
  points: 'Give points',
  webhook: 'Tell another program',
  sheet: 'Another run sheet',
}
