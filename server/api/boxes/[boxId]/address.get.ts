import { defineEventHandler, getRequestURL, setResponseHeader } from 'h3'
import { requireBox } from '../../../auth/access.ts'
import { pathOfSource } from '../../../boxes/createBox.ts'
import { pathId } from '../../../http/pathId.ts'

/** The browser source's address: asked for on purpose, never part of what a screen loads anyway. */
export default defineEventHandler(async (event) => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  setResponseHeader(event, 'cache-control', 'no-store')
  return { url: `${getRequestURL(event).origin}${pathOfSource(box)}` }
})
