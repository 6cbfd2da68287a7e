import type { WordList } from './wordList.ts'
import { english } from './english.ts'

/** Calls to harm oneself or others, and hate, in English. */
export const englishHarm: WordList = {
  language: 'en',
  endings: english.endings,
  everyday: [],
  mild: [],
  lines: `
%people = jew|jews|black|blacks|gay|gays|muslim|muslims|moslems|arab|arabs|mexicans|immigrants|migrants|refugees|whites|asians|indians|trans|transgenders|trannies|homos|homosexuals|lesbians|infidels|niggers|fags|faggots|queers|gypsies|kikes|pakis|foreigners|women|christians|zionists
%self = yourself|urself|yaself|yourselves|yoself|youself|ur self|himself?

# self-harm
kys|kysnow|kysself|killyourself|kllyourself|hangyourself|neckyourself|killurself
kill|kil|kll|kiil|killl|hang|hnag|neck|shoot|stab|drown|poison|unalive|off|delete|gas|choke|electrocute|strangle|suffocate|euthanise|euthanize|burn|behead|noose|rope|sudoku|gut|kys %self
kill|hang|off|neck your|ur self|selves
!don't|dont|not|never|nearly|almost kill|hang|stab|burn|choke|shoot|poison|gas|strangle|drown|neck yourself|urself|yourselves
!shoot yourself in the foot
!burn|choke|delete yourself on|with|over|from|out
!kill yourself laughing|working|getting
!in|to|from|near|through|at|visit|visited|of Dildo|Twatt|Shitterton|Wank|Fucking|Condom|Intercourse|Pussy|Cock|Dick
!hang yourself up|out
commit suicide|seppuku|sudoku|die
slit|cut|slash|slice|open your|ur|yer wrist|wrists|throat|veins
end|take your|ur own|pathetic|miserable|sad|worthless|shitty? life|lives|existence
end yourself|urself|it all
go and? die|kys|drown|choke|perish|hang|rot
!go die hard|casting|cut
drink|swallow|chug|inject|gargle some|a|the? bottle|cup|glass? of? bleach|antifreeze|poison|cyanide|acid|drano|detergent
jump|leap|throw|chuck|hurl yourself|urself? off|from|under a|the|that|some|your|nearest bridge|building|cliff|roof|train|bus|balcony|rooftop|ledge|skyscraper
jump|leap|throw|hurl yourself|urself? out of? a|the|that|your|nearest window
jump|step|walk|run|lie in front of a|the|that? train|bus|traffic|truck|lorry|car
walk|play in|into traffic
eat|swallow|suck|kiss|bite a|the bullet|shotgun|gun|barrel
!bite|bit|bites|biting the bullet
put a bullet|gun|rope|noose in|to|around|through your|ur head|brain|skull|mouth|neck|throat
tie|get|grab|find a|the|some|yourself a? noose|rope and hang|neck|die
tie a? noose
i? hope|wish|pray you|u|ur|they|your|he|she all|family|mum|mom|mother|kids? die|dies|choke|drown|crash|rot|burn|suffer|overdose
i? hope|wish you|u|they get|catch cancer|aids|raped|shot|covid
die|burn|rot in a car|house? fire|hell|ditch|hole|gutter
die of|from cancer|aids
get|catch cancer|aids and|you|bitch
you|u|he|she deserve|deserves to die|rot|suffer|hang|burn
you|u should|need|must|oughta just|really? to|go|be? die|kys|suicide|hang|gassed|lynched|shot|aborted|hanged
you|u should have|of been aborted|swallowed
!should hang out|on|up|around|in|there
you|u|he|she|they should|ought to? be|drop dead
wish|hope|if you|u were|was|are|get|end dead
die|rot alone|slowly|painfully|already|now|bitch|scum
why are|aren't|arent|won't|wont|don't|dont|not|you|u|just you|u|just|die dead|die|yet
do the|everyone|us a favour|favor and? die
world|everyone|chat|everybody|family would|will|'d|is|be be? better|happier off? without you|u|ya
better off without you|u
better off dead
nobody|noone|one would|will|'d|gonna ever|even? miss you|u|ya
nobody|noone|one loves|wants|likes you|u just? die|kys|kill
do|doing us|the|everyone|everybody|yourself all|world? a? favour|favor and? die|kill|jump|hang|disappear|end|stop
uninstall|delete|quit your? life
your|ur mother|mum|mom|parents should|shoulda have|of|'ve? aborted|swallowed
?kms|unalive / kill|murder|rape you
?kill|killing myself|him|her|them|yourself|everyone
?keep yourself safe
?cut|starve|hurt|harm yourself
?stop breathing
?drop dead
?die already|bitch|slowly|scum|alone

# hate
heil|hail|sieg|seig|seik|zieg|hiel hitler|hitla|heil|hail
siegheil|heilhitler|hitlerwasright|1488|rahowa
14 88
!in|of|since|year|the|from|until|around|before|after|between 1488
white|aryan power|supremacy|supremacist|supremacists|genocide|ethnostate
white|aryan pride|nation|race|master|people worldwide|forever|first|only|power|war|race|is
!white power adapter|adaptor|cable|supply|led|light|button|cord|bank|strip|plug|lead|brick|switch|station|socket
master|aryan race
wpww|kkk|racewar / klux klan
race war|wars
day of the rope
gas|kill|exterminate|lynch|bomb|murder|behead|slaughter|nuke|eradicate|enslave|execute|sterilize|sterilise all|the|every|those|these? dirty|filthy|fucking|of? the|those? %people
hang|burn|shoot|rape|hate|deport|whip|stone|ban|fuck all|the|every|those|these dirty|filthy|fucking? %people
burn|hang|shoot|hate jews|niggers|muslims|gays|fags|jew
death to|for|upon all|the|every? the? %people
!death to black|white spot|mould
%people must|should|need|deserve|ought to|all|just? be|all? die|burn|hang|rot|gassed|killed|shot|hanged|exterminated|deported|lynched|enslaved
%people to|in|into the? gas|oven|ovens|camps|chamber|chambers|gulag
%people are|is all|just|fucking|literally|nothing|like? but|a|the? vermin|cancer|parasites|cockroaches|rats|animals|subhuman|subhumans|filth|scum|plague|inferior|apes|monkeys|degenerates|pedophiles|rapists|terrorists|savages
%people out of|now our|my|europe|england|america|country
whites|aryans|christians only|first
keep|make|make our|the|this|my? country|europe|america|england|chat|stream white|pure|aryan
no %people allowed|in here|this|my|our
hitler|adolf was|is|were right|hero|great|based|innocent
hitler|adolf was|is a hero|genius|saint|god
hitler did nothing|not|no wrong|finish
hitler had the? right|good idea|ideas
hitler should|shoulda have|of finished|won|killed|succeeded
hitlerdidnothing*
love|loves|loved|miss|missed hitler
holocaust|shoah never|didn't|didnt happened|happen|existed|exist
holocaust|shoah is|was|were a|just|all? a? hoax|lie|fake|myth|fun|good|exaggerated
holohoax*|holocoaster* / 6|six million wasn't|wasnt enough
6|six gorillion
jews|blacks|muslims|immigrants|they|you will|shall not replace us
jews|jew|zionists control|run|own|rule|did|caused the|all|everything|9? world|media|banks|hollywood|11|everything|war
oven|gas dodger|dodgers
remove|purge kebab
women|females belong|stay in the|a kitchen
women should|are|deserve be|to|all|just? whores|property|raped|beaten|slaves|sluts
gays|gay|homos|lesbians|trans|queers|fags burn|rot|go|should|will to|burn|rot in? hell
god hates|hate fags|gays|jews|women|queers
islam|judaism is a? cancer|disease|plague|evil
fck|fcks|fcking|fckin|fcker|fckers|fckd|fcked|kaffir|kaffirs|kaffer|muthaf*|mothaf*
!kaffir lime|limes|leaves|leaf
cunt*|*cunt|*cunts|*cunty
~fagot|fagots|nonce|nonces|sambo|sambos|slag|slags|spick|spicks|spik|spiks|wog|wogs|skank|skanks|skanky|negroid|negroids|lardass|lardasses|mofo|mofos|cock|cocks|cum|cums|rape|rapes|spastic|spastics|coon|coons|chink|chinks|dago|dagos|darky|darkies|darkie|golliwog|golliwogs
!hoe down|the|garden
!garden|dutch|rake hoe
!nonce word|value|key|reuse
!cox|dix|cummings|tycoon|tycoons|fucus|fucuses|fucoid*|quaff*|phots|cushite*|cushitic*|peshitta|shittim*|blackcock*
?effing|arsed|hoe|hoes
these|those|dumb|stupid|dirty hoe|hoes
?suicide|suicidal|hitler|nazi|nazis|holocaust|genocide|rapey|gaschamber|lynch*|murderer|noose
?white supremac*|nationalis*
?gas chamber|chambers
?slave|slaves|lynching
# harassment
bend over for|and|baby|bitch|so
show|flash us|me|them|everyone? your tits|boobs|ass|pussy|body|nipples|nudes|dick|cock|bum
take|pull|rip your|ur|that|those|it? top|shirt|bra|clothes|panties|pants|trousers|dress|skirt|apron off
take|pull off your|ur|that top|shirt|bra|clothes|panties|pants|dress|skirt
!take your shirt|pants|trousers|apron off the|my
get|strip naked|nude for|now|on|baby
get your|ur kit|top|clothes off
spread your|ur|those|them legs|cheeks|thighs
sit on my face|dick|cock|lap
you|u|ur|that|your make|makes|made|got|gets|gives|ass|body me so? hard|horny|wet|moist
jerk|jerked|jerking|wank|wanked|wanking|fap|fapped|fapping|rub|rubbed|rubbing off|one|it to you|this|your|off
wanna|want|gonna|going|id|i'd|would|ill|i'll|will|could to? bang|fuck|bone|smash|shag|screw|rail|plow|pound|breed|hit|tap you|u|your|ur|her|that|dat sister|mom|mum|mother|wife|girlfriend|daughter|ass|pussy|nan|gran|so|hard|all? hard|night?
!smash|hit|screw|pound that|your|it button|bell|like|subscribe|lid|dough
stick|shove|ram|cram it|that|this|your where the sun doesn't|dont|don't|doesnt|never shine|shines
suck|blow a|my fat|big|hard|massive one
suck|blow it bitch|loser|dry|nerd|streamer
swallow|drink|take|eat my|his|this load|cum|jizz|seed|semen|sperm
send|post|drop me|us|your|some|the? nudes|noods|nudez / titty|tit|feet|nude|dick|pussy pic|pics|picture|pictures
how much for|is a|an? blowjob|handjob|fuck|night|anal
are you wet|horny|shaved|naked
lick|smell|sniff|eat my|your|ur|her|that feet|pussy|ass|armpits|panties|clit|asshole|bumhole|arse
gagging|gag for|on it|cock|dick
fat|big|nice|huge|juicy|saggy|massive|great? tits|titties|rack|knockers|jugs|melons on|there|mate|love|babe|show
cotton picker|pickers|pickin|picking monkey|nigger?
monkey|ape|gorilla on|hosting stream|screen|camera|cam
illegals|illegal|aliens go|get|should|back|out home|out|back
someone|somebody|they|i|we should|must|ought|will|gonna|need just? shoot|kill|stab|shank|strangle|hang|rape|lynch|murder|drown|behead|gas you|u|him|her|ur
i|i'll|ill|im|we will|am|are|gonna|find|shall? find|going|gonna|will|to? you? and? to? kill|murder|rape|stab|shoot|strangle|butcher|behead you|u|your|ur
i know where you live bitch|and|we
take|have a bath|shower with a|the|your? toaster|hairdryer
toaster in|and the? bath|bathtub
cut deeper|yourself
gun|barrel|pistol|shotgun|revolver & mouth|temple|forehead|brains
!gun|barrel|pistol in|of the|a game|beer|wine|laughs
pull the trigger on yourself|urself
tie|put|wrap|get a|the|that rope|noose|cord|belt around|round your|ur neck|throat
you & suicide|kys|suicided|unalived|unalive
~i|we|hope|hoping|pray|wish|want & you|u|ur|your & die|dies|died|dead|cancer|aids|killed|murdered|raped|perish
~why & you|u & dead|die|alive|existing|breathing|suicide
!dead|die of|on|from|in laughter|my|me
!die|died|dead laughing|inside
the|that|a bridge|noose|rope|bleach|knife|river is|are waiting|calling for|you
get|be hit|run|ran|crushed over? by a|the bus|truck|train|car|lorry
white lives matter
6|six million was|were|wasn't|wasnt|weren't|is not? enough|few|lie|more|rookie
burn|bomb|torch|blow|raid up? the|every|all|their|down mosques|mosque|synagogue|synagogues|churches|temples
build|fire|light|heat|open|start the|some ovens|camps|gallows|walls
bring back slavery|hitler|lynching|segregation|apartheid|gas|auschwitz
!bring back gas oven|ovens|hob|hobs
lynch|hang|gas|shoot|burn|kill|deport|exterminate|rape them|em all
race|blood traitor|traitors
gypsy|gypsies|jew|jews|arab|arabs|muslim|muslims|immigrant|immigrants|gay|gays|homo|homos|black|blacks|paki|refugee|refugees scum|vermin|filth|trash|cunt|cunts|bastard|bastards|rats
that's|thats|so|is|pretty fucking gay
so|that's|thats gay bro|lol|dude|lmao|af
?overdose|lynch* please|on|now|already|them
~stick|put|shove|get & your|ur & head & oven|microwave|toilet|noose
~hope|wish|pray & someone|somebody|they|he & stabs|shoots|kills|murders|strangles|rapes|hangs|beats & you|u|ya
~%people & vermin|rats|invaders|stealing|raping|steal
ban|deport|jail|sterilise|sterilize all|every|the|those %people
~nobody|noone|one & miss|missed & died|dead|gone
!Mr|Mrs|Ms|Miss|Dr|family ^? Kuntz|Kunz|Cocks|Dykes
what|that|this|he|she|hes|he's|shes|they|theyre a|is|are|be|being? such? a|an|absolute|total prick|pricks|knob|bellend|cock
my balls are|itch|hurt|hang|smell|stink
slutty|jewing / jew|jewish price|prices|tricks|banker|bankers|media|nose
the jews did|control|own|run|caused|rule|want
~you|u & overdose|pills|tablets & bottle|whole|all|swallow|should
`,
}
