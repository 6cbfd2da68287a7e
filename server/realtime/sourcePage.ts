import { defineEventHandler, removeResponseHeader, setResponseHeaders, setResponseStatus } from 'h3'
import { playerScripts } from '#thundercrest/player'
import { newNonce, permissions, sourcePolicy } from '../http/pagePolicy.ts'
import { boxOfToken } from './boxOfToken.ts'
import { sourceDocument } from './sourceDocument.ts'

/** A page that shows a box, or a board: transparent, without framework and without cookies. */
export const sourcePage = (of: 'box' | 'board') =>
  defineEventHandler(async (event) => {
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
    const box = await boxOfToken(event.context.params?.token ?? '', of)
    if (!box) setResponseStatus(event, 404)
    // Gone, but the page goes on trying: the box may be brought back.
    else if (box.putAwayAt) setResponseStatus(event, 410)
    return sourceDocument(box ? playerScripts[of === 'box' ? 'source' : 'board'] : null, nonce)
  })
