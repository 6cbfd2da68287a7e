/** Where the player fetches a media file, and what it is. */
export interface MediaAddress {
  url: string
  mime: string
}

/** What is known of a media file. `durationMs` is null for stills. */
export interface MediaFacts extends MediaAddress {
  durationMs: number | null
}
