import type { Zone } from '../composition/zone.ts'
import type { Edit } from './change.ts'
import { freeId } from './freeId.ts'

/** Adds a zone; its id is made unique by a number at its end. */
export function addZone(zone: Zone): Edit {
  return {
    label: `add zone ${zone.name}`,
    recipe: (draft) =>
      void draft.zones.push({ ...zone, id: freeId(zone.id, new Set(draft.zones.map((each) => each.id))) }),
  }
}

/** Changes fields of one zone; quick repeats become one step. */
export function changeZone(zoneId: string, changes: Partial<Omit<Zone, 'id'>>): Edit {
  return {
    label: 'zone',
    mergeKey: `zone/${zoneId}/${Object.keys(changes).join('+')}`,
    recipe: (draft) => {
      const zone = draft.zones.find((each) => each.id === zoneId)
      if (zone) Object.assign(zone, changes)
    },
  }
}

/** Takes a zone away. Particles that flew in it fly over the whole canvas. */
export function removeZone(zoneId: string): Edit {
  return {
    label: 'remove zone',
    recipe: (draft) => {
      draft.zones = draft.zones.filter((each) => each.id !== zoneId)
      for (const alert of draft.alerts) {
        for (const { composition } of alert.variations) {
          for (const part of composition.parts)
            if (part.kind === 'particles' && part.area.of === 'zone' && part.area.zoneId === zoneId)
              part.area = { of: 'canvas' }
        }
      }
    },
  }
}
