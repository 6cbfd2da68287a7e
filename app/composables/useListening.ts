import { ref } from 'vue'
import { places, rememberLately } from '../../player/preload/remember.ts'

let context: AudioContext | null = null
const decode = rememberLately(async (url: string) => {
  const answer = await fetch(url)
  if (!answer.ok) throw new Error('The sound is gone')
  return new OfflineAudioContext(1, 1, 48_000).decodeAudioData(await answer.arrayBuffer())
}, places<AudioBuffer>(20))

/** What is heard now: one sound at a time in the whole interface. */
const heard = ref<{ url: string; gainDb: number } | null>(null)
const refusal = ref('')
let stopNow: (() => void) | null = null

/** Listening to files before they are chosen, as they were recorded or as they will be on air. */
export function useListening() {
  function stop(): void {
    stopNow?.()
    stopNow = null
    heard.value = null
  }

  /** Plays a file from its start; what is heard already is stopped. */
  async function listen(url: string, gainDb: number): Promise<void> {
    stop()
    refusal.value = ''
    heard.value = { url, gainDb }
    try {
      const buffer = await decode(url)
      context ??= new AudioContext()
      await context.resume()
      if (heard.value?.url !== url || heard.value.gainDb !== gainDb) return
      const source = new AudioBufferSourceNode(context, { buffer })
      const gain = new GainNode(context, { gain: 10 ** (gainDb / 20) })
      source.connect(gain).connect(context.destination)
      source.addEventListener('ended', () => {
        if (stopNow === end) stop()
      })
      const end = () => source.stop()
      stopNow = end
      source.start()
    } catch {
      heard.value = null
      refusal.value = 'This browser cannot play the file.'
    }
  }

  const isHeard = (url: string, gainDb: number) => heard.value?.url === url && heard.value.gainDb === gainDb

  return {
    heard,
    refusal,
    stop,
    /** Plays it, or stops it when it is what is heard. */
    toggle: (url: string, gainDb: number) => (isHeard(url, gainDb) ? stop() : void listen(url, gainDb)),
    isHeard,
  }
}
