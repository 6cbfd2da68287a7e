import type { WordList } from './wordList.ts'

export const spanish: WordList = {
  language: 'es',
  endings: ['s', 'es', 'a', 'as', 'o', 'os', 'azo', 'azos', 'ito', 'itos', 'ita', 'itas'],
  everyday: [
    'asesinato',
    'asno',
    'bollera',
    'chupada',
    'chupetón',
    'concha',
    'drogas',
    'esperma',
    'heroína',
    'infierno',
    'maldito',
    'mamada',
    'martillo',
    'maciza',
    'macizorra',
    'nazi',
    'orina',
    'pedo',
    'pinche',
    'pis',
    'racista',
    'ramera',
    'sádico',
    'semen',
    'sexo',
    'trio',
    'travesti',
    'tía buena',
    'verga',
    'vulva',
    'idiota',
    'imbécil',
    'caca',
    'coño',
    'marica',
    'pervertido',
    'pezón',
    'puta',
    'culo',
    'prostituta',
    'follar',
    'follador',
    'haciendo el amor',
    'bastardo',
  ],
  mild: ['bollera', 'mamada', 'prostituta', 'pezón', 'ramera'],
  lines: `
%people = negros|negro|moros|moro|judíos|judío|gitanos|gitano|maricones|maricas|gays|homosexuales|lesbianas|travestis|trans|musulmanes|árabes|inmigrantes|extranjeros|sudacas|chinos|mexicanos|venezolanos|haitianos|colombianos|peruanos|bolivianos|indios|rumanos|panchitos|refugiados|blancos|mujeres|cristianos|latinos

*hij(o|a|os|as)(de|d|e|ue|)(la|)(mil|)put*|hijueput*|hijoeput*|jueput*|ijoput*|ijueput*|hijaput*|hijoput*|ijodeput*
hijo|hija|hijos|hijas|ijo de|d|del la|una|mil|tu|su|puta|remil|gran|las? puta|putas|perra|perras|puto|zorra|chingada|verga
hdp|hdlgp|hdptm|ctm|csm|ptm|lpm|lptm
puta|putas|puto|putos|putita|putitas|putito|putazo|putona|putones|puton|putón|putada|putadas|putear|putero|puteros|putísima|putisima|putilla|puticlub|putamadre|puteada|emputad(o|a)
!amor|dichoso puto
gilipoll*|jilipoll*|gilipuert*|gilip*|giliputa|agilipoll*|gilipichis
!gilip de
cabron|cabrón|cabrona|cabrones|cabronas|cabronazo*|cabroncete*|kabron*|cabrn
mierd*|comemierd*|mierda*|*comemierda*|mrda|mielda|miertha
~joder|jódete|jodete|jodido|jodida|jodidos|jodidas|jodan|jodas|jodas|jodida|jode|joden|jodienda|jodedor*|jódanse
que|k|q te|os|le|les|se den|jodan|joda|follen|folle|parta|zurzan por|bien|un|el? culo|saco|rayo?
chinga|chingar|chingada*|chingado*|chingas|chingues|chinguen|chingatumadre*|chingados|chíngate|chingate|chingón|chingona|chingaos
chinga|chingas|chingue|chinguen a? tu|su putísima? madre
pendej*|pndj*|pndjo
pinche|pinches|pinchi puto|puta|putos|pendejo|pendeja|cabron|cabrón|perra|perro|idiota|mamon|mamón|naco|naca|gringo|negro|joto|maricon|maricón|marica|vieja|gordo|gorda|wey|güey|culero|basura|estúpido|estupida|streamer|vato|indio|prieto
culero|culiao*|culiado*|culiá|culia|conchesumadre|conchetumadre|conchatumadre|conchasumadre|ctmr|qliao|qlo|culioner*|culicagad*|aweonao*|weonculiao / wn culiao
concha|conchuda|reconcha de? tu|su|la|tus madre|hermana|lora|abuela|putamadre|gorra
pelotud(o|a|os|as)|pelotudez|boludazo / forro hijo
malparid*|carepicha|caremonda|careverga|carechimba|mamagüevo*|mamaguev*|mamahuev*|mamabich*|mamaverga*|mamavergas|mamapoll* / mamad(or|ora) de
lameculos|lamehuevos|lamebotas|chupapoll*|comepoll*|soplapoll*|chupapij*|chupaverg*|tragaverg*|tragaleche*|comepij*|comeverg*|soplagaitas|chupamedias|chupamela*|petardas|huelebicho
~polla|pollas|pollón|pollon
!polla|pollas record|futbolera|y gallina|gallinas
~verga|vergas
a|ala|la|vale|valen|hasta|cara|caras|pura|ni de|la|una? verga|vergas
chupa|chúpame|chupame|chupen|chupad|chúpala|chupamela|mámame|mamame|mama|cómeme|comeme|come|lame|lámeme|traga|besa me? la|el|mi|las|los|toda|una|esta|bien? polla|verga|pija|pito|pinga|picha|culo|huevos|bolas|coño|cipote|rabo|pene|nabo|nepe|pollas|vergas
méteme|métete|metete|metetelo|métetelo|meter|métanselo por el|por el? culo|orto|ojete
~coño|coños|coñazo
!cono|conos
~cojones|cojón
vete|vayan|váyanse|vayanse|iros|idos|ve|ándate|andate|anda|vayase a|al|ala la|tomar|que? mierda|culo|carajo|chingada|verga|infierno|concha|joder|por|cagar|coño|follen|puta
tomar|dar|dan|den|da|toma por el? culo|saco|ojete|orto
me|nos cago|cagamos|kago en|n|enla tu|la|su|vuestra|dios|tus|los|toda|todos|vuestros|sus|cristo|todo|vuestra|san|las
me cago en el _
~cagar|cagada|cagaste|cagón|cagarse|cagado|cagando
~follar|follarte|follarse|follarme|follada|follado|follad|follas|follo|follamos|follador|folladora|folladores|fóllate|follate
a la mierda
puta|puto|putísima que|k te|lo|los parió|pario
la que te parió
tu|su|vuestra|tus puta|putisima|putísima|reputa? madre|hermana|vieja es|la|en|son una|la|un|unas? zorra|perra|puta|guarra|furcia|ramera|cerda|chupa|putas|follo|mama|cachonda|sucia
tu puta|putísima|reputísima madre|vida|cara|calavera
eres|es|sos|son|sois|tremenda|menuda|vaya|so|pedazo|pinche|ella|esa|maldita|cállate una|un|de|la|unas|mas|muy? zorra|zorras|perra|perras|guarra|guarras|furcia|ramera|cerda|puerca|golfa|zorrón
zorra|perra|guarra|cerda|furcia|golfa asquerosa|inmunda|barata|sucia|estúpida|malnacida|arrastrada / zorra|perra|guarra|cerda|furcia|golfa de mierda
furcia|furcias|zorrón|malnacid(o|a|os|as) / maldito|malditos bastardo|bastardos
tonto|tonta|tontos|imbecil|imbécil|idiota|subnormal|cara del|de los? culo|polla|cojones|verga|mierda / caraculo
cara de culo|polla|verga|chimba|mierda|pito|picha
métete|metete la|tu lengua por
subnormal profundo|de
~subnormal|subnormales
tetona|tetonas|tetotas|pajote
?cojones|carajo|coñazo|boludo|boluda|boludos|cagón|pedo|pedos|huevón|weon|weón

# slurs
maric(a|as|o|on|ón|ones|ona|onas|onazo|onazos|oncete|oncito|oncit*|onson)|marikon*|marik(a|as)|*maricon*|mariposón|sarasa|bujarra|bujarron*|bujarrón|joto|jotos|jotito|jotón|mampo|trolazo|cacorro*|tortillera|tortilleras|bollera|bolleras|marimacho|marimach*|machorra|travelo|travelos|travolo|traveco|travuco|travucos|tragasables|comealmohadas|muerdealmohadas|soplanucas|rompeculos|sidos(o|a|os|as) / puñal joto / loca de mierda / invertido de
!maricastaña
sudaca|sudacas|sudakas|guachupin*|machupichu|panchito|panchitos|payoponi|payoponis|moraco|morancos|moraca|negrata|negratas|tiraflechas|boliguayo|veneco|venecos|veneca|venecas|venezorra|gitanaco|gitanac*|judiaco / espalda mojada / indio pata / guiri|cholo|bolita|paragua de mierda
maldito|malditos|puto|puta|putos|putas|asqueroso|asquerosos|jodidos|jodido|inmundos|inmundo|sucios|cochinos|cochino|malditas moro|moros|mora|negro|negros|negra|negras|gitano|gitanos|gitana|judío|judíos|judia|judios|chino|chinos|musulman|musulmán|musulmanes|indio|indios|inmigrantes|sudaca|árabes|panchos|maricones|rumanos|mexicano|mexicanos|venezolanos|gays|mono
negro|negra|negros|negras|moro|moros|mora|gitano|gitanos|judio|judío|judíos|chino|chinos|indio|indios|mono|monos|gay|gays|blancos|latinos|mexicano|extranjeros|inmigrantes|cholo|lesbiana|trans|gordo|gorda|viejo de mierda|m1erda|mrda|kaka|porquería
mongoloide* / retrasado|retrasada|retrasados|retardado|mongol mental|mentales / retrasado|retrasada|retrasados|mongol|mongolo de mierda|m
eres|es|sos|sois|son|pareces|puto|pinche|pedazo|menudo|este|ese|maldito un|una|unos|de|tremendo? mongol|mongola|mongolo|mongolico|mongólico|mogólico|mongólica|mongolicos|retrasado|retrasada|retrasados|retardado|retardada|autista|autistas|downie|subnormal|subnormales|minusválido|tarado|mono|simio
~mongólico|mongólica|mongólicos|mongolito|mogólico|mogólica
mamahuevos|monguer|mongui

# self-harm
mátate|matate|mátense|matense|mataos|suicídate|suicidate|suicídense|suicidense|suicidaos|ahórcate|ahorcate|ahórquense|cuélgate|cuelgate|muérete|muerete|muéranse|mueranse|degüéllate|degollate|envenénate|envenenate|desángrate|inmólate|ahógate|electrocútate
pégate|pegate|dispárate|disparate|métete|metete un ya? tiro|plomazo|balazo
!muérete|muerete de risa|envidia|hambre|ganas|miedo|vergüenza|amor|frío|calor|gusto|asco|sueño
!pégate|pegate a|al|con|un baño|bañito|rato
tírate|tirate|lánzate|lanzate|arrójate|arrojate|aviéntate|aventate|salta|saltá|brinca|bótate por|de|desde|del|a|al|bajo la|el|un|una|las? ventana|ventanas|puente|balcón|balcon|tejado|edificio|tren|metro|vías|vias|azotea|precipicio|acantilado|barranco|camión|coche|terraza|quinto
córtate|cortate|cortaos|córtese las|tus venas|muñecas
quítate|quitate|quítense la vida
acaba|termina con tu|su vida
pégate|pegate|métete|metete un tiro|balazo
bebe|toma|trágate|bébete|tómate lejía|cloro|veneno|lejia|ácido|raticida
ojalá|ojala|espero|deseo|quiero que? te|se|os|tu|su|le|todos|toda|vuestra|ustedes|y? madre|familia|te? mueras|muera|maten|mates|mate|atropelle|atropellen|muráis|murais|mueran|suicides|ahorques|pudras|violen|cáncer|cancer|entierren
te|os deseo lo? un|el|la|peor|que? muerte|cáncer|cancer|mueras
deberías|deberias|debes|debería|anda|ve|vete|vayan que|a|de? morir|morirte|suicidarte|matarte|ahorcarte|colgarte|morirse|suicidarse
deberías|deberias|debes|debieras|mereces|merecéis|merecen estar|ser? muerto|muerta|muertos|morir|morirte|violada|violado
ojalá|ojala|espero|que te|os|tengas|le|agarres|dé|de|pille|atropelle|mate|parta|coja un|el|una|cáncer|cancer|camión|coche|rayo|tren|bus|sida camión|coche|tren|cáncer|cancer|rayo|bus|sida?
nadie te|os va|extrañaría|quiere|extrañará|echará a|vivo|viva|de extrañar|llorar|menos|vivo|viva?
el mundo|todos sería|seria|estaría|estaríamos|estarían mejor sin ti|vos|usted
haznos|haz|hazle|háganos un|el|al favor|mundo y? mátate|muérete|suicídate|matarte|muere|cuélgate
?muérete|suicidio|suicidarse|muerte|matar|te voy a matar|púdrete|pudrete|muere|mueran|te mato
?te voy a matar|violar

# hate
muerte|muertos|mueran|muera|plomo|bala a|para|los todos? los|las|el|la? %people|islam
matar|maten|matad|matemos|quemar|quemad|quemen|gasear|gasead|gaseen|fusilar|fusilen|exterminar|exterminad|exterminen|linchar|linchen|violar|ahorcar|expulsar|deportar|eliminar a? todos|todas|esos|los|las|a los|las|esos? %people
fuera|afuera|largo|echad|echar|no|basta|expulsión a|de|con|queremos? los|las|todos|más|mas? %people de|del? españa|europa|aquí|aqui|país|mi|méxico|nuestro?
fuera %people
%people al|a|para|en|fuera|de la|las|los|el|su|vuelta|aquí|españa? horno|hornos|gas|cámara|cámaras|camara|hoguera|paredón|fosa|áfrica|país|pais|tierra|selva|casa de gas|mierda?
%people son|sois|es todos|todas|unos|solo|una|puros|lo? unos? ratas|basura|escoria|plaga|cáncer|parásitos|parasitos|cucarachas|animales|monos|inferiores|ladrones|delincuentes|violadores|subhumanos|simios|mierda|terroristas|enfermos|peste|lacra
vuelve|vuélvete|vuelvete|vete|regresa|regrésate|lárgate|largate|regresen|volved a|para|pa tu|africa|áfrica|su|vuestro|tu puto? país|pais|tierra|selva|patera|moro|rancho|marruecos
españa|europa|méxico solo|sólo|es|para|pa|sin para|los|blancos|moros|inmigrantes|negros|gitanos los|blancos|españoles|inmigrantes? blancos|españoles?
!españa es|para|sin para|los? los?
solo|sólo blancos|arios
arriba|viva|heil|jail|hail|grande|gracias hitler|franco|pinochet|videla|kkk
hitler|franco|adolf tenía|tenia|no|se|fue|debió|era|vive|mató quedó|razón|razon|hizo|un|mato|acabar|terminar|héroe|nada|pocos|poco? corto|nada|héroe|genio|dios|grande|pocos|judíos|malo?
poder|orgullo|supremacía|raza|fuerza blanco|blanca|aria|superior|inferior|ario
el? holocausto no|nunca|es|fue existió|existio|ocurrió|pasó|mentira|una|un mentira|invento|farsa|mito?
cámara|camara|cámaras de gas para
sieg heil
judiada judía
~gonorrea|gonorreas|mamón|mamona|mamones|ojete|ojetes|pajero|pajera|pajeros|pajear|pajearse|reputa|conchudo|conchuda|trolo|trolos|culera
!pedo|pedos|retardo|rape|rapes|acuntir|cuntir|negro|negra|negros|negras|ahora|hora|horas|boche|boquete|hoja|hojas|hoj*
!Pajero
!Concha|Verga|Moro|Negro|Maricón ^
!familia|señor|señora|don|doña|sr|sra|calle|plaza|playa|tía|tío Concha|Verga|Moro|Negro|Pinto|Polla|Cabrón
!concha de|del mar|vieira|peregrino|acústica
!pinche|pinches de cocina
?conchudo
?hitler|nazi|nazis|suicid*|ahorc*|holocausto|violador*|asesin*|exterminar|imbéciles
%grupo = moro|moros|mora|negro|negros|negra|negras|gitano|gitanos|gitana|judío|judíos|judia|judios|judía|chino|chinos|musulmán|musulmanes|indio|indios|inmigrante|inmigrantes|árabe|árabes|rumanos|mexicano|mexicanos|venezolano|venezolanos|gay|gays|lesbiana|lesbianas
%grupo asqueros*|repugnant*|inmund*|sucio|sucios|sucia|cochin*|apestos*|ladron*|invasor*|basura|hediond*|pestilent*
chupapol*|soplapol*|carapij*|carapoll*|caragilip*|culopoll*|pichabrav*|pollopera|pollatriste|sorete|soretes|culead*|culear|garchar|garcha|cabronaz*|cabronad*|hijueputa*|mamerto|mamavergas|lamepoll*|tragapoll*|tocapelotas|comepin*|pinchaculos|bufarrón|culiar|singao|singada|bicharraco|pajuo|pajúo|mamabicho|coñazo|conchetumare|ctmre|pelotudazo|boludón
!enculatar|enculpar
enséñame|enseñame|muéstrame|muestrame|muéstranos|muestra|muestranos|enseña|enséñanos|ensenanos|saca|sácate|enseñad las|tus|esas|una|el? tetas|culo|teta|coño|pechos|bragas|chichis|bubis|pezones|pompis
te|le|os|se la meto|metía|meteria|metería|metemos|clavo|clavaba|enchufo
te|le|os|se la voy|vamos|quiero a? meter|clavar
meterte|meterle|metértela|clavártela|meterosla
te|la|os|me quiero|voy|voy|iba|gustaría|vamos a? follar|violar|coger|matar|preñar|partir|rajar|descuartizar|reventar|chingar te?
!te|os voy|vamos a coger
te|os|lo|la voy|vamos|van a matar|violar|apuñalar|degollar|reventar|rajar
abre|ábrete|abrete|separa de las? piernas|patas
abre|separa las|esas piernas|patas
siéntate|sientate|siéntese en|encima de? mi cara|polla|verga|pija
quítate|quitate|sácate|bájate|bajate|quita la|el|las|los|esa|toda ropa|sujetador|bragas|camiseta|pantalones|blusa|brasier|falda
desnúdate|desnudate|encuérate|encuerate|ponte a? cuatro|desnuda
me|nos la pelas|suda|chupas|sudas|mamas|pela|chupan|maman|agarras|soban
que me la chupe|chupes|mame|mames|coma|comas|sude
cierra|cerrá|calla|cállate el|la|tu|esa|puto|puta pico|boca|hocico|jeta|culo imbécil|puta|zorra|idiota|gilipollas|maldita|perra?
cállate|callate la|esa puta|jodida|maldita|sucia boca
~guarra|guarras|forro|forros|boludo|gonorrea|huevón|huevon|weón|weon|aweonado|culiado|pajero|pajera|conchuda|retrasada|retrasado
boludo|forro|weón|huevón|pelotudo pajero|culiado|forro
boludo|forro|weón|huevón|pelotudo de mierda
gonorrea|hijueputa|carechimba|malparido|pirobo|pirobos|sapohijueputa
mono|mona|simio|gorila de|en feria|directo|circo|cámara|mierda|la|el negro|negra|selva|zoo?
judío|judíos|gitano|gitanos|moro|moros|negro|negros|chino usurero|usureros|ladrón|ladrones|delincuente|delincuentes|tacaño|asesino|asesinos|maleante|vago|vagos|traidor
%people al|a|a la|los|pa|pal|para|en horno|hornos|hoguera|la|el|las|paredón|gas|cámara|cámaras|africa|áfrica hoguera|horno|gas?
mujeres|mujer|tías a la cocina
mujeres|mujer|tías a fregar|cocinar|parir
!las|la|mujeres|mujer en la cocina
hay|habría|tenemos|deberían que matarlos|matarlas|quemarlos|exterminarlos|fusilarlos|gasearlos|ahorcarlos|colgarlos|expulsarlos|echarlos a|de? todos|todas|aquí?
te|os|se & matas|mates|matáis|mataras|suicidas|suicides|suicidar|suicidáis|ahorcas|ahorques|ahorcar|cuelgas|electrocutas|degüellas
!te|os|se matas|mates a|trabajando|de trabajar|estudiar|risa|hambre
espero|deseo|ojalá|ojala|quiero|rezo & mueras|muráis|murieras|murierais|mueran|cáncer|suicides|mates|revientes
cuándo|cuando|por & te|os & mueres|morís|mueras|matas|mates|suicidas
!te mueres|mueras de hambre|risa|ganas|amor|sueño|sed|frío|calor|envidia|curiosidad
pistola|cañón|escopeta|revólver & boca|sien|cabeza
mete|pon|metan & cabeza & horno|microondas|váter|retrete
~%people & roban|violan|matan|ladrones|paredón|mar|frontera|invaden|apestan|vagos
prohíban|prohibid|prohibir|expulsad|expulsen|echad a? todos|los los? %people
nadie & echaría|echará|extrañaría|lloraría & menos|ti|te|mueres
sin & ti|vos & mejor|felices
?teta|tetas|tetona*|tetaz*|tetorr*
a mamarla|chuparla|cagar|joderse|follar
tiene|tienes|tenés|menudas|vaya|vaya|qué|buenas|par par? de? tetas|tetazas|melones|peras
`,
}
