/**
 * The letters that a language is written with besides a to z, by its code (CLDR's exemplar characters, the main set).
 * Languages of other scripts are drawn by a typeface that stands in, whatever a design has.
 */
const besides: Record<string, string> = {
  cs: 'áčďéěíňóřšťúůýž',
  da: 'æøå',
  de: 'äöüß',
  es: 'áéíñóúü¿¡',
  et: 'äõöüšž',
  fi: 'äåö',
  fr: 'àâæçéèêëîïôœùûüÿ',
  ga: 'áéíóú',
  hr: 'čćđšž',
  hu: 'áéíóöőúüű',
  is: 'áðéíóúýþæö',
  it: 'àèéìòù',
  lt: 'ąčęėįšųūž',
  lv: 'āčēģīķļņšūž',
  nb: 'æøå',
  nl: 'äëïöüé',
  pl: 'ąćęłńóśźż',
  pt: 'ãáàâçéêíõóôú',
  ro: 'ăâîșț',
  sk: 'áäčďéíĺľňóôŕšťúýž',
  sl: 'čšž',
  sq: 'çë',
  sv: 'åäö',
  tr: 'çğıİöşü',
  vi: 'ăâđêôơưạảấầẩẫậ',
  ru: 'абвгдежзийклмнопрстуфхцчшщъыьэюя',
  uk: 'абвгґдеєжзиіїйклмнопрстуфхцчшщьюя',
  bg: 'абвгдежзийклмнопрстуфхцчшщъьюя',
  sr: 'абвгдђежзијклљмнњопрстћуфхцчџш',
  el: 'αβγδεζηθικλμνξοπρστυφχψωάέήίόύώ',
}
const always = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789.,!?’'

/**
 * What a typeface must be able to draw for a channel: its language's letters, small and capital, figures, and the sign
 * of its money.
 * @param locale BCP 47
 * @param currency ISO 4217
 */
export function lettersOf(locale: string, currency: string): string {
  const own = besides[locale.split('-')[0]?.toLowerCase() ?? ''] ?? ''
  const sign =
    new Intl.NumberFormat(locale, { style: 'currency', currency })
      .formatToParts(1)
      .find(({ type }) => type === 'currency')?.value ?? ''
  return [...new Set(`${always}${own}${own.toLocaleUpperCase(locale)}${sign}`)].join('')
}
