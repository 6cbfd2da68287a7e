/** Decibels that are added or taken away, as they are written everywhere. */
export const signedDb = (db: number): string => `${db > 0 ? '+' : ''}${db.toFixed(1)} dB`
