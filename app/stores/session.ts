import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Role, SessionAnswer, SessionView } from '../../contract/views.ts'
import type { SignInBody, WelcomeBody } from '../../contract/bodies.ts'
import { request } from '../api/request.ts'

/** Where somebody's work begins: a moderator's at the desk, and so does whoever has nothing else. */
export const firstPageOf = (role: Role): string => (role === 'moderator' || role === 'desk' ? '/desk' : '/boxes')

/** Who is signed in. */
export const useSessionStore = defineStore('session', () => {
  const session = ref<SessionView | null>(null)
  const machine = ref('')
  const needsWelcome = ref(false)
  const demoAccounts = ref<SessionAnswer['demoAccounts']>([])
  let isLoaded = false

  async function load(): Promise<void> {
    const answer = await request<SessionAnswer>('GET', '/api/session')
    session.value = answer.session
    machine.value = answer.machine
    needsWelcome.value = answer.needsWelcome
    demoAccounts.value = answer.demoAccounts
    isLoaded = true
  }

  return {
    session,
    /** Names this machine as sources name theirs; empty where that cannot be told. */
    machine,
    needsWelcome,
    demoAccounts,
    canEdit: computed(() => session.value?.role === 'owner' || session.value?.role === 'editor'),
    /** They see the desk and nothing else. */
    isDeskOnly: computed(() => session.value?.role === 'desk'),
    isOwner: computed(() => session.value?.role === 'owner'),
    load,
    ensureLoaded: async () => void (isLoaded || (await load())),
    async signIn(body: SignInBody): Promise<void> {
      await request('POST', '/api/session', body)
      await load()
    },
    /** Asks the device who its owner is. @throws what the device or the server refuses */
    async signInByPasskey(): Promise<void> {
      const { startAuthentication } = await import('@simplewebauthn/browser')
      type Options = Parameters<typeof startAuthentication>[0]['optionsJSON']
      const optionsJSON = await request<Options>('POST', '/api/session/passkey-options')
      await request('POST', '/api/session/passkey', { answer: await startAuthentication({ optionsJSON }) })
      await load()
    },
    async welcome(body: WelcomeBody): Promise<void> {
      await request('POST', '/api/welcome', body)
      await load()
    },
    /** Works in another of one's channels: nothing of the one before stays on the page. */
    async goTo(channelId: string): Promise<void> {
      await request('PUT', '/api/session/channel', { channelId })
      location.assign('/')
    },
    async signOut(): Promise<void> {
      await request('DELETE', '/api/session')
      session.value = null
    },
  }
})
