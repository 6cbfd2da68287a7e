import { languageName } from '../../format/languageName.ts'

const codes = [
  ...[
    'ar',
    'bg',
    'ca',
    'cs',
    'da',
    'de',
    'de-AT',
    'de-CH',
    'el',
    'en',
    'en-AU',
    'en-CA',
    'en-GB',
    'en-IE',
    'en-IN',
    'en-US',
  ],
  ...[
    'es',
    'es-419',
    'et',
    'eu',
    'fa',
    'fi',
    'fil',
    'fr',
    'fr-CA',
    'ga',
    'gl',
    'he',
    'hi',
    'hr',
    'hu',
    'id',
    'is',
    'it',
    'ja',
  ],
  ...[
    'ko',
    'lt',
    'lv',
    'ms',
    'nb',
    'nl',
    'nn',
    'pl',
    'pt-BR',
    'pt-PT',
    'ro',
    'ru',
    'sk',
    'sl',
    'sr',
    'sv',
    'th',
    'tr',
    'uk',
    'vi',
  ],
  ...['zh-Hans', 'zh-Hant'],
]

/** Languages that a channel may write in, by what they are called here. */
export const channelLanguages = codes
  .map((code) => ({ value: code, label: languageName(code) }))
  .sort((a, b) => a.label.localeCompare(b.label))

const days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
export const weekDays = days.map((label, at) => ({ value: String(at + 1), label }))
