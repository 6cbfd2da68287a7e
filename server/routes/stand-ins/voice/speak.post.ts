import { defineEventHandler } from 'h3'
import * as z from 'zod'
import { chirp, chirpVoices } from '../../../../stand-ins/voice/chirp.ts'
import { readChecked } from '../../../http/readChecked.ts'

const speakBody = z.object({ text: z.string().min(1).max(600), voice: z.string().max(120), rate: z.number().default(165), pitch: z.number().min(0).max(100).default(50) })

/** A simulated voice service says something; see docs/contract.md. */
export default defineEventHandler(async (event) => {
  const { text, voice, rate, pitch } = await readChecked(event, speakBody)
  return chirpVoices.some(({ id }) => id === voice) ? chirp(text, rate, pitch) : { error: 'This voice is not known here.' }
})
