import { useFileDialog } from '@vueuse/core'
import { ref } from 'vue'
import type { IntakeView } from '../../contract/media.ts'
import { useMediaStore } from '../stores/media.ts'
import { useUploadsStore } from '../stores/uploads.ts'
import { soundAsWav } from './decodeSound.ts'

/** Files of this session by name and size, for reading the sound of one that the server cannot decode. */
const given = new Map<string, File>()
const keyOf = (name: string, sizeBytes: number) => `${sizeBytes}/${name}`

export function rememberGiven(files: readonly File[]): void {
  for (const file of files) given.set(keyOf(file.name, file.size), file)
}

/** Reading a sound in this browser, and sending it as WAV in the place of the file that was refused. */
export function useArrivalSound() {
  const uploads = useUploadsStore()
  const media = useMediaStore()
  const decoding = ref<string | null>(null)
  const refusal = ref('')
  const { open, onChange } = useFileDialog({ multiple: false })
  let asked: IntakeView | null = null

  async function read(intake: IntakeView, file: File): Promise<void> {
    decoding.value = intake.id
    refusal.value = ''
    try {
      uploads.send([await soundAsWav(file, intake.name)])
      await media.dismiss(intake.id)
    } catch {
      refusal.value = `This browser cannot decode ${intake.name} either. Save it as MP3, Ogg or WAV.`
    } finally {
      decoding.value = null
    }
  }
  onChange((files) => {
    const [file] = files ?? []
    if (file && asked) void read(asked, file)
  })

  return {
    decoding,
    refusal,
    decodeHere(intake: IntakeView): void {
      const known = given.get(keyOf(intake.name, intake.sizeBytes))
      if (known) return void read(intake, known)
      asked = intake
      open()
    },
  }
}
