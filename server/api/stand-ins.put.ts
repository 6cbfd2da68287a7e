import { defineEventHandler } from 'h3'
import { standInsBody } from '../../contract/triggers.ts'
import { setStandIns } from '../db/queries/standIns.ts'
import { readChecked } from '../http/readChecked.ts'
import { withCalls } from '../triggers/surroundings.ts'

/** Switches simulated platforms, chat and studio on or off for this server; in the demo they are always on. */
export default defineEventHandler(async (event) => {
  const { session, db, standIns, changed } = await withCalls(event, 'owner')
  const { isOn } = await readChecked(event, standInsBody)
  await setStandIns(db, session.channel.id, isOn)
  standIns.standInsChanged()
  changed()
  return { isOn: await standIns.standInsAnswer() }
})
