import type { BoxDocument } from '../../core/composition/box.ts'
import type { Canvas } from '../../core/composition/canvas.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { changeBox } from '../../core/edit/change.ts'
import { fitToCanvas } from '../../core/pack/fitToCanvas.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { allOf, takePack } from '../../core/pack/takePack.ts'
import { addBox, countBoxes, type BoxRow } from '../db/queries/boxes.ts'
import { newId, newSecret } from '../system/ids.ts'
import { problemError } from '../system/problemError.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'
import { useLines } from '../queue/port.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

/** The secret in the address of a browser source: it says by itself what is shown there. */
export const newAddress = (isBoard: boolean): string => newSecret(isBoard ? 'brd' : 'src')

/** Where a browser source finds what it shows. */
export const pathOfSource = ({ isBoard, sourceToken }: Pick<BoxRow, 'isBoard' | 'sourceToken'>): string =>
  `/${isBoard ? 'board' : 'source'}/${sourceToken}`

const boxesMax = 30
/** With those that are put away: nobody fills a database by making and putting away. */
const boxesKeptMax = 300

/** @throws 409 where a channel has as many boxes as it can have */
export async function checkRoomForBox(channelId: string): Promise<void> {
  const { database } = await useDatabase()
  const { shown, putAway } = await countBoxes(database.db, channelId)
  if (shown >= boxesMax) throw problemError(409, `A channel holds at most ${boxesMax} boxes. Put one away first.`)
  if (shown + putAway >= boxesKeptMax)
    throw problemError(409, `A channel keeps at most ${boxesKeptMax} boxes, with those that are put away.`)
}

/** Makes a box with one alert to begin with, a follow; nothing is on air yet. @returns its id */
export async function createBox(channelId: string, name: string, canvas: Canvas): Promise<string> {
  const draft: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
  return createBoxOf(channelId, name, draft)
}

/** Makes a box of a document; nothing is on air yet. @returns its id */
export async function createBoxOf(channelId: string, name: string, draft: BoxDocument): Promise<string> {
  const { database } = await useDatabase()
  const { takeFreeLanes } = await useLines()
  const { onAir } = await useChannels()
  await checkRoomForBox(channelId)
  const id = newId('box')
  const isBoard = draft.stays === true
  await addBox(database.db, { id, channelId, name, draft, isBoard, sourceToken: newAddress(isBoard) })
  await takeFreeLanes()
  onAir.forget(channelId)
  return id
}

/**
 * Makes a box that has taken all of a pack and behaves on air as its designer's does, on a canvas that may be another
 * than the designer's; nothing is on air yet.
 * @returns its id
 */
export async function createBoxOfPack(
  channelId: string,
  name: string,
  shelfId: string,
  pack: Manifest,
  canvas: Canvas,
): Promise<string> {
  const { zones } = fitToCanvas(pack.box, canvas)
  const { policy } = pack.box
  const taken = changeBox({ ...plainBox(canvas, []), zones, policy }, takePack(pack, shelfId, allOf(pack)))
  if (!taken.ok) throw problemError(422, `The pack does not fit this canvas: ${taken.error}`)
  return createBoxOf(channelId, name, taken.value.document)
}
