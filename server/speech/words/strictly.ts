import { english } from './english.ts'
import { french } from './french.ts'
import { german } from './german.ts'
import { polish } from './polish.ts'
import { portuguese } from './portuguese.ts'
import { russian } from './russian.ts'
import { spanish } from './spanish.ts'
import { swedish } from './swedish.ts'
import type { WordList } from './wordList.ts'

/** Of a language whose other words are in a list of their own: what strict channels block beside them. */
const strictly = ({ language, endings }: WordList, lines: string): WordList => ({
  language,
  endings,
  everyday: [],
  mild: [],
  lines,
})

/**
 * What only strict channels block: crude and belittling words, and pairs of words that are an attack where they stand
 * together (whom it is said to and what is wished them, or a group and what is said of it), in whatever order.
 */
export const strictLists: readonly WordList[] = [
  strictly(
    english,
    `
%to = you|u|ur|your|youre|ya|yall|he|she|they|him|her|his|their|them|yourself|urself|yourselves|streamer|streamers|mods|mother|mum|mom
%group = jew|jews|jewish|blacks|gays|muslim|muslims|islam|moslem|moslems|arab|arabs|mexicans|immigrant|immigrants|migrant|migrants|refugee|refugees|whites|asians|indians|trans|transgender|transgenders|homo|homos|homosexual|homosexuals|lesbian|lesbians|lesbo|infidels|gypsy|gypsies|foreigner|foreigners|zionist|zionists|negro|negroes|africans|disabled|autists|autistic
?stupid|idiotic|idiot+|moron+|moronic|imbecil*|dumbo|dimwit*|halfwit*|nitwit*|lowlife*|scum*|vermin|degenerat*|skank*|slut*|harlot*|hussy|prostitut*|brothel*|pimp|pimps|perv|perver*|creep|creeps|weirdo*|loser|losers|freakshow|fatty|fatso|lardo|braindead|brainless|brainrot|psycho|schizo|incel*|simp|simps|fugly|uglies|worthless|pathetic|disgusting|despicable|repulsive
?turd*|poop*|shite*|piss*|bugger*|buttock*|bollock*|ballsack|testicl*|plonker*|pillock*|tosser*|numpty|minger*|dork*|dipstick|dipshit*|schmuck*|sucks|sucker*|sucked|sucking|bastard*|frick*|frigg*|effing|freaking
?boob*|tits|nipple*|cleavage|vagina*|vulva*|scrotum|genital*|erection*|boner*|horny|sexy|nude*|nudes|topless|masturb*|orgasm*|ejacul*|semen|sperm|fetish*|erotic*|raping|molest*|groping|harass*|pedo*|paedo*|onlyfan*|milf*|humping|shag*|screw|spank*|bdsm|slave*|schlong*|clit*|anal|anus|rectum
?nazi*|hitler*|fuhrer*|holocaust*|supremac*|fascis*|swastika*|kkk|klan|lynch*|subhuman*|untermensch*|gestapo|auschwitz
?suicid*|noose*|overdos*|strangl*|suffocat*|decapitat*|behead*|exterminat*
?queer*|homo|homos|lesbo*|dyke*|tranny|sissy|sissies|poof*|nonce*|retard*|spastic*|spaz*|cripple*|autist*|autistic|mong|mongs|coon*|negro*|jap|japs|honk(y|ies)
?%to & die|dies|died|dying|dead|death|hang|hanging|rope|bleach|overdose|choke|drown|bleed|bleeding|grave|coffin|wrists|wrist|veins|throat|bullet|bullets|shotgun|knife|gallows|oven|ovens|hell|rot|burn|alive|unalive
?%to & kill|kills|killing|killed|shoot|shot|hang|slit|poison|poisoned|cut yourself|urself|yourselves|himself|herself|themselves|them|him|her|life|wrists|all
?%to & ugly|dumb|dumber|dumbest|garbage|hate|hated|hates|useless|rapist|virgin|smell|stink|stinks|ugliest
?%group & kill*|gas|gassed|shoot|shot|hang|hanged|burn|burned|hate|hates|die|dead|death|out|deport*|ban|banned|exterminat*|eradicat*|murder*|destroy*|evil|dirty|filthy|stupid|dumb|disgusting|inferior|animals|animal|rats|rat|vermin|parasites|cockroaches|criminals|rapists|terrorist|terrorists|disease|plague|scum|garbage|ruin|ruining|ruined|invade|invading|invasion|control|replace|replacing|conspiracy|greedy|steal|stealing|stole|lazy|belong|camp|camps|oven|ovens|chamber|rope|bullet
?%group & sea|wall|front|ocean|border|boats|jail
?%group & should|must|deserve|deserves|allowed
?whites|white & only|power|superior|pure|race|master
?black|blacks & people|guy|man|men|lives|ape|monkey|criminal|criminals|crime
?women|woman|girls|females & kitchen|cook|property|whores|stupid|objects|inferior|belong|shut
?nobody|noone & loves|likes|miss|wants|cares
?everyone|everybody|world & hates|hate|without|laughs
?unsubscribe|go|just|please|pls & die|suicide|kys|hang|perish|rot
!to|too die|dying for
!dying|died of|from|with laughter|laughing
!die hard|casting
!retardant*|cockscomb*|cocksure*|cockswain*|drapes|draped|coonskin*|injunct*
!hang|hangs|hanging out|around|on|in|with|up
!psycholog*|psychotherap*|psychoanaly*
!hoe and|or rake|spade|shovel
!knock|knocks|knocked|knocking it|them|em|him|her dead
!Dickson*|Dickens*|Dickinson*|Penistone
!dead spot|spots|end|ends|good|nice|easy|simple|lovely|on|centre|center|dough|yeast|starter|battery|line|lift|sea|heat
%body = head|neck|wrist|wrists|throat|veins|skull|brains|temple|mouth|face
%danger = oven|rope|noose|gun|bullet|shotgun|pistol|knife|razor|blade|bleach|train|traffic|bridge|roof|rooftop|balcony|window|cliff|toaster|bathtub|gas|poison|pills|acid|petrol|gasoline|exhaust|electric|socket
?%to & %body & %danger
?your|ur & %danger & yourself|urself|into|jump|stick|drink|swallow|slit|lie|hang|head|neck
?%to & disappear|vanish|cease|exist|existing|aborted|abortion|abort|condom|evaporate & never|should|wish|were|was|been|please|had|better|just
?%to & burden|disgrace|embarrassment|failure|abomination & of|to|everyone|family|space|oxygen|skin|such|a
?%group & ovens|ship|boat|boats|zoo|cage|cages|jungle|trees|whip|chains|cotton|crime|crimes|diseased|dirt|dogs|pigs|monkeys|ruined|illegal|illegals|fake|hoax|stink|smell|taking|everywhere|destroy
`,
  ),
  strictly(
    german,
    `
%dir = hoffentlich|solltest|solltet|müsstest|könntest|verdienst|du|dich|dir|dein|deine|deiner|deinem|deinen|ihr|euch|euer|eure|bist|seid|streamer|streamerin|mods|mutter
%gruppe = Juden|Jude|Jüdin|jüdisch*|Moslem*|Muslim*|Islam|Türk*|Araber*|arabisch*|Ausländer*|Flüchtling*|Asylant*|Asylbewerber*|Migrant*|Zuwanderer|Schwarze|Schwarzen|Schwarzer|Neger*|Schwule*|Schwuler|Lesben|Lesbe|Transen|Trans|Homos|Homosexuell*|Zigeuner*|Roma|Polacken|Behinderte|Behinderten|Afrikaner*|Syrer*|Afghanen
?scheiss*|schiss|furz*|fürz*|pisse*|piss*|verflucht*|drecks*|dreckig*|dreckskerl*|schweinisch*|depp|deppen|trottel*|vollpfosten|dummkopf*|bekloppt*|bescheuert*|hohlkopf*|schwachkopf*|schwachsinn*|vollidiot*|penner*|asozial*|abschaum|versager*|spast*|behindert*|mongo*|krüppel*|missgeburt*|schlamp*|flittchen|nutte*|hure*|huren*|luder*|tussi*|fettsack|fettwanst|ekelhaft*|widerlich*|eklig*|wertlos*|erbärmlich*|fresse|maul|schnauze
?titt*|nippel|porno*|porn|pimmel*|hoden*|vagina*|muschi*|möse*|ficken*|fick*|bumsen|notgeil*|aufgeil*|wichs*|onan*|orgasm*|befriedig*|vergewaltig*|pädo*|puff|bordell*|prostituiert*|pervers*
?nazi*|hitler*|holocaust*|auschwitz*|konzentrationslager|gaskammer*|vergas*|hakenkreuz*|arisch*|untermensch*|volksverr*|überfremd*|remigration|umvolk*|völkermord|genozid
?selbstmord*|suizid*|umbring*|umgebracht|erhäng*|erhang*|erschieß*|erschoss*|ertränk*|verreck*|krepier*|abkratz*|abstech*|abknall*|pulsader*
?transe*|tunte*|schwuchtel*|neger*|kanak*|zigeuner*|schlitzaug*|asylant*|itaker|polack*|untermensch*
?%dir & sterben|stirb|stirbst|stirbt|sterbt|tot|tod|tote|hängen|häng|hängt|töten|töte|gift|grab|sarg|gleise|balkon|klippe|strick|pistole|kugel|bleiche|bleichmittel|hölle|verbrennen|verbrenn|verrotten
?%dir & hass|hasse|hassen|hasst|nutzlos*|stinkt|stinkst|clown|lächerlich|peinlich|verschwind*|abtreib*|abgetrieben
?%gruppe & raus|weg|ins|gas|ofen|lager|tod|tot|töten|hängen|hass|hasse|hassen|abschieben|verbrennen|vergasen|erschießen|dreck|dreckig*|dumm|stinken|kriminell*|verbrecher|vergewaltiger|parasiten|pack|gesindel|abschaum|pest|krank|krankheit|heimat|invasion|zurück|verboten|verbieten|schuld|terroristen|affen
?weiße|weißen|deutsche & rasse|vorherrschaft|rein|reine
?frauen|weiber & küche|herd|maul
?keiner|niemand|alle|jeder & mag|liebt|vermisst|hasst|braucht dich|euch
!zum sterben schön
!assist*|Blatt*|Blätt*|Vergaser*|Mongolei|Titting*|Wichsenstein*
%leib = kopf|hals|handgelenk*|kehle|adern|pulsadern|schädel|schläfe|mund|gesicht
%gefahr = ofen|backofen|strick|seil|schlinge|knarre|pistole|kugel|messer|klinge|rasierklinge|bleiche|chlor|zug|gleise|brücke|dach|balkon|fenster|klippe|toaster|badewanne|gift|tabletten|säure|benzin|steckdose
?%dir & %leib & %gefahr
?dich|euch & %gefahr & spring|springt|stürz|leg|wirf|schmeiß|häng|vor|runter
?%dir & verschwinde|existier*|abgetrieben|abtreibung|geboren|kondom & nie|hätte|hätten|wärst|bitte|besser|einfach|ein
?%dir & platzverschwendung|schande|last|versager|fehlgeburt|ekel
?%gruppe & boot|boote|käfig|zoo|ketten|kriminalität|schmutz|hunde|schweine|mauer|front|wand|überall|stinkt|klauen|vergewaltigen|ungeziefer|illegal|illegale|lüge
`,
  ),
  strictly(
    spanish,
    `
%ti = tú|te|ti|tu|tus|vos|eres|sos|sois|os|vuestra|usted|ustedes|streamer|mods|madre|deberías|debes|debieras|mereces|merecéis|podrías|vas|estás|estarías|ojalá|espero
%grupo = moro|moros|mora|moras|negros|negras|gitano|gitanos|gitana|gitanas|judío|judíos|judia|judios|judía|musulmán|musulmanes|islam|inmigrante|inmigrantes|extranjeros|árabes|sudaca|sudacas|maricones|gays|homosexuales|lesbianas|trans|travestis|refugiados|indios|venezolanos|haitianos|menas
?cag(a|o|ar|ado|ada|ón|ona|aste|an|as|amos|ue)|mierd*|pedorr*|meado|meón|joder*|jod(a|e|o|an|en|ido|ida|idos|idas|iste|er|erte)|jódete|cojon*|carajo*|malnacid*|put*|ramera*|furcia*|prostitut*|prostíbulo*|imbécil*|imbecil*|estúpid*|estupid*|tontaco|lerd(o|a)|subnormal*|anormal*|mongol|mongola|mongólic*|mogólic*|tarad(o|a|os|as)|cretin*|inútil*|fracasad*|escoria|asquer*|repugn*|desgraciad*|patétic*|huev(ón|on|ones|ona)|weon*|weón|mamón*|mamon*|mamad*|mamar|mames|pendej*|cabron*|cabrón*|gilip*|capull*|soplap*|cállate|callate
?pezón*|pezon*|porno*|pene|pija|verga|vergas|polla|pollas|testícul*|vagina*|chocho*|chochete|follar*|pajer*|masturb*|semen|esperma|orgasm*|cachond*|violad*|violar|pederast*|pedófil*|pedofil*|pervertid*
?nazi*|hitler*|führer|holocaust*|genocid*|supremac*|fascis*|facha|fachas|esvástic*|auschwitz|gasear*
?degoll*|envenen*|mátate|muérete|muerete|muéranse|balazo*|púdrete|pudr*
?maric*|marik*|marimach*|bollera*|travest*|travelo*|sudac*|negrat*|panchit*|guachupín
?%ti & muert(o|a|os|as|e)|mat(a|e|en|ar|o|aré|aría)|muer(a|as|an|e|es)|colg(ar|ado|ate)|balcón|vías|veneno|venas|odi(o|a|as|amos|an)|fe(o|a)|gord(o|a)|cáncer|entierr*|ahog*
?%grupo & muerte|mueran|fuera|afuera|gas|horno|quemar|fusilar|odio|odiamos|ratas|escoria|ladrones|ladron|delincuentes|violadores|terroristas|asquerosos|sucios|plaga|invasión|expulsar|expulsión|deportar|deportación|vete|iros|largo|inferiores|animales|monos|culpa|controlan|deben|deberían
?raza|blanca|blanco & superior|pura|poder|aria|orgullo
?mujeres|mujer & cocina|fregar|cállate|inferiores|objeto
?nadie & quiere|extrañ*|echará|soporta & te|os
!muero|morir|muertos|muerto|muerta de hambre|risa|ganas|amor|sueño|sed|frío|calor|envidia|curiosidad
%cuerpo = cabeza|cuello|muñecas|garganta|venas|cráneo|sien|boca|cara
%peligro = horno|soga|cuerda|pistola|bala|escopeta|cuchillo|navaja|cuchilla|lejía|tren|vías|puente|azotea|balcón|ventana|acantilado|tostadora|bañera|gas|veneno|pastillas|ácido|gasolina|enchufe
?%ti & %cuerpo & %peligro
?tírate|lánzate|salta|métete|tíralo|arrójate & %peligro
?%ti & desaparece|desapareces|desaparecer|existir|existieras|abortado|aborto|nacido|condón & nunca|debería|deberías|ojalá|hubieras|mejor|fuiste|fueras
?%ti & vergüenza|desperdicio|fracaso|estorbo|carga & eres|sos
?%grupo & patera|jaula|zoo|cadenas|algodón|crimen|sucia|perros|cerdos|monos|muro|frontera|invaden|apestan|ilegales|mentira|roban|violan|expulsados
`,
  ),
  strictly(
    french,
    `
%toi = devrais|devriez|mérites|mériterais|pourrais|vas|espère|souhaite|tu|te|toi|t|ton|ta|tes|vous|votre|vos|streamer|streameur|streameuse|modos|mère
%groupe = juif|juifs|juive|juives|arabe|arabes|musulman|musulmans|musulmane|islam|noirs|nègre|nègres|immigré|immigrés|immigration|migrant|migrants|étrangers|roms|gitan|gitans|manouches|pédés|pd|gays|gay|homos|homosexuels|lesbiennes|trans|travelos|handicapés|réfugiés|africains|maghrébins|algériens|marocains|turcs
?caca|piss(e|er|es|eux|ous)|prout*|chi(é|er|ant|ante|ants|otte|ottes|asse|es)|chie|emmerd*|foutre|fout(u|ue|us|aise|aises|ez)|putain*|put(e|es)|connes|conn(ard|asse|erie|eries)*|couill*|salop*|salaud*|salopard*|salope*|traîn(ée|ées)|pouff*|pétass*|grognass*|catin*|prostitu*|bâtard*|batard*|enfoir*|ordur*|raclure*|crevure*|crevard*|charogn*|crétin*|imbécil*|débil*|abruti*|clochard*|pathétiqu*|dégueul*|dégoût*|immond*|laideron*|truie*|cassos|attard*|mongol*|triso*|gogol*|taré*|tarée*|gueul*|dégage*
?nichon*|téton*|nibard*|porno*|pénis|bite*|zizi|zob*|vagin*|foufoune*|baise*|bais(er|é|ée|ez|ent)|niqu*|suc(e|er|es|ez|eur|euse)|branl*|masturb*|éjacul*|sperm*|orgasm*|viol(er|é|ée|eur|eurs|ez)|pédophil*|pédo|pédos|pervers*|cochonne
?nazi*|hitler*|führer|shoah|holocaust*|génocid*|auschwitz|gazer*|suprémac*|facho*|fascis*|aryen*|youpin*|youpine*|youtr*
?suicid*|égorg*|étrangl*|empoisonn*|buter*|flingu*
?pédé*|pd|tapett*|tantouz*|tarlouz*|gouin*|travelo*|transexuel*|bamboul*|bougnoul*|bicot*|crouill*|niak*|niakou*|chinetoqu*|bridé*|rebeu*|racaill*|macaqu*
?%toi & mort|morte|morts|tuer|tue|pendre|pends|crever|crève|javel|veines|poison|flingue|déteste|détestons|hais|haïr|haine|déchet|déchets|poubelle|inutile|moche|pue|pues|clown|ridicule|avorter|avorté*
?%groupe & mort|morts|dehors|tuer|tuez|brûler|gaz|four|fours|haine|hais|déteste|expulser|expulsez|rentrez|rentrent|retournez|voleurs|violeurs|terroristes|parasites|rats|cafards|racaille|sales|sale|puent|puants|inférieurs|invasion|envahis*|remplac*|contrôlent|singes|maladie|virus|cancer|virer|assez
?bois|buvez|boire|avale|avalez & javel|poison|acide
?race|blanc|blancs|blanche & supérieur*|pure|pouvoir|aryenne|fierté
?femme|femmes & cuisine|inférieur*|objets|ménage
?personne & aime|manquer*|regrett* & te|t
!cul de poule|sac|jatte|bouteille
!meurs|mourir|mort|morte|crève de|d faim|rire|soif|froid|chaud|envie|fatigue|honte|sommeil|peur|curiosité
!tuer le|la temps|poule
%corps = tête|cou|poignets|gorge|veines|crâne|tempe|bouche|visage
?%toi & %corps & corde|flingue|balle|fusil|couteau|lame|rasoir|javel|train|rails|pont|toit|balcon|falaise|gaz|poison
?mets|mettre|fous & %corps & four|corde|gaz
?%toi & disparais|disparaître|exister|existes|avorté|avortement|capote & jamais|aurait|devrais|aurais|mieux|fallait
?%toi & honte|déchet|échec|fardeau|parasite & es|êtes
?%groupe & bateau|cage|zoo|chaînes|coton|crime|crasse|chiens|porcs|mur|frontière|envahissent|puent|illégaux|mensonge|volent|violent|mer
`,
  ),
  strictly(
    portuguese,
    `
%ti = devias|deverias|deveria|mereces|podias|vais|tomara|oxalá|espero|tu|te|ti|teu|tua|teus|tuas|você|vocês|vc|vcs|seu|sua|seus|suas|és|streamer|mods|mãe
%grupo = judeu|judeus|judia|cigano|ciganos|cigana|pretos|negros|preto|negro|muçulmano|muçulmanos|árabes|islão|islã|imigrante|imigrantes|estrangeiros|gays|gay|bichas|viados|paneleiros|lésbicas|travestis|trans|homossexuais|nordestinos|brasileiros|brasucas|indianos|monhés|africanos|refugiados|índios
?cuz*|bunda*|bundão|cag(a|ar|ado|ão|ona|alhão|aste|ou)|merd*|bost*|mij(o|a|ar|ado|ão)|foda*|fod(e|er|ido|ida|idos|idas|i|eu|as|am|asse|ase)|fud*|porra*|caralh*|carai|put(a|as|o|os|inha|ona|aria|edo)|vadi(a|as)|vagabund*|piranha*|quenga*|cabrão|cabrões|galdéri*|rameir*|prostitut*|corn(o|os|udo|udos)|chifrud*|imbecil*|imbecis|estúpid*|estupid*|otári*|babac*|anormal*|retardad*|mongol*|demente*|débil|inútil*|inúteis|fracassad*|nojent*|asqueros*|imund*|escrot*|ranhos*|balofo*|verme*|desgraçad*|miseráve*|patétic*
?mamad*|tet(a|as)|peitão|nude*|nudes|porn*|pénis|pênis|pauz*|piroca*|caceta|colhõ*|vagina*|cona|conas|xota*|xana|buceta*|boceta*|perereca|ppk|punhet*|bronha|masturb*|esporr*|orgasm*|tesão|tesud*|safad*|taras|tarad*|estupr*|violad*|violar|pedófil*|pedofil*|pervertid*
?nazi*|hitler*|führer|holocaust*|genocíd*|genocid*|supremac*|fascis*|suástic*|auschwitz
?suicíd*|suicid*|enforc*|degol*|envenen*|morra*|morras|apodrec*
?bicha|bichas|bichon*|viado|viados|viadinh*|viadag*|boiol*|paneleir*|panasc*|maric*|sapat(ão|ona|onas|ões)|fuf(a|as)|travec*|travest*|transex*|macac*|senzala|monhé*|chinoc*|xing|zuca*|favelad*
?%ti & morr(e|a|as|er|am)|morte|mort(o|a|os)|mat(a|ar|e|o|em)|enforc*|veneno|lixívia|pulsos|bala|odeio|odiamos|ódio|fei(o|a)|gord(o|a)|cancro|abort*|desaparec*
?%grupo & morte|morram|matar|matem|fora|rua|gás|forno|queimar|queimem|ódio|odeio|ratos|praga|ladrões|bandidos|violadores|terroristas|nojentos|sujos|porcos|inferiores|animais|macacos|expulsar|deportar|voltem|culpa|controlam|deviam|deveriam|devem|merecem|invasão
?raça|branca|branco|brancos & superior|pura|poder|orgulho|ariana
?mulher|mulheres & cozinha|objeto|inferiores|calada|louça
?ninguém & gosta|ama|falta|quer & te|ti|tu|você|vc
!morrer|morro|morta|morto|morri de|a|por rir|fome|saudade|saudades|calor|frio|medo|sono|vergonha|curiosidade|amores|riso|sede|tanto
!matar a|saudades|saudade|fome|sede|o|tempo
%corpo = cabeça|pescoço|pulsos|garganta|veias|crânio|têmpora|boca|cara
%perigo = forno|corda|pistola|bala|espingarda|faca|navalha|lâmina|lixívia|comboio|trem|carris|ponte|telhado|varanda|janela|penhasco|torradeira|banheira|gás|veneno|comprimidos|ácido|gasolina|tomada
?%ti & %corpo & %perigo
?atira|salta|pula|mete|joga & te|se & %perigo
?%ti & desaparece|desaparecer|existir|existisses|abortado|aborto|nascido|camisinha & nunca|devia|devias|tivesses|melhor|foste
?%ti & vergonha|desperdício|fracasso|estorvo|fardo & és|é
?%grupo & barco|jaula|zoo|correntes|algodão|crime|cães|porcos|macacos|muro|fronteira|invadem|fedem|cheiram|ilegais|mentira|roubam|violam|mar
`,
  ),
  strictly(
    polish,
    `
%ty = powinieneś|powinnaś|musisz|mógłbyś|oby|obyś|żebyś|niech|ty|ci|cię|ciebie|tobie|cie|wy|was|wam|twój|twoja|twoje|twojej|twoją|wasz|wasza|jesteś|jesteście|streamer|streamerka|modzi|matka
%grupa = żyd|żydzi|żydów|żydy|żydom|żydowsk*|murzyn*|czarni|czarnych|cygan*|cyganów|arab*|muzułman*|islam*|ukrai*|imigran*|uchodźc*|uchodzc*|gej|geje|gejów|lesb*|pedał*|trans*|niepełnosprawn*|kacap*|ruscy|ruskich|niemcy|szwab*|azjat*
?dup(a|y|ę|ie|ą|sko|cia|ek|ku|ki)|gówn*|gowno|sra(ć|m|sz|nie|ka|czka|ją|ł)|srac|zasran*|osran*|szcz(ać|yny|asz|am)|pierd*|psiakrew|zajebi*|wkurw*|wnerw*|debil*|kretyn*|imbecyl*|głąb*|tępak*|tęp(y|a|aku)|tuman*|matoł*|ćwok*|bałwan*|dureń|durni*|frajer*|ciot*|cipk*|cip(a|o|y|ę)|śmieciu|ścierw*|gnoj*|gnój|szuj*|bydlak*|suk(a|o|i|ę|in*)|dziwk*|zdzir*|szmat(a|o|y)|lafirynd*|latawic*|prostytut*|burdel*|obrzydliw*|żałosn*|bezwartościow*|nieudaczni*|przegryw|przegrywie|upośledz*|niedorozw*|downie|downem|mongoł|mongole|kalek*|morda|mordę|ryj*|stul
?cyc(ki|ek|ków|e|atą|ata)|porno*|penis*|kutas*|fiut*|chuj*|moszn*|wagin*|cip*|pizd*|ruch(ać|am|a|anie|aj|asz|ał)|pieprz(yć|ę|y|ył|ona|ony|eni)|bzyk*|dyma(ć|m|j|ł)|masturb*|orgazm*|sperm*|obciąg*|ssij|gwałt*|gwałc*|zgwałc*|pedofil*|zbocz*|perwers*
?nazi*|hitler*|führer|holokaust*|holocaust*|ludobój*|rasist*|faszyst*|swastyk*|auschwitz|oświęcim*|gazow*|aryj*
?samobój*|powies*|powieś*|zdych*|zdech*|umrzyj|umieraj|zgiń|stryczek|zarżn*|podrżn*|poderżn*|zgnij
?pedał*|pedal*|ciapat*|czarnuch*|murzyn*|żydz*|kacap*|szwab*|szkop*|podludz*
?%ty & umrz*|umrze*|umar*|śmierć|śmierci|zgiń|zdech*|zabić|zabij*|sznur|trumn*|raka|nienawidzę|nienawidzi*|śmieć|śmieciem|brzydk*|grub*|głup*|żyły|utop*|obrzydz*|żałosn*
?%grupa & śmierć|zabić|won|precz|gaz*|piec|pieca|komor*|nienawi*|szczury|robactw*|pasożyt*|zaraz*|złodziej*|gwałciciel*|terroryst*|brud*|śmierdz*|wypad|wracaj*|wracać|deport*|spalić|wieszać|rządzą|winni|gorsi|zwierzęta|małpy|inwazja
?rasa|biała|białej|biali & wyższa|czysta|siła|potęga|duma|tylko
?kobiety|kobieta|baby|baba & kuchni|kuchnia|garów|gary|głupie
?nikt & kocha|lubi|tęskn*|płak*|potrzebuje & cię|cie|ciebie|tobą|tobie
!ruchami|ruchach|gazowan*|gazowni*|gazowy|gazowa|gazowego
!umieram|umierać|umrę z|ze głodu|śmiechu|ciekawości|nudów|pragnienia|zimna|gorąca|szczęścia
!trans(port*|akc*|mis*|fer*|form*|plant*)
%cialo = głowę|głowa|szyję|nadgarstki|gardło|żyły|czaszkę|skroń|usta|łeb
%zagrozenie = piekarnika|piekarnik|pieca|sznur|linę|pętlę|pistolet|kulkę|nóż|żyletkę|wybielacz|pociąg|tory|most|mostu|dach|dachu|balkon|balkonu|okno|okna|klif|toster|wanny|gaz|truciznę|tabletki|kwas|benzyną|gniazdka
?wsadź|włóż|przyłóż|strzel|utnij|podetnij & %cialo & %zagrozenie
?skocz|rzuć|wskocz|połóż & %zagrozenie
?%ty & zniknij|istnieć|istniał|istniała|aborcj*|abortowa* & nigdy|lepiej|powinieneś|powinna|nie|powinnaś|mogłeś
?%ty & wstyd|hańba|ciężar|porażka|pasożyt & jesteś|co
?%grupa & łódź|klatki|zoo|kajdany|bawełna|przestępcy|psy|świnie|mur|granica|zalewają|śmierdzą|nielegalni|kłamstwo|kradną|gwałcą|front|morze
`,
  ),
  strictly(
    swedish,
    `
%du = hoppas|önskar|du|dig|din|ditt|dina|ni|er|era|ert|streamer|streamern|modsen|morsa|mamma
%grupp = jude|judar|judarna|judisk*|muslim*|muslimer|islam|arab|araber|svarta|neger|negrer|invandrar*|invandrare|flykting*|blattar|zigenar*|romer|bög|bögar|flator|homo*|transor|trans*|somali*|afghan*|utlänning*|asylsök*|funktionshindra*
?skit|skiten|pruttar|pissa*|piss|piss(ar|ade|ig)|fanskap*|jävl*|jävel*|förbannad*|förban*|arsle*|arsel|röv*|dumskalle*|korkad*|puckad*|pucko*|cp|mongo*|efterbliv*|utvecklingsstör*|sinnessjuk*|dåre*|tönt*|loser*|vidrig*|patetisk*|värdelös*|fetto*|tjockis*|subba*|slampa*|slyn*|hora*|horor|horunge*|luder|hynd*|fnask*|prostitu*|bordell*|avskum*|patrask|ohyra|käft*|käften|truten
?tutt*|pattar*|porr*|penis*|kuk*|snopp*|pung*|pitt|fitt*|snippa*|vagina*|knull*|runk*|onaner*|orgasm*|kåt|kåta|våldt*|pedofil*|pedo|pervers*|snusk*
?nazi*|hitler*|führer|förintelse*|folkmord*|auschwitz|gaskammar*|rasist*|fascist*|hakkors*|sieg
?självmord*|strypa|strypt|förgift*|tumör
?lebb*|transa|transor|transvest*|neger*|negrer*|blatt*|svartsk*|svarting*|zigenar*|tattar*|guling*|arabj*
?%du & dö|dör|död|dog|döda|dödar|mörda*|häng|bron|balkong*|rep|repet|klorin|gift|pulsådr*|cancer|hata|hatar|hatad|äcklig*|värdelös|försvinn|abort*
?%grupp & döda|dö|döden|ut|bort|gas|ugn|ugnen|hata|hatar|hat|utvisa*|avvisa*|råttor|kackerlackor|pest|sjukdom|parasit*|kriminell*|våldtäkts*|terrorist*|tjuvar|äckl*|smuts*|stinker|skjut|bränn|styr|skyll|invasion|apor|avskum
?vit|vita|ras|rasen & makt|ren|rena|högre|stolthet|överlägs*
?kvinnor|kvinnan|tjejer & köket|spisen|käften|mindre
?ingen|alla & gillar|älskar|saknar|hatar dig|er
!dör|dö av|efter skratt|hunger|nyfikenhet|törst|lycka|tristess|längtan|att
!trans(port*|akt*|aktion*|fer*|mission*)
!Fittja*
%kropp = huvud|huvudet|hals|halsen|handleder|handlederna|strupen|ådror|pulsådrorna|skallen|tinningen|mun|munnen
%fara = ugnen|rep|repet|pistol|kula|kniv|rakblad|klorin|tåg|tåget|spåret|bro|bron|taket|balkongen|fönstret|klippan|brödrosten|badkaret|gas|gift|tabletter|syra|bensin|eluttaget
?stick|stoppa|sätt|skär|lägg & %kropp & %fara
?hoppa|kasta|släng|lägg & dig|er & %fara
?%du & försvinn|försvinner|existera|aborterad|abort|kondom & aldrig|borde|skulle|bättre|bara
?%du & skam|slöseri|misslyckande|börda|parasit & är
?%grupp & båt|båten|bur|buren|zoo|kedjor|brott|hundar|grisar|mur|gräns|gränsen|invaderar|luktar|illegala|lögn|stjäl|våldtar|havet|fronten
`,
  ),
  strictly(
    russian,
    `
%ты = чтоб|пусть|надеюсь|желаю|ты|тебя|тебе|тобой|твой|твоя|твоё|твое|твою|твоей|твои|вы|вас|вам|ваш|ваша|вашу|стример|стримерша|модеры|мать|мамка
%группа = еврей|еврее*|евреи|евреев|жид|жиды|жидов|негр|негры|негров|негрит*|чёрные|черные|чёрных|черных|цыган*|араб|арабы|арабов|мусульман*|ислам*|мигрант*|кавказ*|чурк*|хачи|хачей|хачам|таджик*|узбек*|азиат*|китайц*|гей|геи|геев|лесби*|пидор*|транс|трансы|трансов|трансгенд*|инвалид*|хохл*|хохол|укр|укры|украин*|москал*|русских|понаех*
?жоп*|задниц*|говн*|гавн*|дерьм*|сра(ть|ный|ная|ные|ка|л|ла|ки)|сру|сцы|ссать|ссы|ссыт|ссу|ссыкл*|пердеть|перд*|пернуть|чертов*|чёртов*|хер*|нахер|дурацк*|дебил*|кретин*|имбецил*|туп(ица|орыл*|ень)|тупиц*|болван*|скотин*|тварь|твари|мраз*|мерзк*|мерзав*|мерзос*|урод|урода|уроды|уродов|уродин*|уродлив*|уродец|ублюд*|подонк*|подонок|сволоч*|гадин*|гнида|гниды|падл*|стерв*|шлюх*|шалав*|проститут*|путана|путаны|потаск*|бордел*|жиртрест*|лох|лохи|лоха|лошар*|неудачник*|ничтож*|убог*|отстой|отброс|отбросы|даун*|аутист*|дегенерат*|выродок|выродк*|придур*|шизо*|чмо*|шмар*|заткн*
?титьк*|порно*|порн*|пенис*|мошонк*|вагин*|трах*|переспать|дроч*|мастурб*|онани*|оргазм*|сперм*|минет*|отсос*|соси|сосать|изнасил*|насиловать|педофил*|извращ*|возбужд*
?нацист*|гитлер*|фюрер*|холокост*|геноцид*|фашист*|свастик*|освенцим*|концлагер*|арийск*|рейх*
?самоубий*|суицид*|повесься|повесьтесь|повесит(ь|ся)|удавись|удавк*|убей|убейся|сдох*|сдыхай|подохн*|подох|помри|вскройся|зарез*|зареж*|расстрел*
?пидор*|пидар*|педик*|педераст*|гомик*|трансы|нигер*|нигг*|чурк*|хачик*|черномаз*|узкогл*|хохл*|хохол|кацап*|москал*|макак*
?%ты & умр*|умер*|сдох*|смерт*|убит*|убей*|убью|повес*|рельс*|верёвк*|веревк*|петл*|яд|яду|вены|рак|рака|гроб|ненавиж*|ненавид*|уродл*|тупо*|туп(ая|ой|ые)|никому|позор*|аборт*|исчезн*
?%группа & смерть|убить|убивать|бей|бить|вон|прочь|газ*|печь|печи|печку|ненавиж*|ненавид*|крыс*|паразит*|тараканы|зараз*|вор|воры|насильник*|террорист*|гряз*|воняют|вонюч*|валите|домой|депорт*|сжечь|вешать|правят|виноват*|обезьян*|звери|животны*|спасай
?раса|белая|белой|белые|белых & высшая|чистая|сила|власть|только|превосход*
?женщин*|баб(а|ы|ам) & кухн*|плит*|молч*
?никто|никому & любит|нужен|нужна|нужны|скуча*|заплач*|вспомн* & ты|тебя|тебе
!умираю|умереть|умирать|умру|умер|умерла|умерли с|от|со голоду|голода|смеху|смеха|любопытства|скуки|жажды|жары|зависти|тоски
!мандарин*|мандат*
%тело = голову|голова|шею|запястья|горло|вены|череп|висок|рот|башку
%опасность = духовку|печь|верёвку|веревку|петлю|пистолет|пулю|нож|лезвие|отбеливатель|поезд|рельсы|мост|моста|крышу|крыши|балкон|балкона|окно|окна|обрыв|тостер|ванну|газ|яд|таблетки|кислоту|бензин|розетку
?засунь|положи|приставь|режь|порежь & %тело & %опасность
?прыгни|прыгай|бросься|кинься|ляг|сядь & %опасность
?%ты & исчезни|исчезнуть|существовать|аборт*|рожали|родился|родилась & лучше|никогда|надо|бы|не|зря|твоя
?%ты & позор|обуза|отброс|паразит|ничтожество
?%группа & лодк*|клетк*|зоопарк|цепи|преступник*|собаки|свиньи|стена|граница|лезут|нелегал*|ложь|насилуют|фронт|море
`,
  ),
]
