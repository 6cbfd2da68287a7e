import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { err, ok, type Result } from '../../core/result.ts'
import { shippedEngines, type VoiceChoice } from '../../core/speech/voiceChoice.ts'
import type { VoiceView } from '../../contract/speech.ts'
import { EngineProcess, type SpeechEngine, type Spoken } from './engine.ts'
import { HttpEngine } from './httpEngine.ts'
import { KeptPromises } from '../system/keptPromises.ts'

/** How languages that are guessed are called by voices, where that is another name. */
const alsoCalled: Record<string, string> = { zh: 'cmn', no: 'nb', tl: 'fil' }

/** All engines of this server under one roof: who has which voices, and who speaks. */
export class SpeechEngines {
  private readonly known = new KeptPromises<string, Result<VoiceView[], string>>()

  constructor(private readonly engines: ReadonlyMap<string, SpeechEngine>) {}

  /** Every voice, those of the shipped engines first, and which engines do not answer. */
  async voices(): Promise<{ voices: VoiceView[]; troubles: { engine: string; reason: string }[] }> {
    const voices: VoiceView[] = []
    const troubles: { engine: string; reason: string }[] = []
    const answers = await Promise.all(
      [...this.engines.keys()].map(async (engine) => ({ engine, answer: await this.voicesOf(engine) })),
    )
    for (const { engine, answer } of answers) {
      if (answer.ok) voices.push(...answer.value)
      else troubles.push({ engine, reason: answer.error })
    }
    return { voices, troubles }
  }

  async speak(text: string, { engine, voice, rate, pitch }: VoiceChoice): Promise<Result<Spoken, string>> {
    const found = this.engines.get(engine)
    return found ? found.speak({ text, voice, rate, pitch }) : err(notSetUp(engine))
  }

  /**
   * The voice for a text in a language: the chosen one where it speaks it, else another of its engine, else one of an
   * engine that does. Engines are asked one after another and only until one is found: one that does not answer delays
   * nobody who has no need of it.
   */
  async voiceFor(choice: VoiceChoice, language: string): Promise<VoiceChoice> {
    const own = await this.voicesOf(choice.engine)
    const chosen = own.ok ? own.value.find(({ id }) => id === choice.voice) : undefined
    if (!chosen || speaks(chosen, language)) return choice
    for (const engine of new Set([choice.engine, ...this.engines.keys()])) {
      const answer = await this.voicesOf(engine)
      const able = answer.ok ? answer.value.filter((voice) => speaks(voice, language)) : []
      const plainest =
        able.find((voice) => voice.language.toLowerCase() === (alsoCalled[language] ?? language)) ?? able[0]
      if (plainest) return { ...choice, engine, voice: plainest.id }
    }
    return choice
  }

  /**
   * Starts engines, those that run already stay as they are: whoever speaks first on one that has just started comes
   * late. Never fails.
   */
  wake(names: Iterable<string>): void {
    for (const name of names) void (this.known.has(name) ? this.engines.get(name)?.voices() : this.voicesOf(name))
  }

  close(): void {
    for (const engine of this.engines.values()) engine.close()
  }

  /** Asked once; again where it did not answer. */
  private async voicesOf(name: string): Promise<Result<VoiceView[], string>> {
    const engine = this.engines.get(name)
    if (!engine) return err(notSetUp(name))
    return this.known.get(name, () => this.ask(name, engine)).catch(() => err('The voice program cannot be asked.'))
  }

  private async ask(name: string, engine: SpeechEngine): Promise<Result<VoiceView[], string>> {
    const answer = await engine.voices()
    if (!answer.ok) {
      this.known.forget(name)
      return answer
    }
    const voices = answer.value.map(({ id, name: called, language }) => ({ engine: name, id, name: called, language }))
    return ok(voices.sort((a, b) => a.language.localeCompare(b.language) || a.name.localeCompare(b.name)))
  }
}

const notSetUp = (engine: string) => `The voice engine “${engine}” is not set up on this server.`

function speaks(voice: VoiceView, language: string): boolean {
  const wanted = alsoCalled[language] ?? language
  const own = voice.language.toLowerCase()
  return own === wanted || own.startsWith(`${wanted}-`) || own === language || own.startsWith(`${language}-`)
}

/**
 * The engines of this server: those that ship, and those that the operator names.
 * @param addresses HTTP engines by their names
 */
export function findEngines(addresses: Readonly<Record<string, string>>): SpeechEngines {
  const places = [
    join(dirname(resolve(process.argv[1] ?? '')), '../engines'),
    resolve('.output/engines'),
    resolve('engines'),
  ]
  const engines = new Map<string, SpeechEngine>()
  for (const name of shippedEngines) {
    const main = places.map((place) => join(place, name, 'main.mjs')).find((path) => existsSync(path))
    if (main) engines.set(name, new EngineProcess([process.execPath, main]))
  }
  for (const [name, address] of Object.entries(addresses)) engines.set(name, new HttpEngine(address.replace(/\/$/, '')))
  return new SpeechEngines(engines)
}
