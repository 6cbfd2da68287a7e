import { defineEventHandler } from 'h3'
import { accountOfBearer } from '../../../standIns/consent.ts'
import { knownPlatform } from '../../../standIns/knownPlatform.ts'

/** Whose account a token is for. */
export default defineEventHandler((event) => ({ account: accountOfBearer(event, knownPlatform(event)) }))
