import { join } from 'node:path'
import type { Logger } from 'pino'
import type { Config } from '../system/config.ts'
import type { ProcessEntry } from '../system/processEntry.ts'
import { findEngines } from './engines.ts'
import { LanguageProcess } from './languages/languageProcess.ts'
import { Speaker } from './speaker.ts'
import { SpeechCache } from './speechCache.ts'
import { prepareLists } from './wordLists.ts'

/** What speaks, in processes of its own. */
export function startVoices(config: Config, logger: Logger, dataFolder: string, secret: string, entry: ProcessEntry) {
  const engines = findEngines(config.THUNDERCREST_VOICES)
  const languages = new LanguageProcess(entry)
  prepareLists().catch((error: unknown) => logger.error({ err: error }, 'the word lists could not be made ready'))
  return {
    engines,
    languages,
    speaker: new Speaker(engines, new SpeechCache(join(dataFolder, 'speech'), secret), languages),
  }
}
