import { boardStates, type MadeUpContext } from '../../core/board/boardStates.ts'
import { resolveBoard, sceneOf } from '../../core/board/resolveBoard.ts'
import { wantsOf } from '../../core/board/wantsOf.ts'
import { remarksOf } from '../../core/remarks/remarksOf.ts'
import { isSame } from '../../core/isSame.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { createBoardPlay } from '../../player/board/boardPlay.ts'
import { boardStandsMs, madeUpTelling, restOf } from '../composables/useBoardScore.ts'
import type { Darkroom, Shot } from './darkroom.ts'
import { cannotBeDrawn, shownFile, type BoxContext, type ProofPicture } from './drawCase.ts'

function settledBoard({ document, dress, channel, media }: BoxContext): ResolvedScore | null {
  const scene = sceneOf(document)
  const { canvas, zones } = document
  const settled =
    scene && resolveBoard(scene, { canvas, zones, media, look: dress.look, swaps: dress.swaps, locale: channel.locale })
  return settled?.ok ? settled.value : null
}

/** A board in each of its states, beside what is on air where that looks otherwise. */
export async function drawBoard(
  darkroom: Darkroom,
  key: string,
  context: BoxContext,
  air: BoxContext | null,
  madeUp: MadeUpContext,
  signal: AbortSignal,
): Promise<ProofPicture[]> {
  const now = settledBoard(context)
  const before = air && settledBoard(air)
  const scene = sceneOf(context.document)
  if (!now || !scene)
    return [
      {
        ...{ key, shownWith: 'usual', picture: null, change: null, looked: null },
        remarks: [cannotBeDrawn('This board cannot be drawn: look at it on its page, which says why.')],
      },
    ]
  const shotOf = (score: ResolvedScore, state: (typeof boardStates)[number]): Shot => {
    const told = madeUpTelling(wantsOf(score), state, madeUp)
    const { locale, timeZone } = context.channel
    return {
      score,
      atMs: restOf(state),
      board: createBoardPlay(() => ({ told, wallZeroMs: madeUp.nowMs - boardStandsMs, locale, timeZone })),
    }
  }
  const isChanged = before !== null && !isSame(before, now)
  const taken = await darkroom.take(
    boardStates.map((state) => shotOf(now, state)),
    isChanged ? boardStates.map((state) => shotOf(before, state)) : null,
    signal,
  )
  return boardStates.map((state, index): ProofPicture => {
    const picture = taken[index]
    const base = { key: `${key}/${state}`, shownWith: state, looked: null }
    if (!picture)
      return { ...base, picture: null, change: null, remarks: [cannotBeDrawn('This picture could not be drawn.')] }
    const differs = isChanged && picture.difference !== 0
    const unknown = air && !before ? 'new' : null
    return {
      ...base,
      picture: shownFile(picture.file),
      change: differs ? { by: picture.difference ?? 1, before: picture.before && shownFile(picture.before) } : unknown,
      remarks: remarksOf({
        kinds: [],
        composition: scene,
        score: now,
        layouts: picture.prepared.layouts,
        zones: context.document.zones,
        messageText: '',
        soundLevel: context.dress.look.soundLevel,
        sounds: context.sounds,
        pictureColours: context.pictureColours,
        sceneColours: null,
      }),
    }
  })
}
