import { pathOfSource } from '../../boxes/createBox.ts'
import { defineEventHandler, getRequestURL } from 'h3'
import { studioBoxBody } from '../../../contract/triggers.ts'
import { ownBox } from '../../auth/access.ts'
import { readChecked } from '../../http/readChecked.ts'
import { problemError } from '../../system/problemError.ts'
import { withCalls } from '../../triggers/surroundings.ts'

/** Puts a box into scenes of the studio, as a browser source of the right size and rate. Its address is not shown. */
export default defineEventHandler(async (event) => {
  const { session, calls } = await withCalls(event, 'editor')
  const { boxId, scenes } = await readChecked(event, studioBoxBody)
  const box = await ownBox(session.channel.id, boxId)
  const { widthPx, heightPx, framesPerSecond } = box.draft.canvas
  const fault = await calls.act(session.channel.id, {
    do: 'order',
    order: {
      method: 'source.create',
      params: {
        ...{ key: `box:${box.id}`, name: box.name, scenes, widthPx, heightPx, framesPerSecond },
        url: `${getRequestURL(event).origin}${pathOfSource(box)}`,
      },
    },
  })
  if (fault) throw problemError(409, `The box could not be put into the studio: ${String(fault)}.`)
  return { ok: true }
})
