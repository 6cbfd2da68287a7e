import { defineEventHandler } from 'h3'
import { chirpVoices } from '../../../../stand-ins/voice/chirp.ts'

/** The voices of a simulated voice service; see docs/contract.md. */
export default defineEventHandler(() => ({ voices: chirpVoices }))
