import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import {
  fromStudio,
  studioErrors,
  studioHello,
  studioMessageMaxBytes,
  studioProof,
  studioScenes,
  type StudioSaid,
  type StudioScenes,
  type ToStudio,
} from '../../contract/studioLink.ts'
import type { z } from 'zod'

/** The socket of a studio, as far as talking with it goes. */
export interface StudioPeer {
  id: string
  send(text: string): unknown
  close(code?: number, reason?: string): void
}

interface StudioLinksDependencies {
  /** The secret of a channel's link; null where it has none. */
  secretOf: (channelId: string) => Promise<string | null>
  onSaid: (channelId: string, linkId: string, said: StudioSaid) => Promise<void>
  onError: (error: unknown) => void
}

interface Link {
  peer: StudioPeer
  name: string
  channelId: string | null
  challenge: string
  isProven: boolean
  /** What it has said that it shows; null: nothing yet. */
  shows: StudioScenes | null
  patience: ReturnType<typeof setTimeout>
  said: Promise<void>
  waiting: number
}

/** A program proves who it is within this. */
const provesWithinMs = 10_000
const linksMax = 100
const waitingMax = 200

/** What proves that somebody knows the secret of a link: HMAC-SHA256 over the challenge, in hexadecimal. */
export const proofOf = (secret: string, challenge: string): string =>
  createHmac('sha256', secret).update(challenge).digest('hex')

/** By what the first question is known. */
const listId = 'scenes'

type Rpc = z.infer<typeof fromStudio>

/** The broadcast programs that are connected to this process; see docs/studio-link.md. */
export class StudioLinks {
  private readonly links = new Map<string, Link>()

  constructor(private readonly deps: StudioLinksDependencies) {}

  open(peer: StudioPeer): void {
    if (this.links.size >= linksMax) return peer.close(1013, 'too many links')
    const patience = setTimeout(() => peer.close(1008, 'no proof'), provesWithinMs)
    patience.unref()
    this.links.set(peer.id, {
      ...{ peer, name: '', channelId: null, challenge: '', isProven: false, shows: null, patience, waiting: 0 },
      said: Promise.resolve(),
    })
  }

  /** Takes a message; resolves when it and all before it have been dealt with. */
  hear(peerId: string, text: string, bytes: number): Promise<void> {
    const link = this.links.get(peerId)
    if (!link) return Promise.resolve()
    if (bytes > studioMessageMaxBytes) return this.refuse(link, 1009, 'too large')
    if (link.waiting >= waitingMax) return this.refuse(link, 1008, 'too many at once')
    link.waiting += 1
    link.said = link.said.then(async () => {
      link.waiting -= 1
      try {
        if (this.links.get(peerId) === link) await this.take(link, text)
      } catch (error) {
        this.deps.onError(error)
        link.peer.close(1013, 'not now')
      }
    })
    return link.said
  }

  close(peerId: string): void {
    const link = this.links.get(peerId)
    if (!link) return
    clearTimeout(link.patience)
    this.links.delete(peerId)
    if (link.isProven && link.channelId !== null) this.say(link.channelId, peerId, { type: 'gone' })
  }

  /** Something for the studio of a channel, if it is connected here: the newest of several. */
  send(channelId: string, message: ToStudio): void {
    const own = [...this.links.values()].filter((link) => link.isProven && link.channelId === channelId)
    if (message.type === 'leave') {
      for (const { peer } of own) peer.close(4001, message.reason)
      return
    }
    const { method, params } = message.order
    own.at(-1)?.peer.send(JSON.stringify({ jsonrpc: '2.0', id: message.number, method, params }))
  }

  closeAll(): void {
    for (const { peer } of this.links.values()) peer.close(1012, 'restarting')
  }

  private refuse(link: Link, code: number, reason: string): Promise<void> {
    link.peer.close(code, reason)
    return link.said
  }

