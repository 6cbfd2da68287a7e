/** Colours of the papers for what is drawn by hand or by charts: the same as the style sheet's. */
export const paperInks = { paper: '#f3ecdd', ink: '#1b2230', faded: '#5d594d', rule: '#d8ccb4' } as const

/** What stands beside each other in one picture: told apart by lightness, too. */
export const seriesInks = ['#1f5f8b', '#ffc247', '#2f6b4c', '#a83a26', '#5d594d', '#5aa4d6'] as const
