import { definePort } from '../system/port.ts'

/** What handlers need of goals. */
export interface GoalsPort {
  /** Something of a channel's goals has changed: they are looked at anew, and screens show it. */
  goalsChanged: (channelId: string) => void
}

export const { provide: provideGoals, use: useGoals } = definePort<GoalsPort>('Goals')
