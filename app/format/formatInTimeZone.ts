/** A moment as the channel writes and tells it: `20 December, 23:59`. */
export const formatInTimeZone = (atMs: number, { locale, timeZone }: { locale: string; timeZone: string }): string =>
  new Intl.DateTimeFormat(locale, {
    timeZone,
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).format(atMs)
