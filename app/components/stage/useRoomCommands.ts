import { dragClip, type ClipHandle } from '../../../core/edit/clipEdits.ts'
import { copyOf } from '../../../core/copyOf.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import { layoutNames } from '../../../core/arrange/layouts.ts'
import type { SolvedClip } from '../../../core/score/solve.ts'
import { useKeys } from '../../composables/useKeys.ts'
import { useClipboardStore } from '../../stores/clipboard.ts'
import { useCommands, type Command } from '../../stores/commands.ts'
import { useShownLook } from '../../composables/useShownLook.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { layoutWords } from './layoutWords.ts'
import { inDialog, isInList, isPressing, isTyping } from './typing.ts'
import { useClipboardActs, useClipboardKeys } from './useClipboardActs.ts'
import { newBoardParts, newParticles, newParts } from './newParts.ts'
import { useSelectionActs } from './useSelectionActs.ts'

interface Room {
  canEdit: () => boolean
  play: () => void
  seek: (tMs: number) => void
  tMs: () => number
  lengthMs: () => number
  /** When the parts are there; null where that cannot be solved. */
  clips: () => Readonly<Record<string, SolvedClip>> | null
  showKeys: () => void
  publish: () => void
  toggleSound: () => void
  /** Absent where nothing of it can be saved. */
  savePicture?: () => void
  saveFilm?: () => void
}

