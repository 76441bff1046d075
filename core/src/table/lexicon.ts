/**
 * What words in heads of columns mean, in English, German, French, Spanish, Italian, Portuguese and Dutch.
 *
 * Written without accents and in small letters. A word that ends in `-` begins others, one that begins with `-` ends them, as
 * German and Dutch put words together; one without either stands alone or with an ending of two letters.
 */
const WORDS = {
  // Time and place
  date: "date yyyymmdd jjjjmmtt aaaammdd datum -datum -date dia day tag jour fecha data dag giorno taken sampled entnahme- probenahme- prelev- fechamuestreo picked harvested harvestdate geerntet recolte monsterdatum campione-data campionamento muestreo colheita oogstdatum",
  time: "time hh hhmm clock hour hours zeit uhrzeit heure hora ora ore uur tijd tijdstip uhr hrs orario",
  stamp:
    "stamp ts timestamp datetime zeitstempel zeitpunkt horodat- fechahora fecha-hora datumzeit datum-zeit tijdstempel when utc dataora datahora",
  zone: "zone paddock where place house bed field block plot from bay tunnel greenhouse compartment haus gewachshaus beet feld schlag parzelle standort ort abteil parcelle serre chapelle planche lieu parcela invernadero lugar sector cuadro parcella serra luogo settore appezzamento estufa talhao canteiro local kas afdeling perceel vak zona crop kultur culture cultivo coltura cultura gewas location site sitio",
  paper:
    "report reported print printed issued issue received receipt ordered order bericht prufbericht druck gedruckt ausgabe eingang auftrag rapport edition emission reception commande informe emision recepcion impreso referto emissione ricezione relatorio emissao recepcao ontvangst ontvangen rapportdatum uitgifte verslag",
  note: "note notes remark- comment- seen bemerkung- anmerkung- notiz- remarque- commentaire- observa- nota notas commenti osserva- opmerking-",
  sample:
    "sample point punto entnahmestelle probestelle messstelle forage brunnen well pozo puits probe echantillon muestra campione amostra monster labor- labnr reference ref analysis",
  /** how and where it was measured, which changes nothing of what it is */
  plain:
    "rel relative relativ relativa relatief on at am le el il op em mean average avg mittel mittelwert mw moyenne media medio promedio gemiddeld gemiddelde tot out outside outdoor aussen ext exterior exterieur esterna externa esterno externo buiten speed velocity geschwindigkeit vitesse velocidad velocita velocidade snelheid sensor logger station reading ablesung the of de des du la le del della do da van von und and et y e wert mm24 electrical elektrische electrique electrica elettrica elektrisch current now instant id code",
  /** with what a laboratory took it out of the soil, which it names beside what it found */
  extractant:
    "olsen bray bray1 bray2 p1 p2 mehlich mehlich3 mehlich1 m3 cal doppellactat dl aae10 aae egner riehm morgan lancaster dtpa edta acetate nh4oac ammoniumacetate joret hebert dyer kelowna schachtschabel",
  // What is measured
  temperature: "temp temperature temperatur temperatura temperat- -temperatur -temp t ta tair tl airtc",
  air: "air luft aria aire ar lucht",
  humidity:
    "lf hum humid- humed- umid- rh rf hr ur rv feuchte -feuchte feucht- luftfeuchte luftfeuchtigkeit vocht- luchtvochtigheid damp moisture hygro- relhum",
  wind: "wind windspeed windgeschw- vent vitessevent viento vento windsnelheid ff ws wspd windspd",
  radiation:
    "solar radiation rad slr slrw solare radiat- sun sunlight global globale globalstrahlung strahlung -strahlung rayonnement radiacion radiazione radiacao irradi- straling zonnestraling insolation glob ghi rg rs sw shortwave light einstrahlung pyranometer soleil",
  rain: "rain rainfall precip precipit- niederschlag- regen regenmenge pluie pluvio- pluvia- lluvia pioggia chuva neerslag prcp rr",
  inside: "inside indoor innen interieur interior interno binnen int",
  dew: "dew taupunkt rosee rocio rugiada orvalho dauwpunt dewpoint",
  soil: "soil boden sol suelo suolo solo bodem erde root roots wurzel racine raiz radice wortel substrat- substrate ground erdboden mat",
  leaf: "leaf blatt feuille hoja foglia folha blad leafwet- wetness",
  direction: "direction richtung windrichtung dir dire- direccion direzione direcao richting windrichting deg bearing",
  gust: "gust gusts boe boen boeen bo rafale- racha rachas raffica rajada windstoot -boe windspitze max maximum maxima massimo maximale hi high",
  least: "min minimum minima minimo low mini",
  index: "index feels chill heat gefuhlt ressenti sensacion",
  battery: "battery batterie bateria batteria batterij volt voltage akku rssi signal",
  pressure: "pressure druck luftdruck pression presion pressione pressao baro- barometer luchtdruk qfe qnh press",
  duration: "duration shine sonnenschein- insolation-h hours-of dauer duree duracion durata",
  uv: "uv uvi uva",
  deficit: "deficit vpd dpv sattigungsdefizit",
  par: "par ppfd photons quantum",
  // Root zone
  ec: "ms us µs ec ce lf cond conduct- conductiv- leitf- leitwert conducib- condutiv- geleidbaar- geleiding egv tds ppm cf elektr-",
  ph: "ph phwert -ph",
  drain:
    "drain drained drainage dran drane dranage drain- dranwasser drainwasser lixivi- drenaj- drenado drenagg- drenag- lisciviat- percol- leach- runoff rinsate overdrain out salida sortie uscita saida ablauf uitloop sickerwasser",
  drip: "drip dripper drippers drips tropf- tropfer goutt- gotero goteo gocciol- gotej- gotejador druppel- druppelaar dropper emitter emitters",
  feed: "feed feeding given mix mixed input irrig- giess- giesswasser gabe gift zulauf apport entree entrada ingresso aporte riego bewasser- arrosage irrigacao voeding voedingswater nahrlosung nutritive nutritiva nutriente-solution in",
  tank: "tank tanks reservoir- bak becken bassin deposito balsa vasca solution losung nahrlosung solucion soluzione solucao oplossing nutrient",
  share:
    "share percent pct anteil part taux porcentaje percentage percentuale percentagem proporcion quote rate fraction",
  tray: "tray gutter rinne gouttiere bandeja canal canalon canaletta bak goot schale wanne auffang- collected tray-ml",
  jug: "jug cup can measured becher messbecher kanne pichet jarra caraffa maatbeker beaker bottle",
  volume: "volume volumen menge wassermenge quantity quantite cantidad quantita quantidade hoeveelheid amount",
  number:
    "number count no anzahl zahl stuck stuckzahl nombre numero cantidad-de aantal stuks pezzi pecas pieces units fruit fruits fruchte fruta frutos frutti heads kopfe stems stiele tiges tallos bunches",
  level: "level pegel niveau nivel livello waterstand wasserstand stand",
  tension:
    "tension tensio- tensiometer saugspannung potential potentiel potencial matric zuigspanning suction watermark cb",
  co2: "co2 carbon",
  // Harvest
  grade:
    "grade class quality sorte sorti- klasse qualitat- handelsklasse categor- kategorie calibre calidad qualite qualita qualidade klasse kwaliteit sortering",
  amount:
    "kg weight mass gewicht -gewicht masse poids peso massa menge ertrag rendement rendimiento harvest ernte erntemenge recolte cosecha raccolto colheita oogst amount lb lbs kilos kilogram- yield t",
  /** what is counted by what it holds */
  crate:
    "crate crates cr box boxes bin bins tray trays flat flats punnet punnets carton cartons lug lugs kiste kisten steige steigen caisse caisses cagette cagettes caja cajas cassetta cassette caixa caixas krat kratten",
  brix: "brix sugar zucker sucre azucar zucchero acucar suiker",
  // Soil
  depth:
    "prof laag depth layer horizon tiefe bodentiefe profond- profund- profondita diepte laag schicht entnahmetiefe",
  texture: "texture bodenart textur- textura tessitura grondsoort soiltype type bodentyp",
  organic:
    "organic humus om os org mo matiereorganique materiaorganica sostanzaorganica organische organique organica oc toc corg glv",
  mineral: "mineral mineralise- nmin minerale mineralisch- minerale available verfugbar- disponib-",
  exchange: "cec kak cic csc ctc kationenaustausch- exchange",
  KCl: "kcl",
  calciumChloride: "cacl2 calciumchlorid",
  water: "water h2o eau agua acqua wasser",
  // Fertilisers
  product:
    "product name fertili- dunger dungemittel engrais fertiliz- abono concime adubo meststof produkt produit producto prodotto produto item artikel bezeichnung handelsname salt dungersalz",
  composition:
    "analysis analyse analisi analisis npk formule formula grade composition zusammensetzung composicion composicao composizione samenstelling gehalte gehalt",
  form: "form forme forma vorm aggregat- zustand",
  total: "total totale gesamt gesamt- totaal tot ges sum whole kjeldahl",
  urea: "urea amid amide carbamid harnstoff uree ureum ureico ureique ureic ureica",
  bag: "bag sack sac saco sacco zak can pack packung gebinde gebindegrosse conditionnement envase verpakking canister kanister bidon size grosse",
  bags: "bags sacks sacke sacs sacos sacchi zakken",
  density: "density dichte densite densidad densita densidade dichtheid specific",
  price: "price cost preis kosten prix cout precio coste prezzo costo preco custo prijs",
  stock: "stock hand left bestand lagerbestand lager vorrat existenc- scorta giacenza stock- voorraad remaining onhand",
  // Tables of results
  parameter:
    "parameter parametre parametro analyte determination determinand bestimmung- element elemento elemente nutrient nahrstoff analysis untersuchung- grosse bepaling kenngrosse wert-name merkmal messgrosse constituent component item param reading readings measure",
  value:
    "value result results found ergebnis- messwert wert gehalt resultat- valeur valor valores risultat- valore waarde uitslag uitkomst content concentration konzentration concentra- measured gemessen befund teneur",
  unit: "um udm ud uds eenh einh unit units einheit- unite unites unidad- unita eenheid- unidade-",
  limit:
    "limit limits detection quantification quantifica- detec- rilevabil- nachweis- aantoonbaar- reporting rpl pql grenzwert- bestimmungsgrenze nachweisgrenze loq lod bg ng mdl rl limite- seuil norm norma norme normal range target optimum optimal richtwert sollwert soll- sollbereich objetivo obiettivo streefwaarde max-allowed guideline reference- threshold plage rango",
  method: "method methode- metodo metodi methodik verfahren norm-method din iso procedure",
  // Substances, by name and formula
  N: "n nitrogen stickstoff azote nitrogeno azoto stikstof -stickstoff",
  nitrate: "no3 nitrate nitrat nitrato nitrati nitraat nitrates nitrique nitrico nitric nitratstickstoff nitrat-",
  nitrite: "no2 nitrite nitrit nitrito",
  ammonium:
    "nh4 ammonium ammonia ammonio amonio amoniacal ammoniacal ammoniakal- ammoniumstickstoff ammoniak ammonium- amonio ammoniaque",
  phosphate: "po4 h2po4 hpo4 phosphate phosphat fosfat- fosfaat orthophosph- fosfato",
  P: "p phosphor phosphorus phosphore fosforo fosfor",
  P2O5: "p2o5 phosphoricacid",
  K: "k potassium kalium potasio potassio",
  K2O: "k2o potash kali",
  Ca: "ca calcium kalzium calcio",
  CaO: "cao",
  Mg: "mg magnesium magnesio",
  MgO: "mgo",
  Na: "na sodium natrium sodio",
  Cl: "cl chloride chlorid chlorure cloruro cloreto clorur- chlor chloor cloro chlorine",
  sulfate: "so4 sulfate sulphate sulfat sulfato solfat- sulfaat sulfates",
  S: "s sulfur sulphur schwefel soufre azufre zolfo enxofre zwavel",
  SO3: "so3",
  bicarbonate:
    "hco3 bicarbonate bicarbonat hydrogencarbonate hydrogenkarbonat hydrogencarbonat bicarbonato bicarbonaat hydrogenocarbonate",
  carbonate: "co3 carbonate karbonat carbonat carbonato",
  alkalinity:
    "alkalinity alkalinitat alcalinite alcalinidad alcalinita alcalinidade alkaliniteit saurekapazitat ks43 acidcapacity tac karbonatharte carbonatharte",
  acid: "acid saure acide acido zuur",
  capacity: "capacity kapazitat capacite capacidad capacita",
  hardness: "hardness harte gesamtharte wasserharte durete dureza durezza hardheid gh",
  Si: "si silicon silicium silizium silicio",
  silica: "silica sio2 kieselsaure silice silicic",
  Fe: "fe iron eisen fer hierro ferro ijzer",
  Mn: "mn manganese mangan manganeso mangaan manganes",
  Zn: "zn zinc zink zinco",
  B: "b boron bor bore boro borium",
  Cu: "cu copper kupfer cuivre cobre rame koper",
  Mo: "mo molybd- molibd-",
  solids:
    "suspended tss filterable schwebstoff- abfiltrierbar- suspension suspendid- sospes- zwevende ts mes trockensubstanz",
} as const;

