import type { ChannelOnAir } from '../core/response/channelOnAir.ts'

/** What a rehearsal has to know of a channel beside the box that it rehearses; nothing in it is secret to its members. */
export type NightChannel = Omit<ChannelOnAir, 'flags' | 'historyKinds' | 'boxes' | 'boards'>
