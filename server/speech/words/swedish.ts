import type { WordList } from './wordList.ts'

export const swedish: WordList = {
  language: 'sv',
  endings: ['n', 'en', 'ar', 'arna', 'or', 'orna', 'er', 'erna', 's', 'ens', 'a', 'an', 't', 'et'],
  everyday: [
    'brutta',
    'fan',
    'hård',
    'moona',
    'moonade',
    'moonar',
    'moonat',
    'mutta',
    'olla',
    'pippa',
    'prutta',
    'pök',
    'satan',
    'stake',
    'sås',
    'sätta på',
    'tusan',
    'helvete',
    'för helvete',
    'kuk',
    'röv',
    'pitt',
    'skita',
    'neger',
    'nigger',
  ],
  mild: [],
  lines: `
%people = judar|judarna|jude|muslimer|muslimerna|araber|araberna|blattar|blattarna|svartskallar|svartskallarna|negrer|negrerna|svarta|bögar|bögarna|homosar|flator|zigenare|romer|invandrare|invandrarna|flyktingar|flyktingarna|somalier|turkar|transor|transpersoner|kvinnor|vita|kineser|utlänningar|polacker|afghaner|islamister|kristna

jävl*|jävel|jävulen|jävlig*|jäveln|djävl*|djävel|jvla|jvlar|fanskap*
fitta|fittan|fittor|fittorna|fittig|fittiga|fittigt|fittjäv*|fittans|fittslick*|fitthår*|fittluder*|fittnylle|phitta|f1tta
~kuk|kukarna
kukhuvud*|kuksug*|kukjäv*|kukskall*|kukluder|kukhor*|hästkuk*|*kuksug*|kukarna / sug|suger|slicka|lick|smaka på? min|mina|hans|en|den|på? stora? kuk|pung|balle|kuken|röv|fitta|pungen|stake
!kukur* 
~hora|horan|horor|hororna|horas
horunge|horungar|horungen|horungarna|horjäv*|horhus*|horkund*|horsomhelst|horjävel|lyxhora*|krackhora|crackhora|horbock*
!flora|*flora|*phora|sonora|*tora|*dora|*nora|*bora|*mora|*hjorta|pandora|*agora|*ahora
din|er|en|jävla|dum|fet|äcklig|äckliga|ful|era|mamma|morsa är|jävla|äckliga|fula|en? hora|horor|horan|hynda|hyndor|slampa|subba|slyna|fitta|luder|äckel|hagga
knull|knulla|knullar|knullade|knullat|knullas|knullad|knulls|knullet|knullbrud*|knullkompis*|knullrufs*|*knullare|*knullad*|morsaknull*|mammaknull*|rövknull*|barnknull*|påknull*|sönderknull*|genomknull*
rövhål*|rövslick*|rövpul*|rövknull*|rövjäv*|rövhatt*|rövtomte* / slicka|kyss|slick|sug mig|min|mitt i? röv|röven|arsle|arslet|arsel|häcken|rövhål
~röven|rövar|rövens
arsle|arslen|arslet|arsles|arslena|arsel|arslig*|arslehål|arselhål*
skitstövel*|skitstövlar*|skitunge*|skithög*|skithuvud*|skitjäv*|skitkärring|skitgubbe|skitluder|skitkuk
dra|far|ta|stick|åk|gå|brinn|ruttna|försvinn åt|i|till helvete|helvetet|fanders|helvettet
fan ta dig|er / fan i helvete / fy fan|faan|fän / ta dig i arslet|röven / kör|stoppa|tryck upp? den|det|upp i? röven|arslet
slyna|slynan|slynor|slynorna|slampa|slampan|slampor|slamporna|slampig*|subba|subban|subbor|subborna|fnask|fnasket|fnasken|hagga|haggan|haggor
håll|håller|häll|hall käften|käft|käfft|truten|flabben|klaffen
mun|knip|stäng käften|truten
runk|runka|runkar|runkade|runkare|runkarn|runkat|runkgubbe* / pattar|tuttar|bröst visa|fram / bröstjävel|tuttjävel
pungslick*|pittjävel / suga av|avsug mig|honom|dig
idiotjäv*|cpjäv*|asjävel / ditt|din|jävla as|svin|avskum|cp|pack|äckel
!svin|svinet kött|på|i
äckelpotta|äckelgubbe|våldtäkt*|våldta|våldtar|våldtog|våldtagen
!våldtäkt offer|jour

?skita|skiter|skitit|skitsnack|pucko|puckon|kärringjävel|tuttar|pattar|kåt|kåta|ollon|snopp|snippa

# slurs
~bög|bögar|bögen|bögarna|bögig|bögigt|bögiga
bögjäv*|bögfan|bögkuk*|bögsvin*|bögfitta|bögas*|bögluder|bögunge*|bögslyna|*bögjävel|flatjäv*|flatfan|jävlabög|lebbjävel|lebbor|transjäv*|transvestitjäv*|fjollig*|stjärtgosse|stjärtgossar|rövboy|homojäv*|homofan|lesbojäv* / jävla|din|ditt|äckliga|ful|dum|era|fula bög|bögar|flata|flator|homo|fikus|homosar|transa|transor|lebb
blatte|blattar|blattarna|blatten|blattejäv*|blattjäv*|svartskall(e|ar|en|arna|es)|svartskallejäv*|neger|negrer|negern|negrerna|negerj*|negerslyna|negerhora*|negerunge*|negerfan|negress|svarting|svartingar|svartapa*|kolsvarting|babbe|babbar|babbarna|arabjäv*|arabsvin*|turkjäv*|turkfan|somaliejäv*|guling|gulingar|gulingjäv*|kinesjäv*|snedöga|snedögd*|zigenarjäv*|zigenarpack*|zigenarsvin|tattare|tattaren|tattarjäv*|tattarpack*|lappjäv*|lappdjävel|judesvin*|judejäv*|judehora|judefan|judepack|judeluder|muslimjäv*|muslimsvin*|muslimråtta*|kamelknull*|getknull*|åsneknull*|invandrarjäv*|invandrarpack*|polackjäv*|ryssjäv*|finnjäv*|rasförrädare|rasfrämling*|ryssfitta|efterbliv(en|na|et)|mongon|mongot|mongoloid*|mongoj*|cpskad*|cpbarn|dampunge|dampjäv*|missfoster|missfostret
~mongo
!negerboll*
cp skadad|skada|skadade|skadat|unge|fan|jävel|störd
jävla|äckliga|smutsiga|smutsig|vidriga jude|judar|neger|negrer|apa|apor|zigenare|zigenar|arab|araber|turk|turkar|kines|kineser|somalier|muslim|muslimer|invandrare|finne|lapp|svarting|blatte|utvecklingsstörd|rom|mongo|autist|autister|polacker|afghan
åk|dra|stick|gå hem|tillbaka till afrika|afghanistan|somalia|djungeln|öknen|syrien
åk|dra|stick hem|tillbaka till ditt hemland|land
åk|stick|dra hem|tillbaka jävla|neger|blatte|blattar|svartskalle|apa
är|e|din|vilket|ditt|så|jävla|helt du|ni|ett|en? mongo|efterbliven|efterblivna|cp|missfoster|utvecklingsstörd|utvecklingsstörda

# self-harm
döda|skjut|dränk|dräp|stryp|avliva|avrätta|spräng|halshugg|mörda|bränn|kväv|häng|skär dig|er|dej själv


häng|skjut|dränk|döda|bränn|spräng dig|er|dej själv|nu|bara|jävel|ditt|din
häng dig|er
!häng dig|er inte? på|med|kvar
döda|avliva|skjut dig|er|dej
dödadig*|hängdig
ta|tar|tagit livet av dig|er|sig
ta ditt|era|ert eget? liv
ta|begå|begär självmord
kan du|ni inte|bara? bara? dö|dränka|hänga|skjuta
gå|gå och|å dö|häng|dränk|skjut
hoppa|kasta|släng dig|er? från|framför|utför|ut genom|från|för? en|ett|den|närmaste? bro|bron|tak|taket|balkong|balkongen|klippa|stup|stupet|fönstret|fönster|tåg|tåget|tunnelbanan|lastbil|skyskrapa|västerbron|bilen
ställ|lägg dig|er framför|på ett|en? tåg|tåget|spåret|spåren|tågspåret|lastbil


skär|snitta upp|av|sönder? dina|handlederna|pulsådern|pulsådrorna|halsen|strupen handleder|pulsådror|ådror|armar?
skär handlederna|halsen|pulsådern|pulsådrorna|strupen
hoppas|önskar att? du|ni|din|hela|era? familj|mamma|morsa|barn? dör|drunknar|dog|kvävs|brinner|ruttnar|våldtas
hoppas du|ni får|blir cancer|aids|våldtagen|påkörd

~dö|drunkna|ruttna nu|din|ditt|jävla|långsamt|ensam
du|ni borde|ska|måste|förtjänar|bör att|bara|verkligen|fan? dö|aborterats|avlivas|avrättas|hängas|skjutas|gasas
du|ni borde|ska|måste|bör|kan döda|hänga|dränka|skjuta dig|er
du|ni borde|kan|ska ta livet|självmord

du|ni|han|hon borde|skulle|förtjänar|förtjänade att? vara|ha|bli död|dött|döda|dödad|skjuten|gasad|hängd
få|hoppas|fick du? cancer|aids
hoppas att? du|ni får|fick|drabbas|dör av|i? cancer|aids
ingen skulle|kommer|hade att? sakna|saknat dig|er
världen|alla vore|är|blir|mår|hade bättre utan dig|er

drick|svälj|sup|häll klorin|blekmedel|gift|arsenik|syra|propplösare|cyanid|bensin|frostskyddsmedel
avsluta|ända ditt|ert liv
gör slut på ditt|livet liv?
kula i|genom huvudet|skallen|pannan
?självmord|dö|död|döda|jag ska döda dig|snara|mörda|självskada

# hate
sieg|heil|zieg|sig|seger|leve|heja|hell|hejja|sejg|hail|hylla|ave heil|hitler|führer|seger|hail|adolf
!hell seger
hell seger
vit|vita|ariska|vitt makt|rasen|rasens|kraft|styrka|sverige|europa|herravälde|motstånd|folkmord|nation
!vit|vitt|vita kraft|styrka
ut med alla|de|dom|hela|dessa|packet|jävla|det|allt|svartskallar? %people|packet|slöddret|patrasket|avskummet|pack
döda|gasa|bränn|häng|skjut|utrota|mörda|slakta|spräng|hata|deportera|kasta|lyncha|avrätta|krossa|kastrera|våldta|gasade|stena|förinta|knulla|avliva|massakrera|utvisa ut|alla|de|dessa|hela|allt|samtliga|varenda|jävla|dom? jävla|alla|ut|jude? %people
%people ut ur|från sverige|landet
%people raus|ut
%people i|till gaskammaren|ugnen|ugnarna|gaskamrarna
%people ska|måste|borde|förtjänar att? dö|gasas|hängas|skjutas|brinna|utrotas|avrättas|deporteras
%people är bara|alla|som|inga? råttor|ohyra|parasiter|avskum|djur|apor|cancer|pest|kackerlackor|svin|undermänniskor|terrorister
död|döden|hängsnara|rep åt|till|över alla|de|den|dom|varje? %people|islam|israel|muslimska
bevara|håll|rädda sverige svenskt|vitt|rent
sverige|europa|norden bara|är? åt|för bara? vita|svenskar|svenskarna

sverige åt svenskarna
hitler|adolf hade rätt
hitler|adolf gjorde inget|ingenting|rätt fel?
hitler|adolf var en? hjälte|gud|bäst|bra|rätt
hitler borde|skulle ha? fullfölj*|vunnit|avslutat
förintelsen|holocaust har|hände|ägde|existerade aldrig hänt|rum|funnits|existerat?
förintelsen|holocaust är|var en? bluff|lögn|myt|påhitt|saga
rasren*|rasblandning*|folkutbytet|raskrig*|herrefolk*|folkförräd*|vitmakt*|kulturberikare|1488
~luder|ludret|transa|transor|hynda|hyndan|hyndor|hyndorna|kukens
discofitta|snedfitta|jävlafitta|horfitta|äckelfitta|fettfitta|råttfitta|bögfitta|slidfitta|kärringfitta|fittsaft
!foder|fodret|fick|ficka|fickan|fickor|fickorna|fickla*|bog|bogar|bogarna|bogen|rov|rovet|rovar|höra|höras|hör|hörde|tillhöra|förhöra|upphöra|bönhöra|åhöra|slut|slutet|sluta*|slut*|sex|sexa|sexan|sextio*|sexton*|fart|farten|farter|sambo|sambor|sambon|slag|slagen|slaget|slags|spik|spikar|spiken|skänk|skänken|skänka|skänker|böner|bönor|bönorna|kurva|kurvan|kurvor|kurvorna|puta|putar|föd*|kafferast*|titten|trav|trava|travet|slick|slicka|huj|hej|höj*|käck*|kock|kocks|kockar|dick|kukeliku|kåk*|jäva|jävig*|pitt|rövar*|knutte|knuttar|polack*|buset|bus*|löda
!Bögel|Fitger|Kukk|Hore
?avskum|avskummet|pedofil|pedofiler|kuk
?hitler*|nazist*|nazism|självmord*|förintelsen|våldtä*|gaskammar*|äckel|äckliga
judar|zigenare|negrer|araber|muslimer|somalier|romer stinker|luktar
kukskalle*|kukfitta|fittkuk|fittnuna|fittansikte|fittmongo*|horkuk|hormongo*|horfitt*|knullnuna|rövkuk|rövfitta|rövprick|pungråtta*|pungkula|skithora|skitfitta|äckelkuk|mongojävel|cpunge|blattekuk|jävlablatt*|kärringfitta|analkuk|bajsjävel
visa|vis|flasha|blotta upp|oss|mig|fram|lite|din|dina|dig|dom|de? dina|din|dom|de|bara? bröst|brösten|tuttar|tuttarna|pattar|pattarna|fitta|fittan|kuk|kuken|rumpa|rumpan|röv|röven|trosor|trosorna|bröstvårtor|naken
!visa|visat på|upp? bröst på|av
ta|dra|slit av|ner dig|din|dina|er|tröjan|bh:n|alla? kläderna|tröjan|bhn|bh|byxorna|klänningen|trosorna|trosor|kläder|toppen
klä|klär av dig|er naken|nu|för|hora|då|lite
sära|särar|spreta|bred på|isär|ut de|dina|benen|skinkorna? benen|skinkorna|låren?
sug|suger|slicka|lick|runka|blås av|mig|upp|in mig|honom|oss|kuk|av
sitt|sätt|sätta dig? på|i|över mitt|min|ansiktet ansikte|kuk|fejs|ansiktet|knä|fejset
ställ|stå på alla fyra
jag|vi|vill|ska|skulle|kommer|hoppas vill|ska|skulle|kommer|att|vilja|gärna|någon? att|vilja|gärna? knulla|våldta|döda|mörda|slå|strypa|skjuta|knivhugga|sätta|pippa|spöa dig|er|din|på|ihjäl|henne
jag ska|kommer|vill att? döda|mörda|hitta|slakta|skjuta|spränga dig|er|din
ät|äter|sluka|käka skit|bajs|kuk|hårda|min|mitt|fitta och|paket|skit|kuk|hora?
ät skit
vilken|vilket|så|jävla|fan|sån|helvetes|fy|en|hela|din fan|vilken|jävla|helvetes|himla? skit|skitbröd|skitstream|skitkanal|pissbröd|pisskanal
käften|trut|truten nu|din|ditt|hora|idiot|jävel|på|för|då
~hora|luder|flata|flator|mongo|mongon|transa|käften|zigenare|zigenarna|zigenaren|subba
din|ditt|jävla|äckliga|fula|feta|en|er|era|dumma|vilket|vilken jävla|äckliga|fula|feta|förbannade? cp|mongo|jude|apa|as|svin|ko|kossa|luder|pucko|zigenare|transa|gris|råtta|kossa|kärring|cpbarn|cpunge|blatte
släng|kasta|kör|skicka|sparka|få ut|hem|iväg alla|de|dom|hela|varenda|bort|alla? alla|jävla|de|dom? %people
kvinnor|kvinnan|tjejer|brudar|kvinnfolk hör|ska|passar|bör|tillhör hemma|vara|stå|stanna|bäst|bara? i|vid|till köket|spisen
!kvinnor i köket
bättre|bäst om|att du|ni inte|aldrig|var|dog|dör|vore? fanns|föddes|fötts|funnits|död|dog?
tar|ta|tog|tagit|tagits & livet|liv & dig|er|ditt|ert
hänger|hängt|dödar|skjuter|dränker|skär & dig|er & själv
hoppas|önskar|vill & du|ni & dör|dog|dö|döda|cancer
!dör|dö av skratt|hunger|nyfikenhet
varför|när|kan & du|ni & dör|dö|dött|hänger|självmord
pistol|pistolen|geväret|bössan & mun|munnen|tinningen|huvudet
mongoung*|mongobarn*|mongoj*|mongofitta|cpjävel|cpungar
stick|stoppa|sätt & huvudet|skallen & ugnen|mikron|toaletten
~%people & stjäl|våldtar|havet|väggen|fronten|snyltar|förstör
förbjud|förbjuda|utvisa|deportera alla|dessa|jävla %people
utan & dig|er & bättre|lyckligare|gladare
suga|sug|suger min|mitt|mina stora? kuk|pung|balle
zigenarung*|zigenarj*|negerung*|bögung*|judeung*|blatteung*
~tuttar|tuttarna|pattar|pattarna
kuken vad|va|vilken|vilket|också
`,
}
