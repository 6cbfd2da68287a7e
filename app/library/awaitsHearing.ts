import type { PictureMeasured } from '../../contract/media.ts'

/** Whether a video has a sound that only a browser can measure, and none has. */
export const awaitsHearing = ({ ownSound }: Pick<PictureMeasured, 'ownSound'>): boolean =>
  Boolean(ownSound) && ownSound?.heard === null && ownSound.fault === null
