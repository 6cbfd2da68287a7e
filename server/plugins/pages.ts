import { setResponseHeader } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'
import { isPage, isRoute } from '../http/pages.ts'
import { newNonce, pagePolicy } from '../http/pagePolicy.ts'
import { problem } from '../system/problemError.ts'

/** What the pages of the application are served with; and that nothing else is served as one. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:before', (context) => {
    const { event } = context
    const path = event.path.split('?')[0] ?? '/'
    // What comes as far as here is answered by no route.
    const isOther = event.method !== 'GET'
    if (!isOther && !isRoute(path)) return
    const isThere = isOther && isPage(path)
    const body = isThere
      ? problem(405, 'There is a page here, to be read only. Routes are listed at /openapi.json.')
      : problem(
          404,
          'There is nothing at this address, or it does not take this method. Routes are listed at /openapi.json.',
        )
    context.response = {
      statusCode: body.status,
      statusMessage: body.title,
      headers: {
        'content-type': 'application/problem+json',
        'cache-control': 'no-store',
        ...(isThere ? { allow: 'GET, HEAD' } : {}),
      },
      body: JSON.stringify(body),
    }
  })
  nitro.hooks.hook('render:html', (html, { event }) => {
    if (import.meta.dev) return
    const nonce = newNonce()
    for (const part of [html.head, html.bodyAppend, html.bodyPrepend, html.body])
      part.forEach((text, index) => (part[index] = text.replaceAll(/<(script|style)(?=[ >])/g, `<$1 nonce="${nonce}"`)))
    // For what makes style sheets of its own: editors of text.
    html.head.push(`<meta property="csp-nonce" nonce="${nonce}">`)
    setResponseHeader(event, 'content-security-policy', pagePolicy(nonce))
  })
  nitro.hooks.hook('render:response', (response) => {
    delete response.headers?.['x-powered-by']
  })
})