/** All that the score room can do by name or key: one list for the keys, the palette and the key map. */
export function useRoomCommands(room: Room): void {
  const draft = useDraftStore()
  const selection = useScoreRoomStore()
  const view = useRoomViewStore()
  const clipboard = useClipboardStore()
  const acts = useSelectionActs()
  const pasting = useClipboardActs()
  const look = useShownLook()

  /** Drags the selected clips, each by what its own times ask for. */
  function dragSelected(what: string, handle: ClipHandle, byMs: (clip: SolvedClip) => number): void {
    const clips = room.clips()
    if (!clips || !selection.address) return
    draft.edit(
      editParts(selection.address, selection.partIds, what, (part) => {
        const clip = clips[part.id]
        if (clip) dragClip(part, { clip: copyOf(part.clip), solved: clip }, handle, byMs(clip), look.value)
      }),
    )
  }
  function step(by: 1 | -1): void {
    const ids = selection.parts.map((part) => part.id).reverse()
    const at = selection.part ? ids.indexOf(selection.part.id) : -1
    selection.select(ids[(at + by + ids.length) % ids.length] ?? null)
  }

  const edits: Command[] = [
    { name: 'Undo', keys: '$mod+z', group: 'Edit', run: draft.undo },
    { name: 'Redo', keys: '$mod+Shift+z', group: 'Edit', run: draft.redo },
    {
      name: 'Copy parts, or the case where none is selected',
      keys: '$mod+c',
      isEvent: true,
      group: 'Edit',
      run: pasting.copy,
    },
    { name: 'Cut parts', keys: '$mod+x', isEvent: true, group: 'Edit', run: () => pasting.copy().then(acts.remove) },
    { name: 'Copy this case', keys: null, group: 'Edit', run: pasting.copyCase },
    { name: 'Paste parts or a case', keys: '$mod+v', isEvent: true, group: 'Edit', run: pasting.paste },
    { name: 'Duplicate parts', keys: '$mod+d', group: 'Edit', run: clipboard.duplicate },
    { name: 'Paste style', keys: '$mod+Shift+v', group: 'Edit', run: clipboard.pasteStyle },
    { name: 'Paste motion', keys: '$mod+Alt+v', group: 'Edit', run: clipboard.pasteMotion },
    { name: 'Remove parts', keys: 'Delete', group: 'Edit', run: acts.remove },
    { name: 'Select all parts', keys: '$mod+a', group: 'Select', run: acts.selectAll },
    { name: 'Select the part below in the score', keys: 'Alt+ArrowDown', group: 'Select', run: () => step(1) },
    { name: 'Select the part above in the score', keys: 'Alt+ArrowUp', group: 'Select', run: () => step(-1) },
    { name: 'Group parts', keys: '$mod+g', group: 'Arrange', run: acts.group },
    { name: 'Ungroup parts', keys: '$mod+Shift+g', group: 'Arrange', run: acts.ungroup },
    { name: 'Bring forward', keys: '$mod+BracketRight', group: 'Arrange', run: () => acts.order('forward') },
    { name: 'Send backward', keys: '$mod+BracketLeft', group: 'Arrange', run: () => acts.order('backward') },
    { name: 'Bring to the front', keys: null, group: 'Arrange', run: () => acts.order('front') },
    { name: 'Send to the back', keys: null, group: 'Arrange', run: () => acts.order('back') },
    { name: 'Lock or unlock parts', keys: '$mod+l', group: 'Arrange', run: acts.toggleLock },
    { name: 'Hide or show parts', keys: '$mod+h', group: 'Arrange', run: acts.toggleHidden },
    { name: 'Centre left to right', keys: 'Shift+c', group: 'Arrange', run: () => acts.centre('x') },
    { name: 'Centre top to bottom', keys: 'Shift+m', group: 'Arrange', run: () => acts.centre('y') },
    {
      name: 'Start at the playhead',
      keys: 'BracketLeft',
      group: 'Time',
      run: () => dragSelected('start at the playhead', 'start', (clip) => room.tMs() - clip.startMs),
    },
    {
      name: 'End at the playhead',
      keys: 'BracketRight',
      group: 'Time',
      run: () => dragSelected('end at the playhead', 'end', (clip) => room.tMs() - clip.endMs),
    },
    {
      name: 'Move 0.05 s earlier',
      keys: 'Alt+ArrowLeft',
      group: 'Time',
      run: () => dragSelected('moved in time', 'whole', () => -50),
    },
    {
      name: 'Move 0.05 s later',
      keys: 'Alt+ArrowRight',
      group: 'Time',
      run: () => dragSelected('moved in time', 'whole', () => 50),
    },
    ...(draft.document?.stays ? newBoardParts : newParts).map(({ name, make }) => ({
      name,
      keys: null,
      group: 'Add',
      run: () => draft.document && acts.add(make(draft.document.canvas, selection.parts)),
    })),
    ...newParticles.map(({ label, make }) => ({
      name: `Add particles: ${label}`,
      keys: null,
      group: 'Add',
      run: () => draft.document && acts.add(make(draft.document.canvas)),
    })),
    ...layoutNames.flatMap((layout) =>
      [false, true].map((isMirrored) => ({
        name: `Layout: ${layoutWords[layout]}${isMirrored ? ', mirrored' : ''}`,
        keys: null,
        group: 'Layout',
        run: () => acts.lay(layout, isMirrored),
      })),
    ),
  ]
  const looks: Command[] = [
    { name: 'Play from the start, or stop', keys: 'Space', group: 'Play', run: room.play },
    { name: 'Loop around the selected part', keys: 'l', group: 'Play', run: loopSelected },
    { name: 'Go to the beginning', keys: 'Home', group: 'Play', run: () => room.seek(0) },
    { name: 'Go to the end', keys: 'End', group: 'Play', run: () => room.seek(room.lengthMs()) },
    { name: 'Sound of this page on or off', keys: 'm', group: 'Play', run: room.toggleSound },
    { name: 'Larger stage', keys: '$mod+Equal', group: 'Look', run: () => view.zoomBy(1.25) },
    { name: 'Smaller stage', keys: '$mod+Minus', group: 'Look', run: () => view.zoomBy(1 / 1.25) },
    { name: 'Fit the stage', keys: '$mod+Digit0', group: 'Look', run: () => (view.zoom = 1) },
    {
      name: 'The stage alone, or with all around it',
      keys: 'f',
      group: 'Look',
      run: () => (view.isAlone = !view.isAlone),
    },
    ...(room.savePicture
      ? [{ name: 'Save this moment as a picture (PNG)', keys: null, group: 'Look', run: room.savePicture } as const]
      : []),
    ...(room.saveFilm
      ? [
          {
            name: 'Save this case as a film or a moving picture…',
            keys: null,
            group: 'Look',
            run: room.saveFilm,
          } as const,
        ]
      : []),
    { name: 'Zones of the canvas', keys: 'z', group: 'Look', run: () => view.toggle('zones') },
    { name: 'Look of this box', keys: null, group: 'Look', run: () => view.toggle('look') },
    { name: 'Packs and dials', keys: 'd', group: 'Look', run: () => view.toggle('dials') },
    { name: 'Show all keys', keys: 'Shift+?', group: 'Look', run: room.showKeys },
    { name: 'Put on air…', keys: null, group: 'Air', run: room.publish },
  ]

  function loopSelected(): void {
    const clip = selection.part && room.clips()?.[selection.part.id]
    view.loop =
      view.loop || !clip
        ? null
        : { fromMs: Math.max(0, clip.startMs - 300), toMs: Math.min(room.lengthMs(), clip.endMs + 300) }
  }

  const guarded = (commands: readonly Command[], isEdit: boolean) =>
    Object.fromEntries(
      commands.flatMap(({ keys, run, isEvent }) =>
        keys === null || isEvent
          ? []
          : [
              [
                keys,
                (event: KeyboardEvent) => {
                  const isPlain = !keys.includes('$mod') && !keys.includes('Alt')
                  if (
                    isTyping(event) ||
                    inDialog(event) ||
                    (isPlain && isInList(event)) ||
                    (keys === 'Space' && isPressing(event)) ||
                    (isPlain && ['Home', 'End'].includes(keys) && isPressing(event))
                  )
                    return
                  if (isEdit && !room.canEdit()) return
                  event.preventDefault()
                  run()
                },
              ],
            ],
      ),
    )
  useKeys({
    ...guarded(looks, false),
    ...guarded(edits, true),
    '$mod+y': (event: KeyboardEvent) => void (!isTyping(event) && (event.preventDefault(), draft.redo())),
  })
  useClipboardKeys(room.canEdit, acts.remove)
  useCommands([...looks, ...edits])
}
