import type { WordList } from './wordList.ts'

export const polish: WordList = {
  language: 'pl',
  endings: ['a', 'y', 'i', 'u', 'e', 'ę', 'ą', 'o', 'om', 'ami', 'ach', 'ów', 'em', 'owi', 'ie', 'ek', 'ki', 'ka'],
  everyday: [
    'burdel',
    'burdelmama',
    'ciota',
    'cyc',
    'debil',
    'dmuchać',
    'dupek',
    'duperele',
    'jajco',
    'jajko',
    'pieprzyć',
    'pierdzieć',
    'rzygać',
    'syf',
    'sraczka',
    'suka',
    'dupa',
    'cipa',
    'ruchać',
    'srać',
    'huj',
    'fiut',
    'kutas',
    'pizda',
    'gówno',
    'zajebisty',
  ],
  mild: ['pierdzieć', 'rzygać', 'sraczka'],
  lines: `
%people = żydzi|żydów|żydy|żydki|żydom|żyd|murzyni|murzynów|murzynom|czarni|czarnych|pedały|pedałów|pedałom|geje|gejów|gejom|lesby|muzułmanie|muzułmanów|muzułmanom|arabowie|arabów|ciapaci|ciapatych|ciapaki|ukraińcy|ukraińców|ukraińcom|ukry|banderowcy|cyganie|cyganów|cyganom|imigranci|imigrantów|imigrantom|uchodźcy|uchodźców|niemcy|szkopy|ruscy|kacapy|czarnuchy|asfalty|lewaki|lewaków|lewakom|niepełnosprawni|transy|islamiści|turasy|zydzi|zydow|zydom|zyd

*kurw*|kurew|kurewsk*|kurewn*|qrw|qrwa|qrwy|qrwo|qrwę|qrwi*|kurfa|kurwa|*kuurw*|kuhwa|kurvva|kurvou / krwa mać
chuj*|*chujow*|*chuja|*chuju|hujem|hujek|hujow(y|a|e|i)|hujnia|hujnię|hujoza|huj(a|e|u|owi)|chvj*|chuuj*|shuj|chwdp|hwdp|hujec|hujstwo|wchuj|wchuja
!huja jing
*pierdol*|*pierdal*|*pierdziel*|pierdolnięt*|*pierdoln*|*pierdoł*|pierdol(a|ą|ę|i)*|pjerdol*|*piedol*|pierd|pierdnął
jeb(a|ą|ć|c|i|n|ł|s|k)*|jeb|jebie|jebię|(za|wy|po|roz|prze|od|na|do|u|pod|z|nad|ob|w|s|naj)jeb*|zajeb*|wyjeb*|*ojeban*|*zjeban*|*jebani*|niedojeb*
!jebel
pizd(a|y|o|ę|ą|zie|ziel*|eczk*|ow*|usi*|u)|*pizd*|pizdo
dziwk*|*dziwk*|dziwka|dziffk*|zdzir*|lafirynd*|ladacznic*|kurtyzan*|szmata|szmato|szmaty|szmatławiec
!stara|brudna|mokra|podłogowa|sucha|czysta|do szmata
!szmata|szmaty|szmatka do
ty|wy|stara|głupia|jebana|tępa|tania|zamknij|milcz|ta|twoja|co|zwykła|w|mać|ale|won suko|suka|suki|szmato|szmata|suczko|krowo|świnio|ciota|cioto|pało
suko|suczko|sukinsyn*|sukinkot*|sukisyn*|skurwiel*
~ciota|cioty|ciotą
cioto|cwel*|cwelu|cwele|*cweli*|parówo|frajerze|frajerzyno|lachociąg*|lachociag*|obciągar*|obciągnij|obciągaj|obciąga|obciagnij|obciagaj / konfident jebany / zrób laskę
fiut|fiuta|fiucie|fiuty|fiutem|fiutów|kutas|kutasa|kutasie|kutasy|kutasem|kutasów|kutasik*|kutafon*|kutaf*|chujek|knaga|pytong / pyta jebana / faja ci
!kutas* przy|na|od? pasie|czapce|szabli
ssij|liż|liz|ciągnij|ciagnij|possij|wyssij|zrób|opierdol|weź|bierz|possaj|polizaj|obciągnij mi|mojego|moją|do|go? pałę|pale|pałe|pała|druta|chuja|kutasa|fiuta|jaja|laskę|loda|gałę|rowa|dupę|cipkę|cipę|kule|knagę|buzi
pocałuj|pocaluj|całuj|cmoknij|liż|wyliż|kopnij mnie|mi|się|mój|nas w? dupę|dupe|rów|dupsko|trąbkę
w|do|z|po|na dupę|dupe|dupie|dupy|dupsko|dupą ci|cię|się|sobie|cie
wsadź|wsadz|włóż|wal|wciśnij|daj|wpakuj sobie|se|mu|ci|to? w? dupę|dupe|dupsko|odbyt
dupojeb*|dupoliz*|dupodaj*|dupcyng*|dupcz*|dziwkarz* / dupcia jebana / dupka jebana / dupsko tłuste
ruchać|rucham|ruchasz|ruchają|ruchał|ruchała|ruchałem|ruchali|ruchaj|ruchanie|ruchan*|wyrucha*|zrucha*|przerucha*|poruchać|ruchacz*|wyruch*|ruchniesz
pierdolę|jebię|rucham|rucham|miałem twoją|twoja|ci|twojej|twój starą|stara|matkę|matke|matki|starej|siostrę
twoja|twój|wasza stara|stary|matka to|jest|daje|robi|kurwa|ssie|ciągnie kurwa|dziwka|szmata|dupy|loda|pała|laskę|pałę
zamknij|zawrzyj|stul|zamknijcie|stulcie|zamkni|zatkaj|przymknij ten|swój|ty|się|te|swoją|japę|tą|tę|wreszcie|głupi|głupią|w? ryj|ryja|mordę|morde|pysk|pyska|japę|jape|jadaczkę|kłapaczkę|kłapę
morda|ryj|mordo ty|w|śmieciu|kundlu|psie|szmato|krzywa|jebany|pedale|tam|suko
wal się|sie na|w|głupku|konia|cwelu|lalusiu|frajerze|ryj|dzbanie|cieniasie? ryj|łeb?
walić|wali|walisz|wal konia|gruchę
gówn(o|a|em|ie|u|iarz*|iany|iane|iana|ojad*|o*)|gowno|gownem|gownia*|zasran*|osran*|posran*|obsran*|zesra*|posra*|nasra*|obesra*|zesraj*|gównojad*|srajtaśm*|srać|sram|srasz|wysr*|wysraj|srałem|osraj*
skurw*|spierd*|sperdalaj|spjerdalaj|spirdalaj|spier*alaj|wypierd* / w pizdu / do kurwy / na chuj / po chuj / po kiego chuja
pierdolony|pieprzony|pieprzona|pieprzone
pieprzcie|spieprzaj|spieprzajcie|popieprzon*|pieprzon*|odpieprz*|zapieprz*|rozpieprz*|przypieprz* / pieprz się
!pieprz czarny|biały|cayenne|i|do|świeżo|mielony|ziarnisty|ziołowy|cytrynowy
!sól i pieprz
!pieprz
?dupa|dupy|dupę|dupie|dupek|dupki|dupku|cycki|cycek|cyce|cycków|szczyny|pedał|pedały|zboczeniec|ścierwo|ścierwa|bękarcie

# slurs
~pedał|pedały|pedałem|pedałów|pedałowi|pedale|pedała|pedałek|pedałki|pedałami|pedałom
pedalstw*|pedalsk*|pedałk*|pedzio|pedziu|pedzie|homoś|homosie|homosiu|homoniewiadom*|lesba|lesby|lesbijo|babochłop*|parobas|dupodajk* / pedale jebany / lesbijka jebana / tęczow(a|y) zaraz(a|o) / zarazo tęczowa / transwestyt* jebany / parówa w dupie
ty|jebany|jebane|same|zwykły|wy|jebani|stary|jak|każdy|głupi|jesteś|to|bić|pierdolony|wypad|won|za pedale|pedał|pedały|pedałem|pedalski|pedałku|geju|gej
!pedał|pedały gazu|hamulca|sprzęgła|roweru|rowerowe|rowerowy|efektów|gitarowy|od|przyspieszenia
!naciśnij|naciśnąć|wciśnij|nacisnął|wciska|puść|na pedał|pedały
żydek|żydki|żydku|żydziak*|żydostw*|zydostw*|żydokomun*|zydokomun*|żydojad*|żydłak*|żydłac*|żydzisk*|żydol*|żydow*|żydzior* / jude won / żydowsk(a|i|ie) (kurwa|ścierwo|szmata|świnia|pies|morda|parch|krętacz) / żydów(ka|ko) jebana
!żydowski|żydowska|żydowskie|żydowskiej|żydowskich|żydowskiego|żydowskim|żydowską|żydów|żydówka|żydówki|żydom
żydowska|żydowski|żydowskie|zydowska kurwa|ścierwo|szmata|świnia|pies|morda|parch|krętacz|suka|ryj|nos|ścierwa
jebany|jebani|brudny|brudni|parszywy|parszywi|pierdolony|śmierdzący|śmierdzące|wstrętny|obleśny|głupi|zasrany|zasrani|pieprzony żyd|żydzi|żydzie|żydy|murzyn|murzyni|cygan|cyganie|cygany|ukrainiec|ukraińcy|arab|arabowie|niemiec|niemcy|szwab|szwaby|rusek|ruscy|czarnuch|turek|turki|ciapak|pedał|muzułmanin|azjata|chińczyk|hindus|zyd|zydzi
ciapat*|ciapak*|ciapol*|czarnuch*|czarnuh*|smoluch*|makaku|żółtek|żółtki|żółtku|skośnook*|skośny|kitajc*|kacap|kacapy|kacapie|kacapów|kacapski*|szkop|szkopy|szwab|szwaby|szkopsk*|szwabsk*|upaina*|upadlin*|ukropy|ukrop|arabus*|islamol|kozojeb*|kozojebc*|wielbłądojeb*|cyganich*|cyganuch*|podludzi*|podczłowiek* / murzyński (ryj|pies) / murzynek jebany / bambo jebany / bambus(y|ie|) jebany / asfalt jebany / małpo czarna / czarna małpo / skośne ryje / rusek jebany / helmut jebany / pepik jebany / ukrain(iec|ka) jebany / beduin jebany / rumun jebany / cygan jebany
~murzyn|murzyni|murzyna|murzynów|murzynem|murzynie
downie
~mongole
ty|jesteś|jak|zwykły|jebany|wy|głupi|co|same|sam|mały|z|tępy|to downie|down|downem|downy|upośledzony|upośledzeni|autysto|autysta|autystą|kaleko|kaleka|mongole|niedorozwoj*|downa
upośledzon(y|a|e|ych) jesteś|debil|umysłowo|kurwa|idiot(a|o)|streamer|kretyn|down|psychicznie|bachor|śmieciu|cwelu
niedorozwoj*|niedorozwinięt*|upośledzeniec*|upośledź*

# self-harm
zabij|powieś|powies|zastrzel|utop|potnij|otruj|zajeb|uduś|podpal|zabijcie|powieście|zadźgaj|wykrwaw|zagaz|wypatrosz|podetnij|zakop|spal|zajeb|zdechnij|wykończ|ubij|zabijaj|zażyj|zabija się|sie|sobie|siebie jak|lepiej|najlepiej|w|od|już? śmieciu?
zabijsie|zabijsię|powieśsię|powiessie
!spal|podpal|utop się w? kuchni|domu|cukrze|miodzie|maśle
się|sie lepiej|idź|idz|no|już|weź|kurwa? zabij|powieś|powies|potnij|utop|zastrzel|zabijcie|powieście|zajeb|otruj
skocz|skacz|wyskocz|rzuć|rzuc|skaczcie|zeskocz|wejdź|połóż|skoczcie się|sie? z|pod|przez|na|ze|w|do okna|mostu|dachu|pociąg|okno|balkonu|wieżowca|klifu|tory|tramwaj|samochód|tir|auto|przepaść|tirem|skarpy|bloku|wieży
podetnij|potnij|podetnijcie|podrżnij|tnij|rozetnij|przetnij sobie|se|te|swoje? żyły|zyly|gardło|nadgarstki|ręce|arterie|tętnicę
zdychaj|zdychajcie|zdechnij|zdechnijcie|zdechniesz|sczeźnij|sczeznij|zdechlaku|sdychaj|gińcie|zgiń|zgińcie|umrzyj|umieraj|umieraj|zdychac
!umieraj|umierać ze|z
popełnij|popełnijcie|popelnij|strzel|zrób|palnij samobójstwo|samobója|samobójstwo|sobie|se|eutanazję w|z? łeb|głowę|skroń|bani|baniak?
palnij|strzel sobie|se w łeb|głowę|skroń|czaszkę
żebyś|zebys|obyś|obys|oby|niech kurwa|ty|twoja|stara|matka|wszyscy|tylko? zdechł|umarł|zdechła|umarła|zdechli|umarli|zdechl|umarl
oby|żeby|żebyś|obyś|niech|zebys|obys cię|cie|was|go|ją|ich|ciebie|ci|dostał|dostała|miał|zachorował rak|raka|szlag|trafił|zdechł|zdechła|śmierć|tramwaj|pociąg|na zeżarł|trafi|trafił|zabrał|wziął|dopadł|potrącił|przejechał|raka?
mam nadzieję że|ze umrzesz|zdechniesz|zdechnie|umrze
życzę|zycze ci|wam raka|śmierci|żebyś
odbierz|skończ|zakończ|skoncz|zakoncz|odbierzcie|zakończ sobie|ze|swoje|z|to|swój|swoim? życie|życiem|żywot|zycie|zyciem|żywotem
kup|weź|wez|załóż|bierz|znajdź|poszukaj|zawiąż|zrób sobie|se? sznur|linę|pętlę|line|petle|stryczek|żyletkę i|na? szyję|się|powieś|drzewo|szyje?
wypij|napij|łyknij|pij|chlej|połknij się|sobie? domestos|domestosa|wybielacz|kreta|cif|truciznę|cyjanek|kwas|ace|wybielacza|trutkę|płyn
nikt by|nie za|po tobą|tobie nie? tęsknił|płakał|zatęskni
nikt cię|cie nie kocha
świat|wszystkim byłby|będzie|byłoby lepszy|lepiej bez ciebie
na stryczek z
idź|idz|idźcie się|sie? umrzeć|zdechnąć|zdychać|zabić|powiesić|utopić|umrzyj|zabij|powieś
powinieneś|powinnaś|musisz|powinniście się|sie|już? zabić|powiesić|umrzeć|zdechnąć|utopić
?samobójstwo|zdechł / zabiję|zabije cię|cie

# hate
%people do|won|precz|out|na|w|pod|raus|wypierdalać|wynocha|wypad|spierdalać gazu|gaz|pieca|piec|wora|ziemi|won|z|komory|komór|gazowni|obozu|auschwitz|izraela|ścianę|mur|szubienicę|stos|drzewo|łopaty|piach|ukrainy|oświęcimia|polski|pieców|afryki|piachu|lasu|kołchozu|klatki|paki
%people won|precz|out|raus|wypierdalać|wynocha|wypad|spierdalać
zabić|zabijać|mordować|gazować|zagazować|spalić|palić|wieszać|rozstrzelać|deportować|bić|wyrżnąć|wymordować|śmierć|smierc|powiesić|precz|won wszystkich|wszystkie|tych|te|wszystkim|tym|ze|z? jebanych|brudnych|wszystkimi? %people
polska|europa tylko|jest|wyłącznie? dla tylko? polaków|polakow|białych|bialych|europejczyków
tylko|wyłącznie dla białych|bialych
sieg|heil|zig|hajl|hail|chwała|sig|zyg heil|hitler|hail|hitlerowi|hajl
biała rasa|europa|duma
biała|biala siła|sila|potęga|duma
rasa panów|wyższa|aryjska|niższa
raz sierpem raz młotem|mlotem
hitler|adolf miał|mial rację|racje
hitler|adolf nie dokończył|skończył|zdążył|zrobił nic? złego?
hitler|adolf był wielki|bohaterem|geniuszem|bohater|super
hitler za mało
hitler wróć
holokaust|holocaust to bajka|kłamstwo|ściema|mit|oszustwo|wymysł
holokaustu nie było
holokaust nigdy nie
znowu|jeszcze komory gazowe
żydy|żydzi|zydzi rządzą|sterują|kontrolują|rzadza światem|nami|wszystkim|polską|światowe|bankami|mediami|kurwy|usa|swiatem
wracaj|wracajcie|wypierdalaj|spadaj|won|wynocha do|na|z afryki|ukrainy|polski|swojego|izraela|indii|dżungli|syrii|buszu|niemiec|rosji|drzewo|siebie|azji|lepianki|bantustanu|chlewu|kraju?
~cipa|cipy|cipo|cipę|cipą|chój|hój|parch|parchy|parchu|rucha|turas|turasy|kurva|srac|srasz
cipka|cipki|cipkę|cipko|huj|huja|huje|huju|hujowy|hujowa|hujowe|hujnia
jebany|jebane|jebana|jebanego|jebanej|jebani|jebać
robi|zrób|zrob|zrobisz|obciągnij|robisz mi|mu|jej|nam? loda|lodzika|laskę|gałę
!kura|kury|kurze|kurka|kurki|kurek|kureczka|kurczak*|jajko|jajka|jajek|kurd*
!homo sapiens|erectus
!Chojn*|chojrak*|choj*
!brudas
?hitler*|nazist*|samobój*|powies*|powieś*|holokaust*|gwałci*|gazow*
żydzi|żyd|cyganie|cygan|murzyn|murzyni|ukraińcy|arab|araby śmierdz*|brudn*|wszaw*|złodzieje|parszyw*
matkojeb*|kurestw*|samojebk*|skurvysyn*|govno|gavno|kutafon*|chujoz*|ciulu|ciul|ciule|jebaka*|pizdokl*|cipokl*|dupojad*|sraluch*|srajdup*|kurwiarz*|dziwkarz*|pierdziel*|obsraniec*|zasraniec*
pokaż|pokaz|pokażcie|pokazuj mi|nam|wszystkim|no|te? swoje|te|sutki|gołe? cycki|cyce|cipę|cipkę|dupę|piersi|sutki|bimbały|tyłek|majtki|stringi|pizdę|kutasa
rozbierz|rozbieraj|rozbierzcie|zdejmij|ściągnij|ściągaj|zrzuć się|sie|bluzkę|stanik|majtki|ciuchy|koszulkę|ubranie|spodnie|spódniczkę|no
!zdejmij|ściągnij koszulkę|ubranie|spodnie z
rozłóż|rozloz|rozłóżcie|rozchyl|rozszerz te|swoje|nogi|szeroko|uda? nogi|nóżki|uda|kolana
usiądź|siadaj|siądź|usiądz mi? na mojej|moim|mojego|mnie? kutasie|twarzy|chuju|chuja|pale|kutasa
wypnij|nadstaw|pochyl się|sie|dupę|dupcię|tyłek|tyłeczek|suko
wali|walę|wale|walić|walił|walisz|zwaliłem|zwalę konia|gruchę|kapucyna|niemca do|na|przy|pod|ciebie|z
wsadź|wsadz|włóż|wsadzaj|wepchnij|wal|pakuj se|sobie|go|mu|im|ci to|go|tę|ten|te|w|bułkę|chleb|bagietkę? w? dupę|dupe|dupsko|tyłek|odbyt|dupie
do|z dupy z|jest|taki|taka|ten|ta|tym|tobą
dupa wołowa|kwas
chlebem|bułką|bagietką w dupę
zabiję|zabije|zajebię|zajebie|zatłukę|zatłuke|zgwałcę|zgwalce|zarżnę|zarzne|zadźgam|zastrzelę|uduszę|utopię|poderżnę cię|cie|ciebie|was|ją|go|ci
ty|wy żydzie|żydy|żydku|zydzie|murzynie|cyganie|arabie|ukraińcu|rusku|niemcu|asfalcie|brudasie|bambusie|małpo|banderowcu
~ciota|cioty|dupek|dupku|dupki|brudas|brudasy|parówa|asfalt|asfalty|bambus|bambusy|murzyn
banderow(iec|cy|cu|ców|cem|ska|skie|ski)|upadlińc*|ukropol*|kacapie|sowiec*
!sowieck*
ukrainiec|ukraińcy|ukrainka|murzyn|murzyni|żyd|żydzi|cygan|cyganie|arab|arabowie|turek|rusek|ruscy|niemcy|imigranci|pedały|geje|ciapaki won|wypad|precz|raus|wynocha|wypierdalać|spadać
śmierć|smierc wrogom|zdrajcom|konfidentom|lewakom|komunistom|policji|pedałom|lewactwu
baby|baba|kobiety|kobieta do|miejsce|na|przy garów|kuchni|kobiety|baby|garach|garami|w
zakaz|stop pedałowania|pedałom|islamizacji|żydom|banderyzmowi|ukrainizacji
lepiej|najlepiej|weź|może? żebyś|zebys|jakbyś|gdybyś się nie? urodził|urodziła|zabił|zabiła|powiesił|powiesiła
się|sie|siebie & zabijesz|zabijecie|powiesisz|powiesicie|utopisz|zastrzelisz|zastrzel|potniesz|zabiłeś|zabiłaś|powiesiłeś|powiesiłaś|powiesić|zabić|utopić|zajebiesz
życzę|życze|zycze|marzę|nadzieję|nadzieje & śmierci|umrzesz|zdechniesz|zdechł|raka|zdychania|umarł|wypadku
kiedy|dlaczego|czemu|jak & umrzesz|zdechniesz|zdychasz|zdechłeś|zdechlesz
lufa|lufę|pistolet|spluwę & usta|łeb|skroń|ust
~downy|downów|downa|pedałek|pedałami|pedałach|gejuch*|lewaka|ukrainka
zjeb|zjeba|zjebie|zjeby|zjebów|zjebem|zjebani|zjebus*|pojeb|pojeba|pojebie|pojebus*
wsadź|wsadz|włóż|wkładaj & głowę|łeb & piekarnika|piekarnik|pieca|kibla|mikrofali
skończ|skoncz|skończcie|zrób ze|z sobą|soba|tym|porządek życiem|wreszcie?
!skończ|zrób z tym|sobą
skończ|skoncz ze sobą|soba
lepiej|lepszy|szczęśliwsi & bez|nie & ciebie|żył|żyła|urodził|urodziła
~%people & front|mur|ścianę|kradną|gwałcą|śmierdzą|złodzieje|morza|łopaty
zakazać|zakazac|wywalić|wygnać|deportować wszystkich? %people
cyce|cycory|cycochy|cycate
ruchałbym|ruchałbyś|wyruchałbym|bzykałbym|dymałbym|jebałbym
ale|co|jaka|niezła|zajebista dupa|dupera|dupeczka|dupcia
`,
}
