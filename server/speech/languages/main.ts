// The process that tells languages apart: what it knows of sixty of them is larger than all the rest of the server, and is
// needed only while somebody writes. It is started when it is first asked, and ended when nobody asks any more.
import { guessLanguage } from './guessLanguage.ts'
import type { GuessQuestion } from './languageProcess.ts'

process.on('message', ({ id, texts, own }: GuessQuestion) =>
  process.send?.({ id, languages: texts.map((text) => guessLanguage(text, own)) }),
)
process.on('disconnect', () => process.exit(0))
process.send?.('ready')
