import { definePort } from '../system/port.ts'

/** What handlers need of goals. */
export interface GoalsPort {
  /** Something of a channel's goals has changed. Resolves when they have been looked at anew; screens show it. */
  goalsChanged: (channelId: string) => Promise<void>
}

export const { provide: provideGoals, use: useGoals } = definePort<GoalsPort>('Goals')
