import { defineEventHandler, getQuery } from 'h3'
import { consentPage } from '../../../../stand-ins/consent/pages.ts'
import { checkedAuthorisation, sendPage } from '../../../standIns/consent.ts'

/** The simulated platform's page on which somebody consents. */
export default defineEventHandler((event) => {
  const { platform, request } = checkedAuthorisation(event, getQuery(event))
  return sendPage(event, consentPage(platform, 'Thundercrest', request))
})
