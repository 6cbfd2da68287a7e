import type { WordList } from './wordList.ts'

export const portuguese: WordList = {
  language: 'pt',
  endings: ['s', 'es', 'a', 'as', 'o', 'os', 'inho', 'inhos', 'inha', 'inhas', 'ão', 'ões'],
  everyday: [
    'aborto',
    'amador',
    'ânus',
    'aranha',
    'ariano',
    'balalao',
    'bastardo',
    'bicha',
    'biscate',
    'bissexual',
    'boob',
    'bumbum',
    'burro',
    'cacete',
    'camisinha',
    'cerveja',
    'chupar',
    'clitoris',
    'cocaína',
    'coito',
    'comer',
    'cona',
    'consolo',
    'corno',
    'dar o rabo',
    'dum raio',
    'fecal',
    'frango assado',
    'gozar',
    'grelho',
    'heroína',
    'heterosexual',
    'homem gay',
    'homoerótico',
    'homosexual',
    'inferno',
    'lésbica',
    'lolita',
    'mama',
    'passar um cheque',
    'pau',
    'peidar',
    'pênis',
    'pinto',
    'saco',
    'torneira',
    'transar',
    'vadia',
    'veado',
    'vibrador',
    'xana',
    'sacanagem',
    'queca',
    'colhoes',
    'bosta',
    'cagar',
  ],
  mild: ['bosta', 'cagar', 'bastardo', 'bumbum', 'coito', 'peidar', 'queca', 'sacanagem', 'colhoes'],
  lines: `
%people = pretos|preto|negros|negro|judeus|judeu|ciganos|cigano|gays|homossexuais|bichas|viados|paneleiros|lésbicas|travestis|trans|muçulmanos|árabes|imigrantes|estrangeiros|brasileiros|brasileiras|nordestinos|indianos|chineses|africanos|monhés|refugiados|mulheres|brancos|cristãos|índios|macacos|zucas|venezuelanos|bolivianos|haitianos

caralh(o|os|ão|inho|ada)|krlh|crlh|karalh(o|os)|caraio|caralhos|karai|*caralho
fod(a|as|e|er|es|em|am|ase|asse|eu|endo|ido|ida|idos|idas|ão|ões|eram|amos|este|ilhão|ilhona)|fud(er|eu|ido|ida|idos|idas|endo|ase|eu|ida|eroso)|fodasse|phoda|fodass|fds-e|foda-se|fodilhon(a|as)|fodid(a|o)
!fodam|fodas em
put(inha|inhas|ona|aria|arias|edo|eiro|eiros|anheir(o|a)|anheiros|anhice)|puta|putas|puto|putos
filho|filha|filhos|filhas|filh|fio da|duma|de|das|d uma|um|mil|grandessíssima|grande? puta|putas|égua|quenga|rapariga|vagabunda|cadela|mãe|arrombada|vaca
*filh(o|a)dap*|*filh(o|a)daput*|*filhodeput*|fiodap*|filhadamae|filhadamãe
puta|caralho|puto que|q|k o|a|te|vos|me|lhe|nos|os? pariu|pario|pariram
pqp|vtnc|vtmnc|tmnc|vtfd|krai
vai|vão|vá|vao|va|ide|vamos|vais|vas|mandar|manda|mandei|vá tomar|tomá|toma|levar|apanhar|dar|tomarem no|nos|em|n|na|do cu|cú|cuh|rabo|olho|toba|brioco
vai|vão|vá|vao|va|ide|vais te|se|para|pra|pro|pró|ao|à|tu? a|o|todos|lá? foder|fuder|fode|merda|caralho|puta
mete|enfia|enfie|metam|enfiem|soca isso|isto|tudo|o|a? no|pelo meio|olho|teu|seu? do? cu|cú
~cú|cus
cuz(ão|ões|ona|inho|inhos|udo|uda)|cusão|cuzao|cusao|cuzoes / olho do cu
seu|sua|seus|um|uma|és|que|teu|este|esse|bando|velho|muito|grande|de|bando arrombado|arrombada|arrombados|arrombadas|arrombadinho
arrombado|arrombada do|da|de|dos caralho|merda|porra|puta|cu
~arrombado|arrombados
!porta|portas|cofre|casa|janela|loja|carro foi|está|estava? arrombada|arrombadas|arrombado
bucet*|xoxot*|xochot*|chochot*|xerec*|xereca*|xavasc*|xaninha|ppk|piroc*|pirok*|pirocud*|rolud*|roludo|boqueteir*|punhet*|bronha|bronheir*|siririca*|esporra*|esporrar|esporrad* / perereca molhada / chupeta gulosa / gozei na
boceta|bocetas|bucet(a|ão|uda)
~cona|conas|pachacha|pachach*|piça|piças|pissa|caralhete
chupa|chupar|chupas|mama|mamar|mamas|lambe|senta|sentar|morde|engole|cala|beija|pega na|no|em|a|o|as|os|minha|meu|aqui|um|uma|me|bem|todo? na|no|minha|meu|a|o|as|os|teu|esta? pica|rola|pau|piça|caralho|cacete|pila|picha|piroca|pissa|rolas|bolas|saco|tomates|cu|grelo|xana|vara|pinto|mangueira|conas|cona
minha|meu|tua|grande|grossa|minhas pica|rola|piroca|piça|pichota|pissa
paneleir(o|os|a|ice|agem|ote|otes)|panelei*|panilas|panasca|panascas|paneleirote|maricona|bichona|bichonas|bichinha|viad(o|os|inho|inhos|agem|ão|ões|aço|a)|viadage*|viadin*|boiol(a|as|inha|agem)|baitol(a|as|o)|sapatona|sapatonas|sapatones|fufa|fufas|traveco|travecos|traveca|travecão|traveko|traveco|rabeta|rabetas|larilas|gayzinho|gayzão|gayzola|bichola|bichice / bambi de / boneca de merda / homossexual de merda / rabo arrombado
sua|seu|és|grande|tua|suas|teu|seus|cala bicha|bichas|bichona
sua|seu|és|que|teu|seus|grande|bando|seu|de|cala veado|veados|veadinho|veadinhos
veadinho|veadagem|bicha nojenta|louca|má|feia|do|de|velha
cabr(ão|ões|ona|onas|ao|oes|onzinho)|kabrão|kabrao
seu|és|sois|grande|seus|és|que|filho|um|o|de|maior|teu corno|cornos|cornudo|cornuda|cornudos|chifrudo
corno manso|do|de|da|cuzão|filho
chifrudo|chifruda
merd(a|as|oso|osos|osa|ice|inha|inhas)|merdinh*|mierda|m3rda|merdas|esmerdad*|comerda
~porra|porras
!levou|levar|deu|dar porrada
vaca|cadela|piranha|galinha|porca|cachorra|cobra|vadia|égua|puta|biscate gorda|vadia|nojenta|safada|imunda|estúpida|puta|vagabunda|suja
sua|és|essa|seu|suas|uma|que|tua|és|tua|mãe|foste vaca|cadela|piranha|porca|cachorra|vadia|vagabunda|vagabundas|vadias|rameira|galdéria|biscate|quenga|égua|ordinária|lambisgóia|jumenta
tua|sua mãe|mae|irmã|avó é|dá|chupa|mama|leva uma|a|o|no? puta|zona|cu|vaca|pau|piroca|rola|piça|caralho|piranha
fodo|comi|como|vou|fodi|comia a|foder|comer tua|a|sua mãe|tua|sua? mãe|mae|irmã?
come|comer|coma|comam|vai|engole|lambe comer|comem? merda|bosta
?bosta|bostas|cagar|cagão|cagado|caga|viado|babaca|babacas|escroto|escrota|escrotos|desgraçado|desgraçada|tesão|peida|peidar|tetas|porno|nojento|ranhoso|retardado

# slurs
preto|preta|pretos|negro|negra|negros|macaco|macaca|macacos|cigano|ciganos|cigana|judeu|judeus|judia|monhé|monhés|zuca|zucas|brasuca|brasileiro|brasileira|indiano|chinês|chinoca|favelado|nordestino|baiano|paraíba|índio|mulato|gorila|mono|gay|gays|crioulo|gorda|gordo|imigrante|africano|paki|lésbica|trans|autista|viado|bicha de|do|da|d merda|caralho|bosta|m3rda|porra|mato|rua|senzala|esgoto|um|puta
preto|preta|pretos|macaco|macaca|macacos|negro|negra|cigano|ciganos|judeu|judeus|crioulo|gorila imundo|imunda|imundos|nojento|nojenta|nojentos|fedorento|fedorenta|fedorentos|sujo|suja|sujos|fedido|fedida|burro|safado|ladrão|ladrões|maldito|volta|volte|fedorentos
seu|sua|seus|esse|esses|porco|porcos|maldito|malditos|cala|putos|puto|raio|nojento|nojentos|bando|de|és|um macaco|macaca|macacos|preto|pretos|preta|crioulo|crioulos|negro nojento|nojenta|sujo|de|do|feio|fedorento|imundo|desdentado|burro|maldito
macaco|macaca|preto|preta|negro|negra|volta|volte|voltem volta|volte|para|pra a|tua|sua|pra|para? a|tua|sua? selva|senzala|árvore|jaula|zoo|mato
volta|volte|voltem|vai|vão|regressa para|pra|pro|à a|o|tua|teu|sua|seu terra|país|áfrica|africa|favela|buraco|brasil
senzala negro|preto
monhé|monhés|zuca|zucas|chinoca|chinocas|pretalhada|pretalhad*|crioulada|mulatada|nigga|tiziu / brazuca de / cabeça de turbante / japa de / xing ling / urubu de / negrinho de / negrinha de / paraíba nojento
retardad(o|a|os|as) mental|do|de
seu|sua|és|que|seus|este|esse|streamer|vocês|são retardado|retardada|retardados|retardadas|mongol|mongoloide|mongolóide|mongo|mongolos|mongas|mongoloides|autista|autistas|débil|mongolo|mongola|deficiente|aleijado|atrasado|demente
~retardado|retardada|retardados|mongoloide*|mongolóide*|mongolo / débil mental
!chegada retardada

# self-harm
se|te mata|mate|matem|enforca|enforque|suicida|suicide|enforquem|jogue|explode|esfaqueia
mata|mate|matem|enforca|enforque|suicida|suicide|afoga|esfaqueia|degola|enterra|envenena|pendura|estrangula|cala te|se e? morre?
!mata|mate|se se|te|de de
!se mata|mate|matam de|a|por|para|pra|trabalhando|trabalhar|rir|estudar|em
!ele|ela|quem|que|gente|você se mata
devia|devias|deveria|deverias|deviam|podia|podias|vai|vais te|se|ir? te|se? matar|suicidar|enforcar
devias|deverias|devia|deveria morrer
matar|suicidar|enforcar te
!vai|vais|vamos|vou morrer de|a|com rir|fome|saudade|saudades|calor|frio|medo|sono|riso
pula|pule|salta|salte|atira|atire|joga|jogue|lança te|se? da|do|de|pela|para|dum|duma um|uma|baixo|a? ponte|janela|prédio|penhasco|telhado|terraço|varanda|comboio|trem|precipício|viaduto
atira|joga te|se para|na|no frente|debaixo|baixo do|da|dum|de comboio|trem|carro|um
corta|corte|cortem|abre|rasga os|as|o|a|teus|seus|tuas os|teus|seus? pulsos|veias|pescoço|garganta
morre|morra|morram logo|diabo|desgraça|seu|sua|praga|desgraçado|maldito|filho|cabrão|fdp|verme|lixo|já|cancro|miserável|nojento
tomara|espero|desejo|quero|oxalá que tu|você|tua|todos|vocês? mãe|família? morras|morra|morram|apodreças
acaba|acabe|termina com a? tua|sua|essa vida
bebe|toma|beba|tome|engole lixívia|veneno|cianeto|ácido|soda|lexívia
uma|um bala|tiro na|no|nos tua|sua|teu|seu|teus|meio? cabeça|testa|cornos
dá|dê|da|mete|enfia um|uma tiro|bala na|nos|em|no própria? cabeça|boca|cornos|miolos|testa
devias|deverias|deveria|devia|podias|mereces|merecias|merece estar|ser? morto|morta|morrer
tomara|oxalá|espero|que que|tenhas|apanhes|tenha|pegue|te|um|tu? tenhas|apanhes|um|pegue|dê? cancro|câncer|sida
ninguém|ninguem vai|sentiria|sente|sentirá|ia|iria|quer|gosta sentir|ter|de? a|tua|sua|ti|você tua|sua|ti|falta? falta|saudades|saudade|morre|mata?
!ninguém|ninguem quer|gosta|sente de? ti|você|a
ninguém|ninguem vai|ia|iria sentir|ter a? tua|sua falta|saudades
o|todo? mundo|todos seria|estaria|ficaria|ficava|era|estavam|melhor bem|muito? melhor sem ti|você|vc|te
?suicídio|suicidio|enforcar|enforca

# hate
morte|morram|morra|abaixo aos|a|às|os|ao|à todos? os|as? %people
fogo|forca|gás nos|para|pros os? %people
matem|matar|queimem|queimar|gaseiem|exterminem|exterminar|expulsem|deportem|enforquem|fuzilem|castrem|vamos|matam|espanquem|linchem matar|queimar|exterminar? os|as|todos|esses|aos os|as|esses? %people
%people no|ao|para|pra|na|à|a o|a? forno|gás|câmara|paredão|fogueira|senzala|forca
%people fora de|do|daqui|da portugal|brasil|europa
%people são|é todos|uns|uma|um|tudo? escória|lixo|praga|cancro|câncer|ratos|parasitas|macacos|inferiores|ladrões|animais|doentes|merda|vermes|terroristas|bandidos
%people devem|deviam|deveriam|merecem|têm|tem ser|de|que|todos? morrer|exterminados|mortos
fora|rua com? os|as|daqui|de? %people
viva|heil|hail|sieg|salve|ave|volta|saudades hitler|salazar|heil|adolf
hitler|adolf tinha razão
hitler|adolf estava certo
hitler|adolf fez|matou pouco|poucos|falta
hitler|adolf foi|era um herói|gênio
hitler não fez nada de? errado|mal
poder|orgulho|supremacia|raça branco|branca|ariana|superior|inferior|pura|ariano
holocausto|shoah é|foi|nunca|não|é uma|um|aconteceu|existiu|mentira mentira|farsa|invenção|fraude|mito?
portugal|brasil|europa aos|para os portugueses|brancos|europeus
câmara|camara|câmaras de gás para|pros|já|neles
fdp|fdps|vsf|vtf
~carai|boquete|boquetes|boqueteira|vagabunda|vagabundas|vadia|vadias|favelado|favelados|rameira|quenga|quengas|galdéria|biscate|cornudo|sapatão|cu|maricas
!hora|horas|senhora|senhoras|bebé|bebê|bebe|java*|mofo|rape|rapé|rapés|pede|pedes|circunt*|pinto|pintos|Lopes|Caraí|cipó|transe
!Pinto|Veado|Rego|Picão|Bicha ^
!família|senhor|senhora|sr|sra|dona|dom|doutor|professor|rua ^? Pinto|Veado|Rego|Bicha|Cabrão|Porra
!pinto amarelo|amarelos
?hitler|nazi|nazis|nazista*|suicid*|enforca*|holocausto|estupr*|violador*|exterminar
seu|sua|seus macaco|macaca|macacos|preto|preta|escurinho|crioulo|cigano
judeu|judeus|cigano|ciganos|preto|pretos|preta|negro|indiano|brasileiro nojent*|imund*|fedorent*|porco|porcos|ladrão|ladrões|safado|burro
bosset*|busset*|bussang*|checheca|chereca|xerereca|xexeca|xota|xotas|xibiu|xibu|kenga|machona|badalhoc*|pepeka|brioco|caralhada|putedo|fodilh*|merdolas|cagalh*|cornalhão|panasqu*|paneleiric*|viadag*|bostinha|escrot(o|a|os|as)|arrombadinh*
pita|puta que te|o|vos|me pariu / cabeça de pau|piça|pica / boca|cara de merda|cu|pau
mostra|mostre|mostrem|mete|põe me|nos|aí|para? os|as|o|a|teus|tuas|seus|suas|esse|essa|essas|esses peitos|mamas|cu|rabo|tetas|bunda|peitinhos|xana|cona|bunda|mamilos|peitinho|calcinha|rego
tira|tire|despe|arranca|baixa|abaixa a|o|as|essa|esse|tua|sua|toda? roupa|blusa|calcinha|cuecas|sutiã|saia|camisa|camisola|calças
despe|dispa|pelada te|agora|se
fica|ficar|fique nua|pelada|nu|pelado|quatro
abre|abra|arreganha|abrir as|essas|bem pernas|pernocas|coxas
senta|sente|senta aqui|te|na|no|em|se na|no|em|aqui|cima? minha|meu|da|do|na cara|pau|pica|colo|rola|piça|minha|caralho
quero|vou|queria|ia|podia|adorava te|lhe? foder|violar|estuprar|esfaquear|arrombar
quero|vou|queria|ia|podia|adorava te|lhe comer|matar
quero|vou|queria|ia|podia|adorava comer|matar te|lhe
!vou|quero|ia|queria|vamos comer a|te|tua
!vou|ia|vamos a comer
vou|vamos|vão|ia te matar|violar|estuprar|esfaquear|degolar|rebentar|furar
matar|violar|esfaquear|degolar te hoje|um|vou|já
chupa|mama aqui|mos|mo|ma
chupa|chupem mos|mo|aqui
!chupa|chupar|mama|mamar me|nos dedo|gelado
!lambe|senta aqui|me
pila|piça|pau|pica mole|murcha|pequena|pequenina|torta|fedorenta|nojento
~porra|arrombado|arrombada|corno|cornudo|boquete|desgraçado|desgraçada|retardado|otário|otária
?piranha|macaco|macaca|morra
!vaca|piranha|macaco|macaca de|no|do|na|leite|pescada|frita|zoo|louca|do
nordestino|nordestinos|preto|preta|brasileiro|brasileira|cigano|indiano|baiano|paraíba burro|burros|burra|preguiçoso|preguiçosos|ladrão|ladrões|nojento|fedido|imundo|vagabundo
brasileiros|ciganos|pretos|imigrantes|indianos|monhés|zucas|estrangeiros|muçulmanos|gays|judeus|%people fora|rua|embora|vazem|de|daqui
bandido bom é|e bandido? morto
mulher|mulheres na cozinha|fogão
mulher|mulheres pertence|pertencem à|a|na cozinha
lugar de mulher é na? no? cozinha|fogão|tanque
!mulher|mulheres na|da|de cozinha
te|se|vocês|você & matas|mates|matam|suicidas|suicides|suicida|suicidar|enforcas|enforques|enforcar|enforca|atiras
!te|se matas|matar|mata a|de|por trabalhar|rir|estudar|trabalho|tanto|fome
espero|tomara|oxalá|desejo & morras|morra|morram|morrer|morte|cancro|câncer
quando & morres|morreste
quando|porque|porquê & tu|te|você|vocês & morres|morre|morras|matas|mata|suicidas
vai|vão|vá|ide morrer longe|logo|já|para|pra|sozinho|seu|sua|no
vai|vão|vá morrer
!vai|vão|vá morrer de|a|com|por
pistola|arma|cano|revólver & boca|têmpora
vaca|cadela|piranha|galinha|porca|cachorra|égua|puta do|de caralho|merda
mete|enfia|põe|bota & cabeça & forno|micro|sanita|privada
~%people & paredão|mar|forca|guilhotina|roubam|violam|invadem|estragam
volta|volte|voltem|regressa|vai para|pra|pá áfrica|africa|senzala|selva|favela|índia|brasil preto|negro|macaco|preta|escuro?
atrasad(o|a)|débil|deficiente|doente mental de|do? merda?
proíbam|proíbe|expulsem|expulsa|deportem todos? os|as %people
que|grande|belo|ganda rabo|cu|mamas|peitos|bunda tem|tens|da|a
comia|comias|papava|fodia a|te|la|o toda|todinha|já|agora
~quer|querem|quero & morras|morra|morram|mortes|matem
hitler devia|deveria|podia ter acabado|terminado|ganho|vencido|continuado
`,
}
