/**
 * Currencies whose smallest unit is not a hundredth: ISO 4217, table A.1, amendment 176 (2024). ICU’s data are other
 * ones, of how prices are written (no fillér in shops), and differ from browser to browser; amounts are counted by the
 * standard alone.
 */
const digits: Readonly<Record<string, number>> = {
  ...Object.fromEntries(
    'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF'.split(' ').map((code) => [code, 0]),
  ),
  ...Object.fromEntries('BHD IQD JOD KWD LYD OMR TND'.split(' ').map((code) => [code, 3])),
  ...Object.fromEntries('CLF UYW'.split(' ').map((code) => [code, 4])),
}

/** Whether a text is written like a currency’s code: three letters. */
export const isCurrencyCode = (text: string): boolean => /^[A-Z]{3}$/i.test(text)

/**
 * How many decimal digits a currency's minor unit has (EUR 2, JPY 0, KWD 3), by ISO 4217.
 * @throws {RangeError} for a code that is not three letters
 */
export function minorDigits(currency: string): number {
  if (!isCurrencyCode(currency)) throw new RangeError(`"${currency.slice(0, 20)}" is no currency's code`)
  return digits[currency.toUpperCase()] ?? 2
}
