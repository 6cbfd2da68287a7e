import { createSoundOutput, type SoundOutput } from '../../player/sound/output.ts'

let shared: SoundOutput | null = null

/** One audio graph for all stages of this tab, made inside the first click that wants sound. */
export function soundOutput(): SoundOutput {
  shared ??= createSoundOutput()
  return shared
}
