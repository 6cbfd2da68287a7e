import type { WordList } from './wordList.ts'

export const german: WordList = {
  language: 'de',
  endings: ['e', 'en', 'er', 'es', 'em', 'n', 's', 'ern', 'erin', 't', 'st', 'te', 'ten'],
  everyday: [
    'mufti',
    'nackt',
    'popel',
    'rosette',
    'schiesser',
    'lümmel',
    'kimme',
    'ische',
    'fratze',
    'bonze',
    'reudig',
    'poppen',
    'schabracke',
    'pinkeln',
    'bimbo',
    'penis',
    'nippel',
    'vögeln',
    'fick',
    'hure',
    'neger',
    'nigger',
    'möpse',
    'schnackeln',
    'pimpern',
    'wichse',
    'dödel',
    'orgasmus',
  ],
  mild: [],
  lines: `
%people = Juden|Jude|Moslems|Muslime|Muslimen|Türken|Araber|Arabern|Ausländer|Ausländern|Flüchtlinge|Flüchtlingen|Asylanten|Migranten|Schwarze|Schwarzen|Neger|Negern|Kanaken|Schwule|Schwulen|Schwuchteln|Zigeuner|Zigeunern|Polen|Russen|Linke|Linken|Christen|Behinderte|Behinderten|Transen|Homos|Islamisten|Polacken|Nafris|Syrer|Afghanen|Afrikaner

*hurens(o|ö)hn*|hurentochter*|hurenkind*|hurenficker*|hurenbock*|drecks(hure*|fotze*|nutte*|sau|kerl*|stück*|schwein*|pack|neger*|jude*|kanake*|köter|weib*|fresse|moslem*|türke*)|*hurenfotze*
!huren in
fick|ficke|ficken|fickt|fickst|ficker|fickern|fickers|fickerei|fickfehler*|fickgesicht*|fickfrosch*|fickschlitten*|fickschnitzel|*gefickt*|*verfickt*|verfick*|arschfick*|mutterfick*|kinderfick*|ziegenfick*|schaffick*|durchfick*|rumfick*|abgefickt*|zusammenficken|gefick*
!Familie|Frau|Herr|Herrn|Onkel|Tante|Opa|Oma|Bäckerei|Metzgerei|Doktor|Professor Fick|Ficker|Schwanz|Geil|Fotz
!familien name fick
!Fucking
!in|nach|bei|aus|von|Ort|Dorf|Gemeinde Fucking|Wank|Petting
*arschl(o|ö)ch*|arsch|ärsche|arsches|arschgeige*|arschkriech*|arschgesicht*|arschleck*|arschkopf*|arschgei*|*arschgesicht*|fettarsch*|dummarsch*|lahmarsch*|klugarsch|a(r)schloch*|arschkeks*|arschbirne
!arschkalt|arschbombe*|arschknapp|arscheng
leck|leckt|lecken|lecks mich|uns doch? mal? am|im? arsch|arsche
leck|lutsch|blas|lutscht|schluck|schluckt mir|mich|meine|meinen|mein|die|den|deine? eier|schwanz|pimmel|riemen|fotze|sack|kimme|muschi
schwanzlutsch*|eierlutsch*|fotzenleck*|sackgesicht*|sacklecker|schwanzgesicht*|pimmelkopf*|pimmel|pimmels|pimmelgesicht|schniedelwutz
blas|bläst|blasen mir|ihm doch|mal? einen
wichs|wichst|wichsen|wixen|wixt|wichsfresse|*gewichst*|wixer*|wixxer*|wixx*|wixxa*|vichser|*wichsbirne*|wichsvorlage*|wichsgriffel*|wichsfleck
!Wichse
*fotze*|fotzn|fotz|fotzig*|votze*|*votzen*|fozze*
!maulfotz
nutte|nutten|nuttensohn*|nuttenkind*|nuttig*|bitchschlampe|flittchen
!schlampig*
*missgeburt*|mißgeburt*|*misgeburt*|volksschädling*
spasten|spasti|spastis|spacko*|spackos|vollspast*|spazten|spassti*
mongokind*|vollmongo*|mongoloid*|mongofresse|downie|downies|behindi|behindis
!mongo db|shell|atlas
du|ihr|bist|seid|so|voll|echt|total|ein alle? behindert|behinderter|behinderte|behindert|mongoloid
*schei(ss|ß)*|schais*|scheis|scheise|scheisze*|sheiss*|scheiz / schiess dreck
!bescheis* uns nicht
kacke|kackbratze*|kackvogel*|kackfresse*|verkackt*|kackwurst*|*kackbratze|kackboon|kackbrat*|kackstelze
verpiss*|pissnelke*|pissflitsche|verpist|angepisst|pissfresse
*hackfresse* / fresse halten|polieren
halt|haltet|halts|haltz|stopf doch|mal|einfach|jetzt? deine|die|dein|eure|dei|s|das? dumme|blöde|dummes|verdammte|verdammtes|fette|dreckige|große|großes|verfickte? fresse|maul|schnauze|goschn|gosche|fressen
halts maul
*miststück*|miststueck*|fettsau*|drecksau*|*drecksau|pottsau*|*dreckschwein*|fettsack*|fettschwein*|schweinebacke*|hundesohn*|asozialenpack|wichtigtuerarsch|vollidiotensau|saupreis|sauhund*|sauweib
muschi|muschis|möse|mösen|gebumst|durchbumsen|ficktitten|hängetitten
du dumme|blöde|hässliche|fette|alte|dreckige sau|kuh|hure|nutte|fotze|ziege|schlampe|bitch
dumme|blöde|fette|hässliche|dreckige sau|schlampe|hure|fotze|nutte
fick|ficken|bums|bumsen deine|seine|ihre|eure mutter|mudda|mama|schwester|oma
ich|i|wir ficke|fick|bumse|bums deine|eure mutter|mudda|schwester
deine|dei|dine mudda|mutter ist|is|schwitzt|fickt|lutscht|bläst eine|ne|ein|beim? hure|nutte|schlampe|schwanz|mann|kacken
?kack*|arsch*|vollidiot*|blödmann|porno|pornos

# slurs
*schwuchtel*|schwuchtl*|schwuppe*|tunte|tunten|kampflesbe*|schwanzfrau|arschfaschist
schwule|schwuler|verdammter schwuler? sau|sack|drecksau|schwuchtel|hund
*kanake*|kanacke*|kanacken*|kanaken*|kanackn|kümmeltürk*|*kümmeltürke*|kamelficker*|ziegenficker*|schlitzauge*|schlitzaugen|schlitzi|schlitzis|reisfresser*|knoblauchfresser*|itaker*|spaghettifresser*|polacke*|polacken|russensau|kopftuchmädchen|kopftuchschlampe*|asylant|asylanten*|nafri|nafris|bimbo|bimbos|maximalpigmentiert*|bananenfresser*|buschneger*|dschungelaffe*|eselficker*
neger|negern|negers|negerin*|negerschlampe*|negersau*|negerlein|nigger*
!negerkuss|negerküsse
judensau*|judenschwein*|judenpack*|saujude*|drecksjude*|*judenfotze*|judenschlampe|judenratte*|stinkjude*|judenhure* / judas? jude vergas*
dreckige*|dreckiger|scheiß|scheiss|verdammte|verdammter|elende|blöde|stinkende jude|juden|türke|türken|moslem|moslems|muslime|ausländer|kanaken|neger|zigeuner|polen|russe|russen|flüchtlinge|schwule|schwarzer|schwarze|araber
zigeuner|zigeunern|zigeunerpack*|zigeunergesindel*|zigeunersau*|zigeunerin*|zigo|zigos
!zigeuner schnitzel|soße|sauce|baron

# self-harm
bring|bringt dich|euch|dir|disch doch|endlich|mal|bitte|einfach|jetzt|selbst|selber|sofort|gleich? doch|endlich|mal|bitte|einfach|jetzt|selbst|selber? um|ummmm
bringdichum|hängdichauf|erhängdich
häng|hängt|haeng|erhäng|erhängt|erhänge|erschieß|erschiess|erschieße|erschiesse|erstich|ertränk|ertränke|töte|vergifte|vergas|verbrenn|strangulier|ersäuf|umbring dich|euch doch|endlich|mal|bitte|einfach|jetzt|selbst|selber? auf|endlich|selbst|selber|doch|bitte?
!häng|hängt dich|euch rein|dran
spring|springt|stürz|stürzt|spring doch|endlich|mal|bitte|einfach|dich|halt? von|vor|aus|in|unter der|einer|'ner|ner|dem|den|einem|einen|nem|nen|die brücke|klippe|dach|haus|zug|fenster|hochhaus|balkon|bahn|auto|turm|bus|lkw|gleise|schlucht
spring doch? vom dach|hochhaus|balkon|turm|haus
schneid|schneide|schlitz|schlitze|ritz dir|dich doch|endlich|mal? die|deine? pulsadern|adern|kehle|arme|pulsader|auf
stirb|verreck*|verrecke|krepier|krepiere|krepiert|verrecken
!stirb langsam
geh|geht|kannst|sollst|solltest|sollt|musst du|einfach|doch|endlich|bitte|mal? sterben|verrecken|krepieren|abkratzen|draufgehen|vergasen
nimm|nehmt dir|euch doch|endlich|bitte? das|den|einen|nen leben|strick|strang
mach|macht schluss|ende mit deinem|eurem leben
beende|beendet dein|euer leben
begeh|begehe|begeht selbstmord|suizid
trink|trinkt|sauf|schluck|exe bleichmittel|chlor|chlorreiniger|gift|rohrreiniger|abflussreiniger
du|ihr solltest|solltet|müsstest|gehörst|gehört|wärst|wärt|bist doch|besser|lieber|am|besten|längst? tot|tod|erschossen|vergast|aufgehängt|abgetrieben sein|besser|dran|gehört|bald?
krieg|kriegt|bekomm|bekommt|hol dir? doch? krebs|aids
hätte deine|dich mutter|man? dich|besser|bloß|nur? abgetrieben|abtreiben
hoffentlich stirbst|verreckst|krepierst|erstickst|krepiert|stirbt|bekommst du|ihr|er|sie
hoffentlich bekommst|kriegst du krebs|aids
keiner|niemand würde|wird|vermisst dich|euch vermissen
ich? hoffe|hoff du|ihr stirbst|verreckst|krepierst|sterbt|verreckt
die? welt|alle wäre|ist|wären ohne dich besser|glücklicher
kugel|strick in|um den|deinen kopf|hals
?selbstmord|suizid|umbringen / ritz dich
?ich bring dich|euch um

# hate
sieg|sig|ziek|siegg heil|hail|heil|hai|hile
heil|hail hitler|dir|mein|dem|unserem|unserm hitler|führer|fuehrer|adolf
heil hitler
!heil dir im siegerkranz
%people ins|in|ab|zurück|auf|an die|den|das|der|ein|ins? gas|gaskammer|gaskammern|ofen|lager|kz|kzs|öfen|scheiterhaufen|galgen|wand|backofen|arbeitslager
%people raus|abschieben|vergasen|verbrennen|verrecken|töten|erschießen|erschiessen|ausrotten|vernichten|hängen|deportieren|weg|abknallen|steinigen|kastrieren|totschlagen
vergast|vergasen|verbrennt|tötet|erschießt|erschiesst|hängt|killt|schlagt|klatscht|vernichtet|ausrotten|kastriert|steinigt die|alle|diese|den|sie? alle? %people
tod|hass den|allen|dem|der|die? %people|islam|israel
tod|nieder den|mit %people
%people gehören|müssen|sollen|sollten vergast|verbrannt|raus|weg|getötet|ins|sterben|verrecken|ausgerottet|erschossen|an|abgeschoben|eingesperrt|gehängt|gas
%people sind|ist alle|nur|keine|der|abschaum? untermenschen|abschaum|ungeziefer|ratten|parasiten|dreck|tiere|vieh|affen|müll|krebs|pest|kriminelle|vergewaltiger|schmarotzer
deutschland|österreich|europa nur|gehört? den|für deutschen|österreichern|deutsche|weißen|weiße
deutschland erwache
ausländer|kanaken|türken|juden raus
blut und ehre|boden
meine ehre heißt|heisst treue
arbeit macht frei
holocaust|auschwitz|shoah gab|ist|war|hat es|eine|ein|nie|nicht nie|nicht|lüge|märchen|erfindung|stattgefunden|gegeben|passiert|fake
holocaust|auschwitz gab es nie|nicht
auschwitzlüge*|holocaustlüge*|holohoax
hitler|adolf hatte recht
hitler|adolf komm|fehlt|war zurück|uns|toll|super|geil
hitler|adolf hat nichts falsch*
hitler war ein guter|held|genie|großer|toller
weiße|weisse|weißer|arische macht|rasse|vorherrschaft|widerstand
herrenrasse|rassenschande|rassenkrieg|umvolkung|volksverräter*|volkstod
geh|geht|verpiss|haut|hau zurück|dich|ab nach|in|dahin|dein|ab? afrika|anatolien|türkei|dein|polen|syrien|busch|dschungel land?
~hure|huren|transe|transen|assi|assis|mongo|mongos|titten|tittchen|titte|bumsen|bumst|pissen|pisse|piss|pisst|penner|pennern|kack|kacken|hurens
schlampe|schlampen|drecksschlampe*|bitchschlampe|*schlampensohn|untermensch|untermenschen|bastarde|bastarden
wichser*|*oberwichser*|dummwichser*|kackwichser*|*hurenwichser|megawichser*
mutterficker*|hundeficker*|arschficker*|ziegenficker*|kinderficker*|mudderficker*|schwanzficker|tierficker*|leichenficker*
buschneger*|drecksneger*|scheißneger*|hausneger|quotenneger|bimboneger|halbneger*|bananenneger*|negerhure
hurensohn|pornonutte|drecksnutte|edelnutte|straßennutte|crackhure*|bahnhofsnutte|cracknutte*
vollspast|oberspast|totalspast|spastenkind
!dick|dicke|dicker|dickes|dicken|dickem|dickere|dickeren|dickerer|dickste|dicksten|dickstes|dicklich*|dickflüssig*|dickmilch|dickkopf*
!Blatte|Muckefuck*|FDP|Fuder|Pute|Puten|Puter|Putern|salopp*|spick|spicken|wog|zog|wank|wanken|wankt|Mufti
!Java|Küken|hörig*|Luder
?abschaum|kameltreiber|verschlampt
?hitler|nazi|nazis|selbstmord*|suizid*|umbringen|erhäng*|vergas*|holocaust|judenstern|abschlachten|krepier*|vollidiot*
Juden|Türken|Ausländer|Kanaken|Zigeuner|Moslems|Araber|Neger stinken|stinkt|klauen
pisser|pissern|titten
muschileck*|tittenfick*|sackratte*|fingerfick*|fistfick*|faustfick*|schwanzsaug*|schwanzkopf*|cyberfick*|hurensack|verhur*|hodenkobold*|pissflitsch*|analritter*|arschkrampe*|arschnas*|arschwisch*|kackhaufen|rotzfotz*|rotzgör*|spermaschluck*|puffmutter|bordsteinschwalbe|untermenschlich
?beschissen|verarschen|verarscht|mistvieh|mistkerl|mistkerle|kotzbrocken|schweinehund|abschaum
spast|spasts|vollspast|spastenhaft
zieh|zieht dich|euch|das|dein|deine|die|mal|die? mal|endlich|doch|bitte|shirt|hose|kleider|sachen? aus du|geile|schlampe|sau|für|bitte|baby
zieh|zieht dich|euch mal|endlich|doch|bitte|jetzt|ganz? aus
!zieh|zieht dich|euch warm|schnell|aus an|dem|der
mach|macht die|deine|schon? beine breit
setz|setzt|hock dich|euch auf|über mein|meinen|meine gesicht|schwanz|schoß|pimmel|fresse
hol|hole|holt|holen|hab mir|dir|ihm|sich einen runter|geholt
zeig|zeigt uns|mir|mal|doch? mal|doch|bitte? deine|die titten|brüste|möpse|muschi|nippel|fotze|schwanz
ich will|würde|möchte|könnte|werd|werde dich|deine|sie|euch|deinen|dir hart|mal|gern|gerne|so|richtig? ficken|bumsen|knallen|vögeln|durchnehmen|vergewaltigen|flachlegen|nageln|umbringen|abstechen|töten|abschlachten|abknallen|erschießen|schlachten
du|die|so|alte|verdammte geile|notgeile|versaute|verfickte sau|schlampe|ziege|stute|fotze|stück
notgeil*|mistgeburt*|drecksgeburt*|fidschi|fidschis|negerbrot|scheißneger*|krüppel|krüppels|halbaffe|halbaffen|drecksloch|arschkind|zecke*
!zecken|zeckenbiss*|zeckenzange*
kack|kackt ab
schnauze du|ihr opfer|sau|hund|idiot|affe|missgeburt
man|jemand|einer|wir|dich|euch sollte|sollten|müsste|müssten|gehörst|werden|muss dich|euch|die|man|alle|ihn|sie|doch? alle|mal|einfach|doch|lieber? vergasen|erschießen|aufhängen|abstechen|vergewaltigen|abknallen|verprügeln|totschlagen|einschläfern|kastrieren|vergast|einsperren|verbrennen
die? welt|alle|uns|jeder wäre|ist|wären|gehts|ging|geht|ginge doch|viel|echt|alle? besser|schöner ohne dich|euch
frauen|weiber|frau gehören|an|in|zurück an|in|zurück|den|die? den|die|an? herd|küche
kameltreiber|ziegenhirte|sandneger*|teppichflieger
fahr|renn|lauf gegen|vor|in einen|den|einem|nen? baum|wand|zug|laster|lkw
dich|euch & umbringst|umbringt|umbringen|umzubringen|erhängst|erhängen|aufhängst|aufhängen|erschießt|erschießen|ertränkst|ertränken|vergiftest|wegmachst
bringst|bringt|brächtest|brächte|bringe & dich|euch & um
!um|ums den|die|das|halb|halbe|leben|eck verstand|welt|haar|elf
häng|hängst|hängt|knüpf|knüpfst & dich|euch & auf
wünsche|wünsch|wünschen|hoffe|hoff|hoffentlich & dir|euch|du|ihr & krebs|aids|tod|tumor|stirbst|verreckst|krepierst|sterbt|verreckt|tot|leukämie
warum|wann|wieso & du|ihr & stirbst|sterbt|tot|lebst|verreckst|krepierst
pistole|knarre|lauf|kugel & mund|schläfe|schädel|rübe
~kackstream|kacklappen|kacknoob|kackb(ratze|oon)|spastibrot
steck|steckt|halt & kopf|schädel|rübe & ofen|backofen|mikrowelle|klo
~%people & klauen|stehlen|vergewaltigen|überfluten|mauer|meer|wand|front|vergast|verbieten
vergast|vergasen|erschießt|hängt|verbrennt|tötet|schlachtet|vergewaltigt sie|die|euch alle
bist|seid & schwul|behindert|mongo|gestört|autist
ohne & dich|euch & besser|glücklicher|schöner
!Fichte|Tanne Fick
~du|bist|seid|ihr & zurückgeblieben|behindert|schwul
schwuler|schwule|schwulen bäcker|typ|streamer|sau|hund|penner|mods|kerl|stream|brot
~kannst|könntest|könnt|willst & sterben|verrecken|krepieren|tot
!um|vor|zum sterben schön|gern
`,
}
