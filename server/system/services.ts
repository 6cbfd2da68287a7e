import { provideSignIn, type SignInPort } from '../auth/port.ts'
import { provideBoards, type BoardsPort } from '../boards/port.ts'
import { provideChannels, type ChannelsPort } from '../channel/port.ts'
import { provideDatabase, type DatabasePort } from '../db/port.ts'
import { provideEmotes, type EmotesPort } from '../emotes/port.ts'
import { provideLinking, type LinkingPort } from '../feeds/port.ts'
import { provideGoals, type GoalsPort } from '../goals/port.ts'
import { provideIngest, type IngestPort } from '../ingest/port.ts'
import { provideScreens, type ScreensPort } from '../live/port.ts'
import { provideMedia, type MediaPort } from '../media/port.ts'
import { providePacks, type PacksPort } from '../packs/port.ts'
import { provideCalls, type CallsPort } from '../triggers/port.ts'
import { provideStandIns, type StandInsPort } from '../standIns/port.ts'
import { provideLines, type LinesPort } from '../queue/port.ts'
import { provideSources, type SourcesPort } from '../realtime/port.ts'
import { provideSponsors, type SponsorsPort } from '../sponsors/port.ts'
import { provideTips, type TipsPort } from '../tips/port.ts'
import { provideVoices, type VoicesPort } from '../speech/port.ts'
import { provideRuntime, type RuntimePort } from './runtimePort.ts'

/** Everything that lives as long as the server: what starts it puts it together, and nobody else knows all of it. */
export interface Services
  extends
    DatabasePort,
    ChannelsPort,
    ScreensPort,
    MediaPort,
    PacksPort,
    LinesPort,
    CallsPort,
    GoalsPort,
    BoardsPort,
    StandInsPort,
    TipsPort,
    SponsorsPort,
    SourcesPort,
    IngestPort,
    VoicesPort,
    LinkingPort,
    SignInPort,
    EmotesPort,
    RuntimePort {
  close(): Promise<void>
}

/** Hands to each room's handlers what they need of it. Called once, where the server starts. */
export function provideServices(starting: Promise<Services>): void {
  const ports = [
    provideDatabase,
    provideChannels,
    provideScreens,
    provideMedia,
    providePacks,
    provideLines,
    provideCalls,
    provideGoals,
    provideBoards,
    provideStandIns,
    provideTips,
    provideSponsors,
    provideSources,
    provideIngest,
    provideVoices,
    provideLinking,
    provideSignIn,
    provideEmotes,
    provideRuntime,
  ]
  for (const provide of ports) provide(starting)
}
