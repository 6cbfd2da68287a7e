/** What has to be known to read the figures of each benchmark; it stands beneath them in docs/figures.md. */
export const figureNotes: Readonly<Record<string, readonly string[]>> = {
  'player-size': [
    '`npm test` holds the script of the source page below 20 kB and to our own rooms alone. Of the editor’s scripts the words’ editor is loaded when words are edited, and vector animations when one is shown.',
  ],
  render: [
    'Drawing goes on beside writing: with two processors they share them. The whole way through the dialog, sound and first loading of what makes films with it.',
  ],
  memory: [
    'Each play is prepared whole and shown for its last 120 ms. What is at hand is bounded by rooms in bytes (`docs/promises.md`): the first plays fill them. The process holds its scripts, fonts, decoded pictures, sounds and what the browser keeps beside; how much of that it gives back, and when, is its own matter.',
  ],
  'video-sound': [
    'A video of 2 s at thirty frames over and over for 20 s, in Chromium without a GPU. A picture is in time while its own frame lasts; what is beyond is told. The sound is scheduled on the same clock to the sample (`probe` of the first sounds: 0.02 ms).',
  ],
  backup: [
    'The embedded database in the bench’s own process, so that its memory counts, too: in the server it has a thread. Media are random bytes, which nothing makes smaller. Whoever asks meanwhile asks a hundred times a second for the newest event. A restore makes every index while rows come in. The peers need the server to stand still, and cannot be put into another one.',
  ],
  'sign-in': [
    'One server, tries in turns, handed on by a proxy that it believes, so that no address tries too often. Both compute one scrypt of 128 MiB; what differs is chance.',
  ],
  boards: [
    'The page is a board of the demo with a bar, a list and a chat at 1920 × 1080, without a GPU, in Chromium on the machine that serves it. What comes within 30 ms is told together; a line is drawn in the frame after it came. 49 of the 50 boards are sockets that draw nothing. The heap is what is left after a collection.',
  ],
  goals: [
    'A million tips of two currencies, one in a hundred a test. The database groups alike events and the core says what one of each brings, so that rates and rules are asked once a group. What is counted is kept in the events’ own commit.',
  ],
  'history-list': [
    'The page as it is at 1280 × 800, without a GPU; its answers are made by the bench, so that the server is not measured. Forty pixels a frame are 2,400 a second, a fast turn of the wheel; twenty thousand are a bar that is dragged through the whole. The peer has a fifth of the rows, all of them in the document.',
  ],
  'set-flashes': [
    'Each set as a box of its own, opened by the page as it stands for everybody, in Chromium without a GPU, beside other work on two processors. All frames of each case over black and over white, thirty a second, with the everyday sample. Whether the meter finds what flashes is in `flashes`.',
  ],
  flashes: [
    'Clips of three seconds at thirty frames, of 48 × 27 cells. They were made with what is looked for, so that all are found says only that it does what it is meant to; nobody else has tried it on theirs.',
  ],
  proof: [
    'The demo’s box with its cases over and over, in Chromium without a GPU, on a page that nobody works on, fonts and media at hand; two processors, of which the server has what it needs. The peer takes pictures of one alert that is mounted already, at the same size, without looking at any remark.',
  ],
  rehearse: [
    'One thread, on the server’s engine; a browser’s worker takes about as long. The demo’s counter box with its own policy; cold, as a first run is. What is decided is decided once for all policies that are tried. Aims: 904 events with decisions and policy under 0.5 s, 100,000 under 20 s. The peer knows one length and one line. What viewers set off is carried out with it: each gate is asked in turn, sheets play in the lines of their boxes and hold the studio; how loud it was and what each viewer waited is worked out as well.',
  ],
  queue: [
    'Six steps for each play that comes and goes, three of which change the line; one thread. Aim: 200,000 with 10,000 waiting, and that a step costs the same however many wait. The line is a tree that is shared between states, so that a step stays pure: what it costs more among many is memory that is not at hand. The peer sorts and copies an array, and does nothing but that: no sources, no policy.',
  ],
  rotation: [
    'Ten thousand slots, one a minute, all campaigns shown at all times. Aim: within 1 %. Ours is never more than one slot from its share, whatever the number of slots; a draw is, and shows the same line several times in a row.',
  ],
  loudness: [
    'WAV files of 22 to 192 kHz; the peer is ffmpeg’s filter on the same files. A steady full-scale tone is the slow case: no block of it can be skipped when looking for its true peak. Accuracy is a unit test: the signals of EBU Tech 3341 (cases 1–6, 9, 10, 12, 13, 15–19) and Tech 3342 (1–4) within their tolerances.',
  ],
  probe: ['One thread. Of videos only the structure is looked at.'],
  hostile: [
    'Files through the measuring processes, which are ended when they hang, crash or hoard; packs and bodies through the running server, beside somebody who asks for `/healthz` all the time. A body that is not refused was harmless where it was sent.',
  ],
  sustained: [
    'Aims: accepting 150 ms, lag 50 ms, memory 300 MiB at rest and 500 under load, ready after 3 s. Before: embedded 27.5 s, 2.3 s and 13.7 s; PostgreSQL 0.28 s, 0.28 s and 1.9 s.',
  ],
  'cold-start': ['The built output, from its start to the first answer with 200.'],
  engine: [
    'A scene of 50 parts holds about 480 moving things. Most of what is allocated are the letters’ states, made anew so that a scene can be kept and compared; sampled by the growth of the heap, so that a collection in between makes it look smaller. The peer makes one object for each part and computes nothing.',
  ],
  rules: [
    'One thread; events over four fields. All give the same answer to all of 997 events before they are measured. json-rules-engine always asks every rule.',
  ],
  coverage: [
    'One thread; brute force asks a hundredth of the points. Rules that would take boxes without end are given up within the budget and looked through by search instead: what is said of them is exact, only nothing is drawn.',
  ],
  apply: ['One thread; a box with twenty-one kinds of event and 200 variations.'],
  pack: [
    'Noise, so that nothing can be compressed; each in a process of its own. Taking is measuring: ten minutes of sound in two channels.',
  ],
  recolour: ['An animated WebP of 400 px with 20 frames; the peer writes the picture anew in the colour (sharp).'],
  cleaning: [
    'One thread, with the lists that a channel in English has. Ten sets of 150 abusive and 150 innocent messages in eight languages (`bench/messages`): the first was at hand all the time; each of the others was written before anybody had looked at what the one before it showed or, from the eighth on, when that had been mended, was measured once, and only then looked at and mended in general. Unseen they gave, abuse at careful and strict and innocent ones touched at both, of 150: the second 146, 146, 4, 4; the third 146, 147, 0, 2; the fourth 140, 140, 1, 1; the fifth 147, 147, 3, 3; the sixth, with lists for strict, 145, 147, 0, 6; the seventh 141, 145, 1, 10; the eighth 137, 140, 0, 4; the ninth, whose author looked for new ways to say things, 116, 129, 4, 8; the tenth 132, 140, 1, 3. The rows below show all ten as they are now, seen and mended. The aims are 97 and 99 % of abuse and 2 and 6 % of innocent ones: the first was reached on three of nine, the second on none, the third on seven, the last on eight. What is missed is one thought told in eight languages, not one word: lists do not reach it.',
    'The peers look at words alone: obscenity at English, @2toad/profanity at six languages. The older sets and words in disguise are below (`bench/heldOutMessages.ts`); words are drawn by chance from seven lists, of those that are blocked as they are. Dictionaries are Debian’s: what of them is blocked is crude or a slur itself.',
  ],
  speech: [
    'Voices are programs of their own, and have the priority of whoever waits for them. Hostile texts are of figures, codes, numerals of several scripts, entities, consonants and signs, drawn by chance; of all of them those that would take longest are spoken.',
  ],
  adapters: ['One thread; from the text of deliveries of fifty.'],
  'player-fps': [
    'The peers move the very elements that the player has built, three rounds by turns, begun from the same state: some 3 % fewer frames than anime.js (the aim, as many, is not reached there: what a scene is costs a millisecond a frame), a third more than Web Animations and Motion, which give each element a layer of its own: of use with a GPU, a burden without. 1920 × 1080. Without a GPU fifty turning pictures do not reach 60 frames a second; the state of such a scene takes a tenth of a millisecond, all the rest is drawing.',
  ],
  seek: ['Random moments on the real page, 1920 × 1080. Everything but the video is limited by the screen.'],
  interaction: ['The editor at 1280 × 800.'],
  fanout: [
    'The aim is a p99 within twice the bare one. A play makes a whole round trip (prepare, ready) before its start, a bare broadcast none. A thousand are those of two boxes. What sources say within one turn of the loop is looked at together: one by one, the p99 of a thousand was 1.4 s, for the state of all was copied for each of them. The durable write is shown apart: an idle machine’s caches are cold.',
  ],
  ingest: [
    'The bare insert writes one small row; the bare route verifies a signature beside that. A delivery of ours writes one event, two effects and two plays with about a dozen index entries and the feed’s tally, decides for two boxes, and keeps a full line of 3,000 going, in which each that comes lets one go. The aim of 1,200 signed deliveries and 4,000 events a second is not met here: two processors are shared by senders, server and database.',
  ],
  takeover: ['Aim: within 5 s.'],
  'two-processes': [
    'One process has the lines of both boxes; whoever delivers to the other has its plays taken up over NOTIFY. With everything on two processors a second process only takes from the first.',
  ],
  desk: [
    'The aim is under 5 % of a core. The server keeps it; the page, which draws two lists of twelve anew each second without a GPU, does not: an idle desk uses 2.5 % of a core.',
  ],
  gate: [
    'Settled means: the event kept, the gate asked in the order of its lane, points charged in the ledger, the run begun and over. One process; the peer locks and changes one row and keeps nothing else.',
  ],
  command: [
    'From a line that somebody says in the simulated chat (delivered signed, kept, its gate asked, charged and begun) to `start` at a browser source, which answers at once; one at a time. A play makes a whole round trip (prepare, ready) before its start, the peer none. In the flood a command is let through once in a second; all others are refused with their reason and kept so.',
  ],
  sheet: ['The runner that servers use, with its timers; nothing else runs beside it.'],
  draw: ['The test holds chi-squared below its 99.9 % point for the same hundred thousand events.'],
  history: [
    'Made in the database: follows, tips in two currencies with messages, subscriptions, redemptions and raids of three feeds and 50,000 viewers. The aim is 100 ms for each.',
  ],
  flood: [
    'Follows, tips with and without words, gifts and raids. Sender, sources and server share two processors. Simulated: the same `step` over the same arrivals in a time of its own.',
  ],
  acts: ['The aim is 200 ms on loopback. One at a time; what is done is written and noted with who did it meanwhile.'],
}
