import type { WordList } from './wordList.ts'

export const french: WordList = {
  language: 'fr',
  endings: ['s', 'e', 'es', 'er', 'ez', 'ent', 'é', 'ée', 'és', 'ées'],
  everyday: [
    'baiser',
    'bander',
    'bigornette',
    'bite',
    'bitte',
    'bloblos',
    'bourré',
    'bourrée',
    'brackmard',
    'chatte',
    'con',
    'conne',
    'cul',
    'déconne',
    'déconner',
    'folle',
    'gerbe',
    'gerber',
    'grande folle',
    'gueule',
    'jouir',
    'meuf',
    'ménage à trois',
    'negro',
    'nègre',
    'pédale',
    'pédé',
    'péter',
    'pipi',
    'pisser',
    'ramoner',
    'suce',
    'tanche',
    'tringler',
    'trique',
    'troncher',
    'tapette',
    'caca',
    'clito',
    'clitoris',
    'zizi',
    'zigounette',
    'étron',
    'chiottes',
    'bordel',
    'emmerdant',
    'emmerder',
    'teuch',
    'palucher',
    'gouine',
    'foutre',
  ],
  mild: ['emmerdant', 'emmerder'],
  lines: `
%people = juifs|juif|arabes|arabe|noirs|noir|musulmans|musulman|migrants|immigrés|étrangers|pédés|pd|gays|homos|homosexuels|lesbiennes|trans|tapettes|nègres|bougnoules|bicots|roms|gitans|blancs|français|feujs|handicapés|africains|algériens|marocains|chinois|asiatiques|roumains|réfugiés|islamistes|chrétiens|femmes|rebeus|renois|youpins|youtres|manouches|turcs

*encul(e|é|ée|és|ées|er|eur|eurs|euse|ez|ent|ade|ades|age|ant|és)|*encul(e|é)*|enkul*|encu1*|nkl|anculé*
*connard*|*conard|conards|conasse*|connass*|connarde|konnard*|connerd|connards*|conar
putain|putains|pute|putes|puteput|petasse*|*filsdepute*|ptn|putes|poufiass*|pouffiass*|poufias*|pétass*|petass*|pétasse|pupute|tchoin*|tasspé*|taspé / putin d / putin de / trainée sale / morue sale
!compute
fils|fille|enfant|enfants|fis|fiston|bande|filles de|d|2 ta? pute|putes|putain|salope|chien|chienne|tepu|chiens|catin|pûte|putte|enculé
fdp|ntm|fdpt|tmtc fdp|ntr|ntgm|nique
niktamer*|niketamer*|niquetamer*|nikta*|niktarace / nike ta / nick ta
nique|nik|niq|niquez|niquer|nick ta|sa|vos|leur|tes|ton|tous|vous|bien? mère|mere|mer|maman|race|morts|soeur|sœur|daronne|grand|gran
salope|salopes|salopiot|salopard|saloperie*|salaud|salauds|saloppe*|salopio
!salopette*
merd(e|es|ique|iques|eux|euse|ier|oyer|oyant|asse|aillon)|meeerde
~bites|bite
!bite|bites d'amarrage / bite|bites d amarrage
suce|sucer|suces|sucez|lèche|leche|lécher|gobe|mange|bouffe|broute|avale moi? la|ma|mon|sa|mes|une|des|les|le? bite|bites|queue|queues|couilles|teub|zob|chibre|gland|dard|boules|cul|chatte|poireau
ma|ta|sa|grosse|petite|une bite|teub|chatte dans|est|au|sur|à|puante
tête|tete|face de bite|cul|noeud|nœud|gland|pine|chien
couill(e|es|on|ons|onne|onnes|onnade)|cassecouille*
branl(er|eur|eurs|euse|euses|ette|ettes|é|ez|age|eurs)|va te branler|se branle|branle|branles
!branle bas|combat
chier|chieuse|chieuses
va|fais|fait|font|ça|vas|allez|envoie me|te|nous|vous|fait|fais? chier
trou|trous du|de cul|uc|balle
trouduc*|trouducul*|troudcul
enfoir(é|ée|és|ées|e)|enflure|enflures|raclure|raclures|sousmerde / sous merde / ordure humaine / sac à|a merde|foutre
tas de merde
bâtard|batard|batards|bâtards de|sale|va|espece|tes|t|mes merde|fils
sale|gros|grosse|espèce|espece|petit|petite|vieux|vieille|pauvre|bande|quel|quelle|putain|t'es|tes|t|es d|de|des|un|une|qu'un|grosse|gros|petit|sale? bâtard|batard|bâtards|batards|con|conne|cons|connes|chienne|truie|pute|putes|cochonne|pd|pédé|pédés|pedes|pede|pédale|pédales|tapette|tapettes|tarlouze|gouine|cul|nègre|negre|négro|negresse|bite|gueule|race|merde|trou|mongol|mongole|mongols|triso|trisomique|attardé|attardée|attardés|attarde|gogol|gogole|débile|debile mental|profond?
ta|vos|leur|sa|ferme|fermez|ferm gueule|gueules|guele|gueulle
ferme|fermez ta|vos|la|votre|t|moi sale|grande|grosse|putain? gueule|gueules|bouche|clapet
tg|ftg|tagueule*|tageule*|vtff|vtf / ta yeule
va|vas|allez|aller|vais te|vous|t|tous|me faire? foutre|enculer|niquer|mettre|voir|baiser|enkuler|sucer|chier|ken
va|allez te|vous foutre
je|j|on te|t|vous|t' nique|encule|baise|pisse|emmerde|chie|ken|bz
t'encule|t'emmerde
baise|baiser|baisé|ken ta|sa|vos mère|mere|soeur|sœur|maman|race
connerie|conneries de merde
rien à|a branler|foutre / battre|bats|bat les couilles
mange|bouffe|mangez tes|ta|tes morts|merde|mort
casse|casses|cassez|cassent|brises|brise|pète me|moi|nous|tu|vous? les? couilles|burnes|roubignoles
casse couilles
grosse|gros|sale|espèce|vieille vache|truie|pute|baleine|porc|chienne|pouffe de|infecte?
nichons|nibards|foufoune|chagasse*|partouze*|gangbang
!rien|tout|foutre foutre le camp|pour
?cul|culs|bordel|bordels|crevard*|nichon|nichons|pétasse|porno|connerie|conneries

# slurs
tarlouz*|tarlous*|tafiol*|tantouz*|tantous*|fiotte|fiottes|gouine|gouines|gouinasse*|pédoque*|pédéraste*|folasse|follasse*|goudou|goudous|tatapoum|tapiole* / homo de merde
!pédé vélo
tapette|tapettes
!pédale|pédales|pédalez de|d|frein|embrayage|accélérateur|wah|du|gauche|droite
!appuie|appuyer|appuyez|coup|vélo sur|de? la|les pédale|pédales
!tapette à|a souris|mouche|mouches
bougnoul*|bounioul*|bougnoule*|bicot|bicots|bamboula|bamboulas|négrillon*|youpin*|youtre|youtres|youd|youds|chinetoque*|chintok*|chintoc*|niakou*|niakwé*|niaquoué*|niak|crouille*|crouillat*|ratonnade*|espingouin*|polaks|schleu|schleuh|chleuh|moricaud*|rabza|khoroto|karlouche*|karlouch|kahlouche*|islamonazi|bougn|beurette|beurettes / raton sale / melon sale / macaroni sale / portos sale / gris sale / bronzé sale / bridé sale / feuj de / sale feuj / kebla sale / renoi sale / rebeu sale / fatma sale / singe sale
~nègre|nègres|négro|négros
!retard|retards|retarde|retarder|retardé|retardée|retardés
sale|sales|gros|espèce|espece|bande|putain|putains|maudit|sal d|de|des|sale? juif|juifs|juive|arabe|arabes|noir|noirs|noire|blanc|blancs|musulman|musulmans|gitan|gitans|manouche|rom|roms|asiat|chinetoque|chinois|rital|boche|migrant|migrants|immigré|immigrés|africain|étranger|homo|homos|lesbienne|lesbo|renoi|rebeu|beur|babtou|feuj|turc|roumain|portos|nègre|nègres|singe|singes|macaque|raton|melon|négro|polak|handicapé|autiste|sioniste|indien|trans|transexuel|travelo
noir|noirs|arabe|arabes|juif|juifs|blanc|migrants|gitans|chinois|nègre|nègres|macaque|gay de merde
mongolien* / attardé|attardée|attardés|débile mental|mentale / mongol|triso|gogol va
t'es|tes|es|t|espèce|tu|bande|espece|sont|c'est un|une|vraiment|trop|des|de|d? mongol|mongols|mongole|triso|trisos|attardé|attardés|autiste|autistes|gogol|trisomique|handicapé|cotorep|cassos
?mongol|mongols|triso|gogol|cassos

# self-harm
suicide|suicidez|tue|tuez|pends|pend|pendez|flingue|flinguez|noie|noyez|égorge|egorge|défenestre|immole|crève|bute|étouffe|étrangle|euthanasie|empoisonne|saigne|poignarde toi|vous|twa
suicidetoi|tuetoi|pendstoi|suicide-toi
!tue|tuez toi|vous pas|au à|a? la? tâche|travail|boulot
va|vas|allez|aller|devrais|devriez|dois|faut te|vous|t pendre|tuer|suicider|noyer|crever|flinguer|immoler|défenestrer
va|allez te|vous jeter|foutre par|sous|du|d'un|dans la|le|un|une|l? fenêtre|pont|train|toit|métro|seine|vide
va|vas|allez|peux|peut|dois|devrais|mérites|mérite|merites juste|tous|de? crever|mourir|clamser|pourrir|brûler
!va mourir de|d rire|faim|soif
et crève
crève|crevez sale|charogne|pourriture|salope|connard|ordure|bâtard|toi|bien|en|pd|donc|fdp|chien
jette|jetez|balance|saute|sautez|lance|défenestre toi|vous? par|du|d'un|sous|de|depuis|d'une|dans|d ta|la|le|un|une|l? fenêtre|fenetre|pont|train|balcon|toit|falaise|métro|metro|tour|immeuble|seine|camion|vide|étage|rails
ouvre|tranche|taille|coupe|ouvres|entaille toi|vous les|tes veines|poignets
mets|met fin à|a tes|ta|tes jours|vie
finis|finit en avec la vie
avale|bois|buvez|boit de|du|un|l|verre|litre? de|la|l|d|eau? de? javel|poison|destop|désherbant|mort-aux-rats|acide
j'espère|espère|espere|jespere|j'espere|souhaite|vivement que|qu tu|ta|il|elle|vous|t vas|mère|va|famille|allez|te|toute|la|finir|faire? crever|mourir|crèves|crève|meurs|meurt|meures|mourras|brûles|suicides|cancer|crevez|violer|creve
personne ne? te|t|vous regretterait|regrettera|regretterais|pleurera|aime|manquera
le? monde|tout serait|irait|monde|vivrait mieux|serait sans|mieux toi|sans toi?
prends|prend|achète|trouve|attache une|la corde et|pour|autour
une balle dans la|ta tête
devrais|devriez|mérites|mériterais|mérite d? être mort|morte|crevé
chope|attrape|choppe un|le|ton cancer|sida
qu|que tu|vous crèves|creviez|meures
plus|mieux si|quand tu|vous étais|étiez|seras|serez mort|morte|morts
personne te|t|vous regretterait|regrettera|pleurera|aime
laisse|laissez toi|vous mourir|crever
?pends toi
?je vais te tuer|buter|crever

# hate
mort|morts|crève|crevez|nique aux|à|a|les tous? les|aux? %people|israël
à|a mort les|tous|aux les? %people
les %people sont|c'est tous|des|de|la|une|que? des|de|la|les? vermine|racaille|parasites|rats|singes|animaux|cancer|cafards|merdes|violeurs|voleurs|terroristes|inférieurs|sauvages|chiens|peste
les %people doivent|devraient crever|mourir|dégager|partir|brûler
les|tous %people dehors
brûlez|brulez|gazez|tuez|exterminez|lynchez|pendez|éliminez|expulsez|crevez|butez|virez|déportez|rasez|stérilisez|brûler|gazer|tuer|exterminer|gazons|faut tous|gazer|tuer|brûler|exterminer|expulser|virer|pendre|buter? tous? les|ces|des|sales? %people
%people au four|gaz|bûcher|goulag
%people dehors
heil|vive|gloire|hail|salut|merci|ave|bravo à|a? hitler|adolf|pétain|ss
hitler|adolf avait raison
hitler|adolf n'a|a|aurait pas|rien|dû|du fini|terminé|finir|fait de? mal|travail?
hitler|adolf n'a pas fini|terminé
hitler n'a rien fait de mal
hitler était|est un héros|génie
hitler reviens
la? france|l'europe|europe aux français|blancs|européens|francais
sale|sous|pure race|races|sang inférieure|supérieure|juive|arabe?
race|races|pouvoir|suprématie|fierté blanche|aryenne|supérieure|inférieure|blanc|blanches|juive
rentre|rentrez|retourne|retournez dans|en|au|chez ton|votre|ta|toi|vous|afrique|algérie|bled|israël|syrie|chine pays|brousse|savane|bled|sale|jungle|cocotier|désert|grotte
rentre|rentrez|retourne|retournez en|au afrique|algérie|bled|israël|syrie
shoah|holocauste n'a jamais|pas existé|eu
shoah|holocauste est|était|c'est un|une mensonge|arnaque|invention|fake|bobard
chambre|chambres à|a gaz pour|les|n'ont
sieg heil
grand remplacement
salope|salopes|salopard|salopards|salopiot|salopiauds|salopiaud|saloppe|putasse|putasses|grognasse|grognasses|grogniasse|enculé|pute|putes
~pd|pds|lopette|lopettes|catin|catins|chiasse|chié|chiez|boche|boches|niquer|niqué|niqués|niquée|niquez|niquent|niqueur|nique|travelo|travelos|négresse|négresses|rital|ritals|cafre|cafres|polak
!pique nique|niquer|niqué|niques|niquent|niquée|niqués|niqueur|niqueurs|niquez|niquons|niqua
!blatte|blattes|râp*|rape|hure|java*|javel|fagot|fagots|nonce|nonces|saloper*|assis*|transe|transes|bébé|bebe / negro spiritual|spirituals
je|on|nous t|vous|l emmerde|emmerdons
!familie|famille|monsieur|madame|mme|m|docteur|rue Cocu|Connard|Conard|Bite|Cul|Bonnard|Pine|Labite
?chiasse|foutre
?t'emmerde|emmerde|emmerdes|emmerdez|con|connes|cons / gros|sale|petit bâtard
?hitler|nazi|nazis|suicid*|shoah|génocide|violeur*|pendaison|exterminer / débile mental
juif|juifs|arabe|arabes|noir|noirs|gitan|gitans|rom|roms|migrant|migrants|musulman|musulmans puant*|dégueulasse*|voleur*|pourri*|crasseux|répugnant*
encul*|enkul*|branlo|branlott*|branlée|chiennass*|connasse*|ducon|duconn*|dugland*|emmanché|emmanchée|enfoir*|fouteur*|foutriquet*|gniouf*|gnoul|gnoule|gnoules|gougnote*|gougnott*|imbaisable|journalope*|roubignol*|zob|zobi|charmouta*|bosnioul*|boucaque|boucaques|boukak*|souchien*|sarce|mollard|couillu|schnek|chibre|tassepé|sucemabite|vatefaire*|fisdepute|filsdeput*|mèredepute|tabarnak*|câliss*|caliss*
dans ton|son|mon cul / fils de garce|bâtard / fils de ta race / face de pet / peau de zob / trou de balle
~baise|baiseur|baiseuse|osti|ostie|crisse
!baise|baiser|baisers ta|la|sa|leur|une|ma|mon main|joue|front
montre|montrez|fais|sors|balance|dévoile moi|nous|voir? tes|ta|ton|les|un seins|nichons|chatte|cul|fesses|boobs|tétons|miches|culotte|bite|sein|nibards|lolos
écarte|ecarte|ouvre|écartez les|tes cuisses|jambes|fesses
assieds|assois|assis|pose toi|ton sur|cul ma|mon|sur bite|visage|queue|face|gueule|ma
déshabille|deshabille|désape|dessape|désapes toi|vous
enlève|enleve|retire|vire|baisse ton|ta|tes|le|la haut|chemise|soutif|culotte|vêtements|fringues|pantalon|tee|jupe|soutien|froc
!enlève|retire|baisse le|la|ton pantalon|haut de|du
fous|fout|met|mets|enfonce|carre|fourre toi|te|vous|le|la ça|le|la|ton|ta|tout|où|ou dans|bien|profond|ou|où|je? le|ton|pense? cul|fion|pense|derrière?
tu|elle|ça me|nous fais|fait|donnes bander|mouiller|jouir
à|a quatre pattes salope|chienne|pute|sale|et
suce|sucez|lèche|leche|pompe|branle|baise|doigte moi|nous
~bâtard|bâtards|batard|attardé|attardés|attardée|crève|crevez|clochard|bouffon|bouffonne
bâtard|batard de|va|sale|ta merde|mère|chien|race
je|on|j vais|vas|va|viens|t te|vous|la|tuer|leur tuer|buter|violer|égorger|crever|défoncer|saigner|planter|flinguer|baiser|niquer|éclater|démonter|retrouver
!je vais te|vous retrouver
ta|sa|votre mère|mere|daronne aurait|aurais|devait|a du|dû|mieux|fait|failli te|vous|d|de|t|fait|mieux? avorter|te|avaler|avalé|avortée|tuer
tire|tirez|mets|colle|loge toi|vous une|un balle|bastos|plomb|coup
jette|jetez|balance|lance toi|vous d|du|de|dans|sous|par un|une|le|la|les|l? pont|toit|train|balcon|fenêtre|falaise|métro|immeuble|rails|seine|vide|voiture|camion
personne te|ne|n|t|vous aime|t|vous|te|aimera|regrettera aime|meurs|crève|suicide|tue|mort|regrettera|regretterait
brûlez|brulez|brûler|brûlons|rasez|cramez|détruisez les|toutes|la les? mosquées|mosquée|synagogues|synagogue|églises
les? femmes|meufs|femme|gonzesses à|a|dans|retournez|retourne la|en|à|dans|au cuisine|fourneaux|ménage|la? cuisine?
!les|la? femmes|femme dans|en la? cuisine
te|t|vous & suicides|suicider|suicidez|suicideras|pends|pendre|pendez|tues|flingues|flinguer|noies|noyer|défenestrer|égorger
!te|vous tues|tuer à|au la|travail|travailler|l|rire
espère|souhaite|souhaitons|aimerais|voudrais|veux & crèves|meures|mourir|crever|cancer|mort|morte|suicides|creviez|mouriez
!mourir|mort|morte de|d rire|faim|soif|froid|fatigue|peur
quand|pourquoi|comment & tu|vous & crèves|meurs|suicides|crever|mourir|pends
flingue|pistolet|canon|fusil & bouche|tempe|tête
~branle|branles|branlent|branlez
!branle bas
mets|fous|fourre|met & tête|tete & four|micro|chiottes|wc
~%people & mer|dehors|volent|violent|voleurs|envahissent|mur|cale|polluent|puent
faire|fasses|feras & te|t & tuer|buter|violer|crever|écraser|renverser
interdisez|interdire|virez|expulsez|bannissez tous? les %people
sans & toi & mieux|heureux
plein le cul / conneries / triso|trisos|gogol|gogols
~triso|trisomique
!Tontons flingueurs
`,
}
