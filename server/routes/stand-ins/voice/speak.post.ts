import { defineEventHandler } from 'h3'
import * as z from 'zod'
import { answerOf } from '../../../../stand-ins/voice/chirp.ts'
import { readChecked } from '../../../http/readChecked.ts'

const speakBody = z.object({
  text: z.string().max(20_000),
  voice: z.string().max(120),
  rate: z.number().min(1).max(1000).optional(),
  pitch: z.number().min(0).max(100).optional(),
})

/** A simulated voice service says something; see docs/contract.md. */
export default defineEventHandler(async (event) => answerOf(await readChecked(event, speakBody)))
