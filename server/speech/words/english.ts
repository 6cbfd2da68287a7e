import type { WordList } from './wordList.ts'

export const english: WordList = {
  language: 'en',
  endings: ['s', 'es', 'ed', 'd', 'er', 'ers', 'in', 'ing', 'ings', 'y', 'z'],
  everyday: [
    'alaskan pipeline',
    'bareback',
    'barenaked',
    'big black',
    'butt',
    'chocolate rosebuds',
    'cock',
    'cocks',
    'domination',
    'eunuch',
    'fingering',
    'fuck buttons',
    'girl on',
    'hard core',
    'hardcore',
    'how to kill',
    'huge fat',
    'hot chick',
    'humping',
    'intercourse',
    'jelly donut',
    'lemon party',
    'lolita',
    'lovemaking',
    'mr hands',
    'missionary position',
    'octopussy',
    'pegging',
    'pleasure chest',
    'poof',
    'prince albert piercing',
    'quim',
    'rimming',
    'santorum',
    'scat',
    'scissoring',
    'sexo',
    'shibari',
    'shota',
    'shrimping',
    'skeet',
    'snatch',
    'snowballing',
    'strappado',
    'suck',
    'sucks',
    'sultry women',
    'swinger',
    'tainted love',
    'taste my',
    'throating',
    'tied up',
    'tight white',
    'topless',
    'tit',
    'tushy',
    'undressing',
    'venus mound',
    'violet wand',
    'wrapping men',
    'wrinkled starfish',
    'xx',
    'nutten',
    'white power',
    's&m',
    'fag',
    'coon',
    'coons',
    'negro',
    'spic',
    'dick',
    'snatch',
    'cialis',
    'viagra',
    'ecchi',
    'mong',
    'guro',
    'dingleberry',
    'dingleberries',
    'cleveland steamer',
    'bastinado',
    'playboy',
    'swastika',
    'strip club',
    'pikey',
    'nutten',
    'anal',
    'ass',
    'clit',
    'poon',
    'slut',
    'cum',
    'spastic',
    'bondage',
    'escort',
    'grope',
    'kinky',
    'horny',
    'hooker',
    'spunk',
    'semen',
    'rectum',
    'sadism',
    'incest',
    'sex',
    'sexy',
    'sexual',
    'sexually',
    'sexuality',
    'voyeur',
    'panty',
    'panties',
    'nude',
    'nudity',
    'erotic',
    'erotism',
    'genitals',
    'fecal',
    'busty',
    'bimbos',
    'twink',
    'twinkie',
    'booty call',
    'rape',
    'smut',
  ],
  mild: ['bondage', 'horny', 'hooker', 'spunk', 'incest', 'voyeur', 'smut', 'strip club'],
  lines: `

# obscenity
*fuck*|fuk|fuks|fuked|fuker|fukers|fukin|fuking|fuq|fcuk*|fkn|fkin|fking|fvck*|phuck*|phuk*|phuq|fook(in|ing)|feck(in|ing)|muthaf*
!fukuoka*|fukushima*|fukuda*|fukuyama*|fukui*
*shit*|shyt|shyte|shite|shites|shiting|sh1t*|chit(head|hole)
!shiitake*|shitake*|mishit*|shittim|ashitaka*|shitamachi*|washita*|yamashita*|miyashita*|kinoshita*|takeshita*|morishita*|matsushita*|moshito*
kunt|kunts
!scunthorpe*
*bitch*|biatch*|beyotch|biotch|betch|beeyatch|b1tch*
*whore*|thot|thots
!slag heap|heaps|pile|off|wool
~slut|sluts
*twat|twats|twatt(ed|ing)|twatwaffle*|twathead*
!kilowat*|megawat*|atwat*
wank|wanks|wanked|wanker|wankers|wanking|wanky|wankstain*|wankface|wankpuffin*
!Wank
dickhead*|dickface*|dickwad*|dickweed*|dicksuck*|dickless|dickbag*|dicklick*|dickrid*|*dickhead*|pindick*
~dick|dicks
!Dick|Dicky|Dickie|Fanny|Gaylord|Willy|Randy ^
!mr|mrs|ms|uncle|grandpa|moby|tricky|private|cousin|brother|sir|aunt|auntie dick|dicks|cock|cocks|fanny|dickie
!dick van|turpin|dale
!spotted dick
!moby dick|dicks
cocksuck*|cockhead*|cockface*|cockblock*|cockwomble*|cockgobbl*|cockmongl*|*cocksuck*
!cock crow*|robin|pheasant|sparrow
!(crow|crew|crowing) cock|cocks
!rooster|hen|hens|pheasant|weather|turkey|the and|or|a? the? a? cock|cocks
!cock|cocks and|or hen|hens|bull
you|u|absolute|total|complete|little|stupid|massive|such|right|utter|pompous a? prick|pricks
arse|arses|*arsehole*|arseface*|arsewipe*|arselick*|arsebandit*|asshole*|*asshole*|asshat*|asswipe*|assclown*|asslick*|assfuck*|assmunch*|assface*|assbag*|jackass*|dumbass*|fatass*|arsewit*|azzhole*|ahole
~ass
bollock|bollocks|bollox|bellend|bellends|knobhead*|knobend*|knobjock*|knobber*|minge|minger*|clunge*|gobshite*|pisshead*|pissflap*|piss|pisses|pissing|pissy|pissoff
!piss take
tosser*|tossbag|tosspot
cumshot*|cumdump*|cumming|cumstain*|cumbucket*|cumguzzl*|cumslut*|cumrag*|jizz*|jism|splooge*|spooge*
!magna|summa? cum laude
jerk|jack|wank|jerking|jacking me|you|him? off
blowjob*|handjob*|rimjob*|footjob*|titjob*|boobjob*|titty|titties|tiddies|tits|titwank*|titfuck*|boobs|boobies
!great|blue|coal|marsh|willow|crested|bearded tit|tits|booby|boobies
!blue|red|brown|masked|footed footed? booby|boobies
show|flash|see|lick|suck|squeeze us|me|them? your|ur|them|her|those boob|tit|pussy|ass|arse|feet|vagina|minge
pussy|pussies|pussyhole*|pussyass
!pussy cat|cats|willow|willows|foot|footing|galore
!pussycat*
dildo|dildos|buttplug*|butthole*|buttfuck*|butthurt|fleshlight*|clit|clits|bukkake|gangbang*|creampie*|hentai|porn|porno|pornhub|pornstar* / anal sex|beads|plug
raped|raping|rapist|rapists|rapey
!rape seed|oil|crisis|helpline
!rapeseed*|oilseed rape
pedo|pedos|paedo|paedos|pedophil*|paedophil* / kiddy|kiddie|child fiddler|porn|molester
bugger off
piece|load|pile of shit|shite|crap|turd
suck|lick|eat|swallow|choke|gag|kiss|sniff on? my|his|your|a|these|deez|this|some dick|cock|balls|ballsack|nuts|nutsack|ass|arse|bumhole|pussy|knob|schlong|wiener|willy|toes
eat|lick a|your|ya bag of? dick|dicks|ass|arse
dick|cock|balls|hand in|up my|your|her mouth|throat|arse|ass|bum
suckmy*|lickmy*|eatmyass|suckmeoff / suck me|him|it off
go and? screw|fck yourself|urself
screw|shag your|ur mum|mom|mother|sister|nan
i|ill shag|bang|bone|screw|smash your|ur mum|mom|mother|sister|nan|wife
stfu|gtfo|stfd|kmfa
son of a bitch
shut your|ur fat|dirty|stupid? mouth|trap|gob|face hole|bitch?
up yours
inbred|inbreds|scumbag*|douchebag*|cumskin|bint|spunkbubble* / douche bag|bags
?arsey|crappy|turd|turds|bugger|buggers|buggered|goddamn*|douche*|minging|shag|shagged|shagging|shagger|slapper|slappers|bimbo / bloody hell / sod off
?ejaculat*|masturbat*|orgasm*

# slurs
*nigger*|nigga|niggas|niggaz|niggah|niggahs|nigguh|niglet*|nigg|niggs|n1gg*|nigor|nigors|knigger*|nignog*|sheboon*|coontown|wigger|wiggers|whigger*|nikka|nikkas / nig nog|nogs
!snigger*|niggard*|niggle*|niggling
~negro|negroes|negros
faggot*|*faggot*|fag|fags|fagg|faggs|faggy|fagz|faggit*|fagtard*|fagbag*|fagboy*
!fag end|packet|break|ash
~poofs|poofter*|poofta*|poofy
!poof of|gone|it|and|it's|its|went|disappeared|like
poofs|poofter*|poofta*|lezzer*|lezzie*|lezbo*|lesbo|battyboy*|battyman|shirtlifter*|fudgepack*|carpetmunch*|bulldyke*|rugmunch* / batty|bum boy|boys|bandit|bandits / shirt lifter|lifters
fat|ugly|dirty|stupid|disgusting|you|bull dyke|dykes|homo|homos|tranny|queer|queers
tranny|trannie|trannies|trannys|tr4nn*|shemale*|ladyboy*|heshe|troon|troons / she male|males
retard|retards|retarded|retart|libtard*|rtard*|r3tard*|reetard*
!fire|flame|acid retardant*
~spaz|spazz|spaz(zed|zing|es)|spacker|spackers|spakker*
~mong|mongs|mongy
mongoloid*|windowlicker*|downie|downies / window licker|lickers
!window licker|lickers twin
chinky|chinkie|chinkies|chinaman|chinamen|gook|gooks|chingchong*|zipperhead*|slanteye* / ching chong|chang chong|chang? / slant|slanty|slit eye|eyes|eyed / jap|japs|nip|nips bastard|bastards
!chink in|of|under
paki|pakis|packi|packis|pakkie
jigaboo*|jiggaboo*|spearchuck*|groid|groids|tarbaby|pickaninn*|piccaninn* / spear chucker|chuckers / porch|jungle monkey|monkeys|bunny|bunnies / moon|yard cricket|crickets|ape|apes
!maine coon|coons
!coon hound|hounds|cheese
spic|spics|wetback*|beaner|beaners|greaseball*|polack|polacks|bohunk* / wet back|backs / border hopper|hoppers
!spic|spick and span|n
kike|kikes|kyke|kykes|yid|yids|heeb|heebs|hymie|hymies|jewboy*|jewrat*|goyslop / dirty|filthy|greedy|stinking jew|jews|yid / jew boy|rat|rats|scum|nose|lover|bastard
!yid army
raghead*|towelhead*|muzrat*|mudslime*|cameljock*|goatshag* / towel|rag|diaper|turban head|heads / sand|dune nigger|niggers|coon|coons|monkey|monkeys / camel|goat jockey|jockeys|shagger|shaggers
gyppo*|gypo|gypos|gippo|gippos|pikey|pikeys|pikies|gyppos|pikie
dirty|filthy|thieving|smelly|stinking|bloody|fucking gypsy|gypsies|gypos|immigrant|immigrants|foreigner|foreigners|traveller|muslim|muslims|arab|arabs|indian|indians|mexican|mexicans|asian|asians|black|blacks|african|africans|chinese|homo|homos|gays|refugees|turk|turks|pole|poles|romanian|romanians|queers|lesbo
filthy|dirty gypsies and|or _
honky|honkies|honkey|honkeys|cracker ass|white trash|trailer trash|boong|boongs|abo|abos|abbo|abbos|injun|injuns|redskin|redskins|squaw|squaws|eskimo|prairie nigger*
monkey|gorilla|ape|baboon noise|noises|people go|get back|home
go|get|fuck|piss back to your|africa|mexico|india|pakistan|china|poland|romania|israel|the own? country|jungle|trees|zoo|ghetto|desert|cave
go|get back to africa|mexico|india|pakistan|china|poland|israel|syria|somalia
go back home|to where you paki|nigger|immigrant|came
subhuman*|sub human|humans|untermensch*|mudblood race|race mixer|traitor|traitors|mixing
cripple|cripples|midget freak|cretin
you|u|this|that|an autistic|aspie|autist|downs|disabled retard|freak|bitch|bastard|spergs|streamer|shit|idiot|moron
sperg|spergs
?homo|homos|jap|japs|greaser|chav|chavs|injun*|cuck|cucks|spazzy / uncle tom

bell|knob end|head|ends|heads
typical|sneaky|greedy|lying|evil|rich|bloody|fat|ugly|dumb jew|jews
jew|jews trick|tricks|rat|rats|nose|noses|money|lover|boy|scum|gold
wanna|want|gonna|going|please|come|u|you|let me|to? suck|lick|gargle|fondle|stroke them|it|these|me|my|mine balls?|dick?|cock?|nuts?
my|these|your balls|nuts|ballsack itch|hang|stink|sweaty
suck|lick|swallow|gargle my|these|deez balls|nuts|ballsack
assblast*|asskiss*|assbandit*|assclow*|arsebadger*|arsehead*|ballbag*|ballsack*|buttface*|buttmunch*|buttpirat*|buttstain*|buttmuch|cockmunch*|cocknose*|cocklick*|cocksmok*|cockrid*|cocktease*|cumbubbl*|cumwipe*|cumfest|cumjockey|dickbrain*|dickforbrain*|dripdick*|limpdick*|hosejob*|jizstain|jizbreath|jizz|nutsack*|nutsuck*|peckerwood*|twunt*|choad|chode|muffdiv*|titwank*|poontang|kooch|nastyslut|easyslut|whoreson*|crackwhore*|turdburgl*|shagger*|bumfuck*|bumbandit*|slutbag*|fuckwit*|shitebag*|gobshit*|knobjockey*|minge|cuntish
niggar|niggars|niggor|niggors|niggur|niggurs|nigar|nigars|nigress|nigette|kigger|mgger|nlgger|datnigga|mooncricket*|burrhead*|bluegum|bluegums|buddhahead*|dothead*|diaperhead*|currymunch*|darkey|darkeys|japcrap|jigarooni*|jijjiboo*|junglebunn*|porchmonkey*|spaghettibend*|timbernigg*|halfbreed|honkie|honkies|slopehead*|squarehead|towelhead*|cameljock*|dunecoon*|zigabo*
curry muncher|munchers / pillow|carpet biter|biters|muncher|munchers / pancake face|faces / dot head|heads / burr head|heads
!hen|hens|chicken|chickens|coop|ducks and|or|with one|a|the|two|some? cock|cocks
!Dick|Fanny|Randy|Willy and|& ^
`,
}