  private say(channelId: string, linkId: string, said: StudioSaid): void {
    this.deps.onSaid(channelId, linkId, said).catch(this.deps.onError)
  }

  private async take(link: Link, text: string): Promise<void> {
    const message = parsed(text)
    if (!message) return link.peer.close(1007, 'not understood')
    if (!('method' in message)) return this.answered(link, message)
    const answer = (result: unknown) => {
      if (message.id !== undefined) link.peer.send(JSON.stringify({ jsonrpc: '2.0', id: message.id, result }))
    }
    const fail = (code: number, words: string) => {
      if (message.id !== undefined)
        link.peer.send(JSON.stringify({ jsonrpc: '2.0', id: message.id, error: { code, message: words } }))
    }
    switch (message.method) {
      case 'hello': {
        const hello = studioHello.safeParse(message.params)
        if (!hello.success) return fail(-32602, hello.error.issues[0]?.message ?? 'The hello does not fit.')
        link.name = hello.data.name
        link.channelId = hello.data.channel
        link.challenge = randomBytes(24).toString('base64url')
        link.isProven = false
        return answer({ protocol: 1, challenge: link.challenge })
      }
      case 'prove': {
        const proof = studioProof.safeParse(message.params)
        const { channelId, challenge } = link
        const secret = channelId === null || challenge === '' ? null : await this.deps.secretOf(channelId)
        link.challenge = ''
        if (!proof.success || secret === null || !isSame(proof.data.proof, proofOf(secret, challenge))) {
          fail(studioErrors.notProven, 'This is not the secret of that channel’s link.')
          return link.peer.close(4001, 'not proven')
        }
        clearTimeout(link.patience)
        link.isProven = true
        // The newest link is the last in the list.
        this.links.delete(link.peer.id)
        this.links.set(link.peer.id, link)
        answer({ ok: true })
        return void link.peer.send(JSON.stringify({ jsonrpc: '2.0', id: listId, method: 'scenes.list', params: {} }))
      }
      case 'scenes.changed': {
        if (!link.isProven || link.channelId === null) return fail(studioErrors.notProven, 'Prove first who you are.')
        const shows = studioScenes.safeParse(message.params)
        if (!shows.success) return fail(-32602, shows.error.issues[0]?.message ?? 'The scenes do not fit.')
        this.showed(link, shows.data)
        return answer({ ok: true })
      }
    }
  }

  /** What a studio shows: the first time it is linked by that. */
  private showed(link: Link, shows: StudioScenes): void {
    const isFirst = link.shows === null
    link.shows = shows
    if (link.channelId === null) return
    this.say(
      link.channelId,
      link.peer.id,
      isFirst ? { type: 'linked', name: link.name, shows } : { type: 'shows', shows },
    )
  }

  /** Somebody else carries these channels out by now: they are told of the studios that are connected here. */
  tellAgain(channelIds: readonly string[]): void {
    for (const { isProven, channelId, shows, name, peer } of this.links.values())
      if (isProven && shows && channelId !== null && channelIds.includes(channelId))
        this.say(channelId, peer.id, { type: 'linked', name, shows })
  }

  private answered(link: Link, { id, error, result }: Exclude<Rpc, { method: string }>): void {
    if (!link.isProven || link.channelId === null) return
    if (id === listId) {
      const shows = studioScenes.safeParse(result)
      if (!shows.success) return link.peer.close(1007, 'its scenes do not fit')
      return this.showed(link, shows.data)
    }
    if (typeof id !== 'number') return
    this.say(link.channelId, link.peer.id, { type: 'answered', number: id, fault: error ? error.message : null })
  }
}

function parsed(text: string): Rpc | null {
  try {
    return fromStudio.parse(JSON.parse(text))
  } catch {
    return null
  }
}

function isSame(given: string, wanted: string): boolean {
  return given.length === wanted.length && timingSafeEqual(Buffer.from(given), Buffer.from(wanted))
}
