import { defineEventHandler } from 'h3'
import { chatPage } from '../../../../stand-ins/consent/pages.ts'
import { sendPage } from '../../../standIns/consent.ts'
import { knownPlatform } from '../../../standIns/knownPlatform.ts'

/** The simulated platform's chat. */
export default defineEventHandler((event) => sendPage(event, chatPage(knownPlatform(event), null)))
