import type { WordList } from './wordList.ts'

/** Russian in Latin letters, and what is said in chats of every language. */
export const transliterated: WordList = {
  language: 'ru',
  endings: [],
  everyday: [],
  mild: [],
  lines: `
cyka|cyko|blyat*|blyad*|bliat*|bljat*|bljad*|blyt|nahui|nahuj|nahuy|naxui|naxuy|naxyi|idinahui|pidor*|pidar*|pidoras*|pidaras*|pizdec*|pizdets*|pizdez*|pizda*|huilo|huylo|xuilo|khuylo|xuy|xyi|yebat|ebal|yobany|ebany*|zaebal*|mudak*|gandon*|dolboeb*|dolboyob*|debilnyi
suka|suki|cyka blyat*|blya*|ebanaya
~suka
`,
}
