/** How people abuse a voice that reads what they write. */
export const abuses = ['numbers', 'stretched', 'repeated', 'links', 'emoji', 'shouted', 'blocked', 'disguised', 'unseen', 'endless'] as const
export type Abuse = (typeof abuses)[number]

/** A message to try the cleaning with. `null`: an innocent one, which should be read as it is. */
export interface TrialMessage {
  abuse: Abuse | null
  text: string
}

const of = (abuse: Abuse | null, ...texts: string[]): TrialMessage[] => texts.map((text) => ({ abuse, text }))

/** What comes with the product to try a strictness on. The blocked words are mild ones of the lists. */
export const trialMessages: readonly TrialMessage[] = [
  ...of('numbers', '11111111111111111111111111111111', 'call 0049 176 1234567890 1234567890', '1.000.000.000.000.000.000', '3,14159265358979323846264338327950288', 'my code is 9 8 7 6 5 4 3 2 1 0 9 8 7 6 5', '٣٣٣٣٣٣٣٣٣٣٣٣٣٣٣٣٣'),
  ...of('stretched', 'aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa', 'nooooooooooooooooooooooooooooooo', 'brrrrrrrrrrrrrrrrrrrrrrrrr wake up', 'ха ааааааааааааааааааааааа', '!!!!!!!!!!!!!!!!!!!!!!!!!! look', 'zzzzzzZZZZZZzzzzzzZZZZZZ'),
  ...of('repeated', 'spam spam spam spam spam spam spam spam spam', 'buy my bread buy my bread buy my bread buy my bread buy my bread', 'ring ring ring ring ring ring ring ring', 'one two one two one two one two one two one two', 'Hello hello HELLO hello Hello hello hello'),
  ...of('links', 'come to https://crumbs.example/win?id=12345&ref=abcdef now', 'www.free-loaves.example/now', 'free stuff at loaves.shop/deal', 'see (http://crumbs.example)', 'ftp://crumbs.example/a/very/long/path/to/nothing'),
  ...of('emoji', '🔥🔥🔥🔥🔥🔥🔥🔥🔥🔥🔥🔥🔥🔥🔥🔥', '👩‍🍳👩‍🍳👩‍🍳👩‍🍳👩‍🍳👩‍🍳👩‍🍳 bake', '🇵🇹🇵🇹🇵🇹🇵🇹🇵🇹🇵🇹'),
  ...of('shouted', 'WHY IS THE BREAD ALWAYS LATE TONIGHT', 'GIVE ME ATTENTION RIGHT NOW PLEASE'),
  ...of('blocked', 'what a bastard that baker is', 'this is bollocks', 'you arsehole', 'such a tosser'),
  ...of('disguised', 'b.o.l.l.o.c.k.s', 'b o l l o c k s', 'b0ll0cks!', 'BOLLLLLOCKS', 'bоllосks', 'ｂｏｌｌｏｃｋｓ', '𝓫𝓸𝓵𝓵𝓸𝓬𝓴𝓼', 'bo\u200Bllo\u200Bcks', 't0sser', 'b̷̢o̵l̶l̴o̷c̸k̵s̶', 'ⓑⓐⓢⓣⓐⓡⓓ'),
  ...of('unseen', 'h\u0336\u0335\u0334\u0337e\u0336\u0335\u0334\u0337l\u0336\u0335\u0334\u0337l\u0336\u0335\u0334\u0337o', '\u202Edaer siht\u202C', '\u200B\u200B\u200B\u200B', '\u0000\u0007\u001Bbell'),
  ...of('endless', 'word '.repeat(200).trim(), 'the quick baker kneads the dough and waits for it to rise while the oven warms and the lantern burns low '.repeat(8).trim(), 'x'.repeat(400)),
  ...of(null,
    'good evening from Porto, the rye looks great', 'o pão de centeio é o melhor da noite', 'Happy birthday Juno!', 'I have been here since 2019 and I still love it', 'can you bake the walnut one again tomorrow?', 'see you at 22:30', 'that is €25.00 for the new oven',
    'haha yes', 'sooo good', 'well, well, well', 'no no, that was me', 'go go go!', 'my cat is called Mr. Whiskers', 'Dr. Flint says hello', 'e.g. the small one', 'what is the temperature, 230 degrees?', 'thank you 🥐', 'good luck 🔥🔥', 'NASA would be proud', 'I live in the UK', 'OK', 'class starts at nine', 'pass the butter',
    'assess the crust first', 'the cockpit of that plane', 'Scunthorpe is far away', 'a titmouse sat on the ledge', 'Essex and Sussex say hi', 'analyse the crumb', 'the shuttlecock flew away', 'grapefruit and pumpernickel', 'الخبز هنا أفضل من أي مكان آخر', 'パンがとてもおいしいです！', '晚上好，面包很好吃', 'Доброй ночи из Риги', 'Καλησπέρα από την Αθήνα', 'שלום מחיפה', 'نان تازه می\u200Cخواهم',
    'Das Roggenbrot war wieder ausgezeichnet, vielen Dank!', 'à bientôt, bonne nuit', '¿Cuándo abre la panadería?', 'C’est la vie', 'żółta łódź', 'Ich nehme zwei, bitte', 'O’Malt asked for 3 loaves and 2 rolls', 'room 404, not found :)', 'half past 10, gate 7', 'the year 1755', 'A-ha! The lantern is lit.', 'first… then second'),
]
