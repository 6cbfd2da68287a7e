/** What a file may be. Everything here is checked before anything is decoded that could grow beyond it. */
export const limits = {
  pictureBytes: 24 * 1024 * 1024,
  soundBytes: 64 * 1024 * 1024,
  videoBytes: 64 * 1024 * 1024,
  vectorBytes: 4 * 1024 * 1024,
  fontBytes: 16 * 1024 * 1024,
  sidePx: 8192,
  /** Width × height × frames: sixty frames of full HD. */
  pixels: 1920 * 1080 * 60,
  frames: 600,
  soundMs: 10 * 60_000,
  videoMs: 5 * 60_000,
  vectorMs: 60_000,
  /** With everything that is used several times in each of its places. */
  vectorLayers: 2000,
  vectorShapes: 20_000,
  vectorPictureSidePx: 4096,
} as const

/** The measuring process may take this much memory; beyond it, it is ended and the file refused. */
export const measureMemoryBytes = 900 * 1024 * 1024
/** And this long for one file. */
export const measureDeadlineMs = 45_000