export type Concept = keyof typeof WORDS;

interface Entry {
  readonly word: string;
  readonly concept: Concept;
}

const WHOLE = new Map<string, Concept[]>();
const BEGINS: Entry[] = [];
const ENDS: Entry[] = [];
for (const [concept, words] of Object.entries(WORDS) as [Concept, string][])
  for (const word of new Set(words.split(" "))) {
    if (word.endsWith("-")) BEGINS.push({ word: word.slice(0, -1), concept });
    else if (word.startsWith("-")) ENDS.push({ word: word.slice(1), concept });
    else {
      const plain = word.replaceAll("-", "");
      WHOLE.set(plain, [...(WHOLE.get(plain) ?? []), concept]);
    }
  }

/** All that a word may mean; none where no list of words has it. */
export function conceptsOf(word: string): readonly Concept[] {
  return [
    ...new Set([
      ...(WHOLE.get(word) ?? []),
      ...BEGINS.filter((entry) => word.startsWith(entry.word)).map(({ concept }) => concept),
      ...ENDS.filter((entry) => word.endsWith(entry.word)).map(({ concept }) => concept),
    ]),
  ];
}

/** Words that stand whole, for the search of a slip of the pen. */
export const WHOLE_WORDS: readonly string[] = [...WHOLE.keys()];
