import { createHash, createHmac, randomBytes } from 'node:crypto'
import * as oauth from 'oauth4webapi'
import { registeredClient } from '../../stand-ins/consent/grants.ts'
import type { Database } from '../db/handle.ts'
import { addFeed, findFeedOfAccount, listFeeds, updateFeed } from '../db/queries/feeds.ts'
import { addLinking, setLinkedFeed, takeLinking } from '../db/queries/linkings.ts'
import { newId } from '../system/ids.ts'

/*
 * An account is linked in one of two ways. By consent: OAuth 2.0's authorisation code with PKCE, then the platform is asked for the
 * account and told where to deliver. By code: a word that only the channel's owner can post in its chat, which the platform
 * hands on. Both end in a feed with a secret of its own.
 */

const linkingLivesMs = 10 * 60_000
const feedsMax = 20

/** Where a platform sends people back to. */
export const callbackPath = '/api/feeds/links/callback'

const hashOf = (text: string) => createHash('sha256').update(text).digest('hex')
const client: oauth.Client = { client_id: registeredClient }
/** Simulated platforms are reached over plain http on the machine itself; a real one would not be. */
const overHttp = { [oauth.allowInsecureRequests]: true }

function serverOf(platform: string, origin: string): oauth.AuthorizationServer {
  const base = `${origin}/stand-ins/${platform}`
  return { issuer: base, authorization_endpoint: `${base}/authorize`, token_endpoint: `${base}/token` }
}

/** The secret with which a platform signs what its chat says to this program. */
export function chatSecret(serverSecret: string, platform: string): string {
  return `whsec_${createHmac('sha256', serverSecret).update(`chat/${platform}`).digest('base64')}`
}

export class Linking {
  /** @param onLinked called with the channel and the feed that is heard from now on */
  constructor(
    private readonly db: Database,
    private readonly onLinked: (channelId: string, feedId: string) => void,
  ) {}

  /** The address at which somebody consents. */
  async beginConsent(channelId: string, platform: string, origin: string, nowMs: number): Promise<string> {
    const verifier = oauth.generateRandomCodeVerifier()
    const state = oauth.generateRandomState()
    await addLinking(
      this.db,
      { id: hashOf(state), channelId, platform, verifier, expiresAt: new Date(nowMs + linkingLivesMs) },
      new Date(nowMs),
    )
    const url = new URL(serverOf(platform, origin).authorization_endpoint ?? '')
    const asked = {
      response_type: 'code',
      client_id: client.client_id,
      redirect_uri: origin + callbackPath,
      scope: 'events',
      state,
      code_challenge: await oauth.calculatePKCECodeChallenge(verifier),
      code_challenge_method: 'S256',
    }
    for (const [name, value] of Object.entries(asked)) url.searchParams.set(name, value)
    return url.href
  }

  /**
   * Takes up where the platform sent somebody back.
   * @param reached where this server reaches the platform
   * @returns the feed; null where consent was refused, or nothing waits for this
   * @throws where the platform's answers do not hold
   */
  async finishConsent(channelId: string, returned: URL, reached: string, nowMs: number): Promise<string | null> {
    const state = returned.searchParams.get('state') ?? ''
    const begun = await takeLinking(
      this.db,
      hashOf(state),
      new Date(nowMs),
      (row) => row.channelId === channelId && row.verifier !== null,
    )
    if (
      !begun ||
      begun.channelId !== channelId ||
      begun.verifier === null ||
      returned.searchParams.get('error') === 'access_denied'
    )
      return null
    const server = serverOf(begun.platform, reached)
    const parameters = oauth.validateAuthResponse(server, client, returned, state)
    const answer = await oauth.authorizationCodeGrantRequest(
      server,
      client,
      oauth.None(),
      parameters,
      returned.origin + callbackPath,
      begun.verifier,
      overHttp,
    )
    const { access_token: token } = await oauth.processAuthorizationCodeResponse(server, client, answer)
    const { account } = (await (
      await oauth.protectedResourceRequest(
        token,
        'GET',
        new URL(`${server.issuer}/account`),
        undefined,
        undefined,
        overHttp,
      )
    ).json()) as { account: string }
    return this.link(channelId, begun.id, begun.platform, account, async (feedId) => {
      const body = JSON.stringify({ url: `${reached}/api/feeds/${feedId}/deliveries` })
      const subscribed = await oauth.protectedResourceRequest(
        token,
        'POST',
        new URL(`${server.issuer}/subscriptions`),
        new Headers({ 'content-type': 'application/json' }),
        body,
        overHttp,
      )
      return ((await subscribed.json()) as { secret: string }).secret
    })
  }

  /** A code to post in the chat of the channel that is to be linked. */
  async beginCode(
    channelId: string,
    platform: string,
    nowMs: number,
  ): Promise<{ id: string; code: string; expiresAtMs: number }> {
    const code = `link-${randomBytes(5).toString('hex')}`
    const expiresAtMs = nowMs + linkingLivesMs
    await addLinking(
      this.db,
      { id: hashOf(code), channelId, platform, verifier: null, expiresAt: new Date(expiresAtMs) },
      new Date(nowMs),
    )
    return { id: hashOf(code), code, expiresAtMs }
  }

  /** What the owner of an account said in its chat. @returns the feed that a code in it led to */
  async hear(platform: string, account: string, text: string, nowMs: number): Promise<string | null> {
    const code = /\blink-[0-9a-f]{10}\b/.exec(text)?.[0]
    // Said somewhere else it is not used up.
    const isMeant = (row: { platform: string; verifier: string | null }) =>
      row.platform === platform && row.verifier === null
    const begun = code ? await takeLinking(this.db, hashOf(code), new Date(nowMs), isMeant) : null
    if (!begun) return null
    return this.link(begun.channelId, begun.id, platform, account, async () => newDeliverySecret())
  }

  private async link(
    channelId: string,
    linkingId: string,
    platform: string,
    account: string,
    subscribe: (feedId: string) => Promise<string>,
  ): Promise<string> {
    const known = await findFeedOfAccount(this.db, channelId, platform, account)
    const feedId = known?.id ?? newId('feed')
    const secret = await subscribe(feedId)
    if (known) await updateFeed(this.db, feedId, { secret, unlinkedAt: null })
    else {
      if ((await listFeeds(this.db, channelId)).length >= feedsMax)
        throw new Error(`A channel has at most ${feedsMax} feeds.`)
      await addFeed(this.db, {
        id: feedId,
        channelId,
        platform,
        name: platform.charAt(0).toUpperCase() + platform.slice(1),
        secret,
        account,
      })
    }
    await setLinkedFeed(this.db, linkingId, feedId)
    this.onLinked(channelId, feedId)
    return feedId
  }
}

/** A secret for signing deliveries. */
export function newDeliverySecret(): string {
  return `whsec_${randomBytes(24).toString('base64')}`
}
