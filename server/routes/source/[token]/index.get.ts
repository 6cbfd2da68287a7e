import { defineEventHandler, removeResponseHeader, setResponseHeaders, setResponseStatus } from 'h3'
import { playerScriptUrl } from '#thundercrest/player'
import { newNonce, permissions, sourcePolicy } from '../../../http/pagePolicy.ts'
import { boxOfToken } from '../../../realtime/boxOfToken.ts'
import { sourceDocument } from '../../../realtime/sourceDocument.ts'

/** The browser source page: transparent, without framework and without cookies. */
export default defineEventHandler(async (event) => {
  const nonce = newNonce()
  setResponseHeaders(event, {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'referrer-policy': 'no-referrer',
    'x-robots-tag': 'noindex',
    'x-content-type-options': 'nosniff',
    'content-security-policy': sourcePolicy(nonce),
    'permissions-policy': permissions,
  })
  // A broadcast program may show it inside a page of its own; without its address nobody can.
  removeResponseHeader(event, 'x-frame-options')
  const box = await boxOfToken(event.context.params?.token ?? '')
  if (!box) setResponseStatus(event, 404)
  // Gone, but the page goes on trying: the box may be brought back.
  else if (box.putAwayAt) setResponseStatus(event, 410)
  return sourceDocument(box ? playerScriptUrl : null, nonce)
})
