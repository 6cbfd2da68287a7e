import {
  Clock,
  CodeXml,
  Gauge,
  Gift,
  Handshake,
  Hash,
  Image,
  List,
  MessagesSquare,
  MessageSquareText,
  MoveHorizontal,
  RectangleHorizontal,
  Shapes,
  Sparkles,
  Speech,
  Trophy,
  Type,
  Volume2,
} from '@lucide/vue'
import type { Component } from 'vue'
import type { Zone } from '../../core/composition/zone.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { Part, PartKind } from '../../core/score/parts/part.ts'
import BackdropInspector from '../components/inspector/BackdropInspector.vue'
import BarInspector from '../components/inspector/BarInspector.vue'
import ChatInspector from '../components/inspector/ChatInspector.vue'
import ClockInspector from '../components/inspector/ClockInspector.vue'
import CodeInspector from '../components/inspector/CodeInspector.vue'
import DrawInspector from '../components/inspector/DrawInspector.vue'
import LineInspector from '../components/inspector/LineInspector.vue'
import ListInspector from '../components/inspector/ListInspector.vue'
import MessageInspector from '../components/inspector/MessageInspector.vue'
import ParticlesInspector from '../components/inspector/ParticlesInspector.vue'
import PictureInspector from '../components/inspector/PictureInspector.vue'
import ShapeInspector from '../components/inspector/ShapeInspector.vue'
import SoundInspector from '../components/inspector/SoundInspector.vue'
import SponsorInspector from '../components/inspector/SponsorInspector.vue'
import TallyInspector from '../components/inspector/TallyInspector.vue'
import TickerInspector from '../components/inspector/TickerInspector.vue'
import TopInspector from '../components/inspector/TopInspector.vue'
import VoiceInspector from '../components/inspector/VoiceInspector.vue'

/** What surrounds a part: inspectors take what they need of it. */
export interface PartSurroundings {
  /** The kinds of event that its alert is for: their variables can stand in its words. */
  kinds: readonly EventKind[]
  zones: readonly Zone[]
  parts: readonly Part[]
}

interface PartKindLooks {
  /** What it is called. */
  name: string
  mark: Component
  /** The colour of its clip and of what stands on it. */
  clip: string
  /** Edits it; is given the part, the look that is shown, whether it is disabled, and what it takes of its surroundings. */
  inspector: Component
  takes: readonly (keyof PartSurroundings)[]
}

const drawn = 'bg-clip text-snow'

/** How each kind of part is met in the interface. */
export const partKindLooks: Record<PartKind, PartKindLooks> = {
  picture: { name: 'picture', mark: Image, clip: drawn, inspector: PictureInspector, takes: [] },
  line: { name: 'line of text', mark: Type, clip: drawn, inspector: LineInspector, takes: ['kinds', 'parts'] },
  message: { name: 'message', mark: MessageSquareText, clip: drawn, inspector: MessageInspector, takes: ['parts'] },
  sound: { name: 'sound', mark: Volume2, clip: 'bg-moss text-white', inspector: SoundInspector, takes: [] },
  backdrop: {
    name: 'backdrop',
    mark: RectangleHorizontal,
    clip: drawn,
    inspector: BackdropInspector,
    takes: ['parts'],
  },
  particles: { name: 'particles', mark: Sparkles, clip: drawn, inspector: ParticlesInspector, takes: ['zones'] },
  ticker: { name: 'running line', mark: MoveHorizontal, clip: drawn, inspector: TickerInspector, takes: ['kinds'] },
  shape: { name: 'shape', mark: Shapes, clip: drawn, inspector: ShapeInspector, takes: [] },
  draw: { name: 'prize draw', mark: Gift, clip: drawn, inspector: DrawInspector, takes: ['kinds'] },
  bar: { name: 'goal bar', mark: Gauge, clip: drawn, inspector: BarInspector, takes: [] },
  list: { name: 'list', mark: List, clip: drawn, inspector: ListInspector, takes: [] },
  chat: { name: 'chat', mark: MessagesSquare, clip: drawn, inspector: ChatInspector, takes: [] },
  top: { name: 'who gave most', mark: Trophy, clip: drawn, inspector: TopInspector, takes: [] },
  tally: { name: 'count', mark: Hash, clip: drawn, inspector: TallyInspector, takes: [] },
  sponsor: { name: 'sponsor’s line', mark: Handshake, clip: drawn, inspector: SponsorInspector, takes: [] },
  clock: { name: 'clock', mark: Clock, clip: drawn, inspector: ClockInspector, takes: [] },
  code: { name: 'code', mark: CodeXml, clip: drawn, inspector: CodeInspector, takes: ['kinds'] },
  voice: { name: 'voice', mark: Speech, clip: 'bg-deep-sky text-white', inspector: VoiceInspector, takes: ['kinds'] },
}
