import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { err, type Result } from '../../core/result.ts'
import { shippedEngines, type VoiceChoice } from '../../core/speech/voiceChoice.ts'
import type { VoiceView } from '../../contract/speech.ts'
import { EngineProcess, type SpeechEngine, type Spoken } from './engine.ts'
import { HttpEngine } from './httpEngine.ts'

/** How languages that are guessed are called by voices, where that is another name. */
const alsoCalled: Record<string, string> = { zh: 'cmn', no: 'nb', tl: 'fil' }

/** All engines of this server under one roof: who has which voices, and who speaks. */
export class SpeechEngines {
  private known: Promise<{ voices: VoiceView[]; troubles: { engine: string; reason: string }[] }> | null = null

  constructor(private readonly engines: ReadonlyMap<string, SpeechEngine>) {}

  /** Every voice, those of the shipped engines first. Asked once; asked again where an engine did not answer. */
  async voices(): Promise<{ voices: VoiceView[]; troubles: { engine: string; reason: string }[] }> {
    this.known ??= this.ask()
    const found = await this.known
    if (found.troubles.length > 0) this.known = null
    return found
  }

  async speak(text: string, { engine, voice, rate, pitch }: VoiceChoice): Promise<Result<Spoken, string>> {
    const found = this.engines.get(engine)
    return found ? found.speak({ text, voice, rate, pitch }) : err(`The voice engine “${engine}” is not set up on this server.`)
  }

  /** The voice for a text in a language: the chosen one where it speaks it, else another of its engine, else one of an engine that does. */
  async voiceFor(choice: VoiceChoice, language: string): Promise<VoiceChoice> {
    const { voices } = await this.voices()
    const chosen = voices.find(({ engine, id }) => engine === choice.engine && id === choice.voice)
    if (!chosen || speaks(chosen, language)) return choice
    const others = voices.filter((voice) => speaks(voice, language))
    const plainest = (some: readonly VoiceView[]) => some.find((voice) => voice.language.toLowerCase() === (alsoCalled[language] ?? language)) ?? some[0]
    const other = plainest(others.filter(({ engine }) => engine === choice.engine)) ?? plainest(others)
    return other ? { ...choice, engine: other.engine, voice: other.id } : choice
  }

  close(): void {
    for (const engine of this.engines.values()) engine.close()
  }

  private async ask() {
    const voices: VoiceView[] = []
    const troubles: { engine: string; reason: string }[] = []
    await Promise.all(
      [...this.engines].map(async ([name, engine]) => {
        const answer = await engine.voices()
        if (answer.ok) voices.push(...answer.value.map(({ id, name: called, language }) => ({ engine: name, id, name: called, language })))
        else troubles.push({ engine: name, reason: answer.error })
      }),
    )
    const order = [...this.engines.keys()]
    voices.sort((a, b) => order.indexOf(a.engine) - order.indexOf(b.engine) || a.language.localeCompare(b.language) || a.name.localeCompare(b.name))
    return { voices, troubles }
  }
}

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
  const places = [join(dirname(resolve(process.argv[1] ?? '')), '../engines'), resolve('.output/engines'), resolve('engines')]
  const engines = new Map<string, SpeechEngine>()
  for (const name of shippedEngines) {
    const main = places.map((place) => join(place, name, 'main.mjs')).find((path) => existsSync(path))
    if (main) engines.set(name, new EngineProcess([process.execPath, main]))
  }
  for (const [name, address] of Object.entries(addresses)) engines.set(name, new HttpEngine(address.replace(/\/$/, '')))
  return new SpeechEngines(engines)
}
