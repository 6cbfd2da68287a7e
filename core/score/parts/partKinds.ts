import type { ResolvedKinds, ResolvedPart } from '../resolved.ts'
import { backdropPart } from './backdrop/backdrop.ts'
import { drawPart } from './draw/draw.ts'
import { linePart } from './line/line.ts'
import { messagePart } from './message/message.ts'
import { barPart } from './bar/bar.ts'
import { chatPart } from './chat/chat.ts'
import { codePart } from './code/code.ts'
import { clockPart } from './clock/clock.ts'
import { sponsorPart } from './sponsor/sponsor.ts'
import { listPart } from './list/list.ts'
import { tallyPart } from './tally/tally.ts'
import { topPart } from './top/top.ts'
import type { Part, PartKind, PartOf } from './part.ts'
import type { PartDefinition } from './partDefinition.ts'
import { particlesPart } from './particles/particles.ts'
import { picturePart } from './picture/picture.ts'
import { shapePart } from './shape/shape.ts'
import { soundPart } from './sound/sound.ts'
import { tickerPart } from './ticker/ticker.ts'
import { voicePart } from './voice/voice.ts'

const partKinds: { [K in PartKind]: PartDefinition<PartOf<K>, ResolvedKinds[K]> } = {
  picture: picturePart,
  line: linePart,
  message: messagePart,
  sound: soundPart,
  backdrop: backdropPart,
  particles: particlesPart,
  ticker: tickerPart,
  shape: shapePart,
  voice: voicePart,
  draw: drawPart,
  bar: barPart,
  list: listPart,
  chat: chatPart,
  top: topPart,
  tally: tallyPart,
  clock: clockPart,
  sponsor: sponsorPart,
  code: codePart,
}

/** All that is known of a part's kind. The table pairs each kind with its own parts; the compiler cannot follow that. */
export const kindOfPart = (part: Part) => partKinds[part.kind] as PartDefinition<Part, ResolvedPart>
