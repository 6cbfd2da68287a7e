import * as z from 'zod'

const currency = z
  .string()
  .regex(/^[A-Z]{3}$/, 'a currency is three capital letters (ISO 4217)')
  .refine((code) => isCurrency(code), 'there is no such currency')

/** What one whole unit of other currencies is worth in the channel's, as people write it: 1 USD = 0.92 EUR. */
export const ratesBody = z
  .object({ rates: z.record(currency, z.number().positive('a rate is above nought').max(1_000_000)) })
  .refine(({ rates }) => Object.keys(rates).length <= 40, 'forty currencies at most')
export type RatesView = z.infer<typeof ratesBody>

function isCurrency(code: string): boolean {
  return Intl.supportedValuesOf('currency').includes(code)
}
