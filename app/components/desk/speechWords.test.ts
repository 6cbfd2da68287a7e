import { describe, expect, it } from 'vitest'
import type { DeskSpeech } from '../../../contract/speech.ts'
import { readText, unreadWords, writtenText } from './speechWords.ts'

type Said = DeskSpeech['sayings'][number]
const said = (changes: Partial<Said> = {}): Said => ({
  of: 'message',
  written: 'good evening',
  text: 'good evening',
  outcome: 'kept',
  reason: null,
  durationMs: 900,
  ...changes,
})
const play = (sayings: Said[], changes: Partial<DeskSpeech> = {}, approval: 'none' | 'withheld' = 'none') => ({
  approval,
  speech: { sayings, state: 'ready' as const, note: null, ...changes },
})
const line = said({ of: 'line', text: 'pip_rye left €5.00', written: 'pip_rye left €5.00' })

describe('what the desk says of a voice', () => {
  it('is what will be read, the line and the message', () =>
    expect(readText(play([line, said()]))).toBe('pip_rye left €5.00 · good evening'))
  it('leaves out what is not read, and says why', () => {
    const refused = play([
      line,
      said({ outcome: 'refused', text: '', reason: 'The amount is below what is read here.' }),
    ])
    expect([readText(refused), unreadWords(refused)]).toEqual([
      'pip_rye left €5.00',
      'The message is not read: The amount is below what is read here.',
    ])
    const withheld = play([line, said()], {}, 'withheld')
    expect([readText(withheld), unreadWords(withheld)]).toEqual(['pip_rye left €5.00', 'Not read.'])
    expect(unreadWords(play([line, said()], { note: 'The voice was not ready in time.' }))).toBe(
      'The voice was not ready in time.',
    )
    expect(
      unreadWords(
        play([line, said()], { note: 'The voice was not ready in time.', verdict: 'Silenced by tallowmoth.' }),
      ),
    ).toBe('Silenced by tallowmoth.')
  })
  it('shows what was written only where cleaning changed it', () => {
    expect(writtenText(play([line, said()]))).toBeNull()
    expect(
      writtenText(play([line, said({ outcome: 'changed', written: 'gooooood evening', text: 'good evening' })])),
    ).toBe('gooooood evening')
  })
  it('is nothing where nothing speaks', () => {
    const silent = { approval: 'none' as const, speech: null }
    expect([readText(silent), unreadWords(silent), writtenText(silent)]).toEqual(['', '', null])
  })
})
