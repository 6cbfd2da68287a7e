/** What the events of a feed name as their source. */
export const feedSource = (feedId: string): string => `feed:${feedId}`
