/** Words that a number is told by, in many languages: figures and tens; those that are other words too are left out. */
const written = [
  // English
  'zero oh nil one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty thirty forty fifty sixty seventy eighty ninety hundred double triple',
  // German
  'null eins zwo zwei drei vier fünf fuenf sechs sieben acht neun zehn elf zwölf dreizehn vierzehn fünfzehn sechzehn siebzehn achtzehn neunzehn zwanzig dreißig vierzig fünfzig sechzig siebzig achtzig neunzig hundert',
  // Spanish
  'cero uno dos tres cuatro cinco seis siete ocho nueve diez once doce trece catorce quince dieciséis diecisiete dieciocho diecinueve veinte veintiuno veintidós treinta cuarenta cincuenta sesenta setenta ochenta noventa cien ciento doble',
  // French
  'zéro un deux trois quatre cinq six sept huit neuf dix onze douze treize quatorze quinze seize vingt trente quarante cinquante soixante septante huitante nonante cent',
  // Portuguese
  'zero um dois três tres quatro cinco seis meia sete oito nove dez onze doze treze catorze quinze dezasseis vinte trinta quarenta cinquenta sessenta setenta oitenta noventa cem cento',
  // Polish
  'zero jeden dwa trzy cztery pięć piec sześć szesc siedem osiem dziewięć dziewiec dziesięć jedenaście dwanaście dwadzieścia trzydzieści czterdzieści pięćdziesiąt sześćdziesiąt siedemdziesiąt osiemdziesiąt dziewięćdziesiąt sto pięćset',
  // Swedish
  'noll ett två tre fyra fem sex sju åtta nio tio elva tolv tretton fjorton femton sexton sjutton arton nitton tjugo trettio fyrtio femtio sextio sjuttio åttio nittio hundra',
  // Russian
  'ноль нуль один два три четыре пять шесть семь восемь девять десять одиннадцать двенадцать двадцать тридцать сорок пятьдесят шестьдесят семьдесят восемьдесят девяносто сто двести триста четыреста пятьсот шестьсот семьсот восемьсот девятьсот',
  // Italian, Dutch
  'uno due tre quattro cinque sei sette otto nove dieci een twee drie vier vijf zes zeven acht negen tien',
]

const words = new Set(written.flatMap((line) => line.split(' ')))

/** Whether a word, in small letters, is one that numbers are told by. */
export const isNumberWord = (word: string): boolean => words.has(word)

const steps = written.map((line) => line.split(' '))

/** Whether one number word follows another as people count, up or down. */
export const isCounting = (before: string, after: string): boolean =>
  steps.some((line) => {
    const [from, to] = [line.indexOf(before), line.indexOf(after)]
    return from >= 0 && to >= 0 && Math.abs(from - to) === 1
  })
