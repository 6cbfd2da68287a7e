import type { KeyLimits } from './keyLimits.ts'
import type { SignInLimits } from './loginLimit.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of signing in. */
export interface SignInPort {
  /** Signs cookies and addresses; the same for all processes on one database. */
  secret: string
  signInLimits: SignInLimits
  keyLimits: KeyLimits
}

export const { provide: provideSignIn, use: useSignIn } = definePort<SignInPort>('Signing in')
