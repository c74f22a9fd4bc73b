import { FOOD_NAMES, type Food } from '../../species';
import type { LossCause } from '../../stock';
import {
  JOT_READINGS,
  type Ate,
  type CultureAction,
  type EquipmentPart,
  type EquipmentState,
  type JotReading,
  type JotTankEvent,
} from './terms';

/** What is said of animals with a number beside it. */
export type AnimalVerb =
  | 'loss'
  | 'count'
  | 'left'
  | 'sale'
  | 'move'
  | 'eggs'
  | 'white'
  | 'hatched'
  | 'freeSwimming'
  | 'released'
  | 'birth'
  | 'dropped'
  | 'carrying';
/** What a word or a row of words means by itself. */
export type Meaning =
  | { is: 'animal'; verb: AnimalVerb; cause?: LossCause; /** Says "one" by itself: "a jumper". */ one?: boolean }
  | { is: 'cause'; cause: LossCause }
  | { is: 'sex'; sex: 'males' | 'females'; isOne?: boolean }
  | { is: 'age'; age: 'young' | 'adults' }
  | { is: 'reading'; what: JotReading }
  | { is: 'change' }
  | { is: 'topUp' }
  | { is: 'fed' }
  | { is: 'food'; food: Food }
  | { is: 'culture'; action: CultureAction }
  | { is: 'part'; what: EquipmentPart }
  | { is: 'state'; state: EquipmentState }
  | { is: 'tankEvent'; event: JotTankEvent }
  | { is: 'lengths' }
  | { is: 'sexed' }
  | { is: 'condition' }
  | { is: 'ate'; ate: Ate }
  | { is: 'sign' }
  | { is: 'saw' }
  | { is: 'all' }
  | { is: 'about' }
  | { is: 'to' }
  | { is: 'share'; fraction: number }
  | { is: 'vague' }
  /** No animal of the ledger: a line about it is a note. */
  | { is: 'thing' }
  /** Not done, not now, or not sure: what is said with it is a note. */
  | { is: 'hedge' }
  /** Says nothing by itself; a deed says that a number beside it is none of the water's. */
  | { is: 'filler'; isDeed?: boolean };

const list = (meaning: Meaning, words: string): [string, Meaning][] => words.split('|').map((word) => [word.trim(), meaning]);
const loss = (cause: LossCause, words: string) => list({ is: 'animal', verb: 'loss', cause }, words);

/** Every phrase of a line by its words, in rows of one meaning. A new way to say something is one word more here. */
const ROWS: readonly [string, Meaning][] = [
  ...list(
    { is: 'animal', verb: 'loss' },
    'lost|loss|losses|lose|dead|died|dies|death|deaths|passed away|perished|corpse|corpses|body|bodies|doa|rip|gone|popped off|croaked',
  ),
  ...list({ is: 'animal', verb: 'loss', cause: 'jumped', one: true }, 'jumper|a jumper'),
  ...loss('jumped', 'jumped|jumpers|jumped out|on the floor|carpet surfer'),
  ...loss('eaten', 'eaten|heron|the heron took|heron took|cat took|predated'),
  ...loss('cull', 'culled|cull|culls|put down|euthanised'),
  ...loss('kickedOut', 'kicked out|kicked|threw out of the cave'),
  ...loss('drained', 'siphoned|siphoned off|sucked up'),
  ...loss('gift', 'gave away|given away|gifted'),
  ...list({ is: 'cause', cause: 'fungus' }, 'fungus|fungussed eggs'),
  ...list({ is: 'cause', cause: 'eaten' }, 'ate'),
  ...list({ is: 'cause', cause: 'deformed' }, 'deformed|crooked|bent spine|bent'),
  ...list({ is: 'cause', cause: 'moult' }, 'moult|moulting|molt|molting|bad moult|failed moult'),
  ...list({ is: 'cause', cause: 'fought' }, 'fought|fight|fighting|killed|beaten up'),
  ...list({ is: 'cause', cause: 'heat' }, 'heat|overheated|cooked'),
  ...list({ is: 'cause', cause: 'cold' }, 'cold|chilled|frost|frozen solid'),
  ...list({ is: 'cause', cause: 'unknown' }, 'unknown|no idea why'),
  ...list({ is: 'animal', verb: 'count' }, 'count|counted|counting|alive|headcount|head count|tally|remaining|remain|in total'),
  ...list({ is: 'animal', verb: 'left' }, 'left|still there|still in'),
  ...list({ is: 'animal', verb: 'sale' }, 'sold|sale|sell|sales'),
  ...list({ is: 'animal', verb: 'move' }, 'move|moved|moving|transferred|transfer|shifted|put|mv'),
  ...list({ is: 'animal', verb: 'eggs' }, 'egg|eggs|clutch|spawned|laid|spawn|laid eggs|clutch of'),
  ...list(
    { is: 'animal', verb: 'white' },
    'white|whites|fungused|fungussed|white eggs|eggs white|furry eggs|bad eggs|white ones',
  ),
  ...list(
    { is: 'animal', verb: 'hatched' },
    'hatched|hatch|hatching|wrigglers|wriggling|wigglers|wriggler|hatched out|eggs hatched|eggs hatching',
  ),
  ...list(
    { is: 'animal', verb: 'freeSwimming' },
    'swimming|free-swimming|freeswimming|swim|swam|free swimming|free swimmers|swimmers|swim up|swimming free|swimming now|up and swimming|freeswimmers',
  ),
  ...list({ is: 'animal', verb: 'released' }, 'released|release|let go|spat|spat out|releasing|let them go'),
  ...list(
    { is: 'animal', verb: 'birth' },
    'born|birth|gave birth|given birth|had fry|had babies|had young|delivered|newborn|newborns',
  ),
  ...list({ is: 'animal', verb: 'dropped' }, 'dropped|dropped fry|has dropped'),
  ...list(
    { is: 'animal', verb: 'carrying' },
    'berried|carrying|holding|carrying eggs|holding eggs|berried females|berried female',
  ),
  ...list({ is: 'sex', sex: 'males' }, 'm|males|boys'),
  ...list({ is: 'sex', sex: 'males', isOne: true }, 'male|boy'),
  ...list({ is: 'sex', sex: 'females' }, 'f|females|girls|hens'),
  ...list({ is: 'sex', sex: 'females', isOne: true }, 'female|girl|hen'),
  ...list(
    { is: 'age', age: 'young' },
    'young|fry|juvenile|juveniles|juvies|juvie|shrimplets|shrimplet|babies|baby|youngsters|juvs',
  ),
  ...list({ is: 'age', age: 'adults' }, 'adult|adults|parent|parents|breeder|breeders|mother|father|mum|dad'),
  ...(Object.entries(JOT_READINGS) as [JotReading, { words: readonly string[] }][]).flatMap(([what, { words }]) =>
    list({ is: 'reading', what }, words.join('|')),
  ),
  ...list(
    { is: 'change' },
    'change|changed|wc|waterchange|water change|w/c|water changed|changed water|water changes|changing|pwc',
  ),
  ...list({ is: 'topUp' }, 'topped up|top up|topped off|top off|topup|topped|topoff'),
  ...list({ is: 'fed' }, 'feed|fed|feeding|gave|given|feeds'),
  ...list({ is: 'culture', action: 'harvested' }, 'harvested|harvest|harvesting'),
  ...list({ is: 'culture', action: 'started' }, 'started|start|set up|setup|began|begun|started new|started a new|new'),
  ...list({ is: 'culture', action: 'split' }, 'split|divided|subcultured|splitted'),
  ...list({ is: 'culture', action: 'ripe' }, 'ripe|is ripe|looks ripe'),
  ...list({ is: 'culture', action: 'crashed' }, 'crashed|crash|collapsed|smells foul|stinks|gone off|foul'),
  ...list(
    { is: 'culture', action: 'ended' },
    'ended|binned|threw out|thrown out|threw away|dumped|finished|chucked|chucked out|tipped out',
  ),
  ...list({ is: 'part', what: 'heater' }, 'heater|heaters|heating'),
  ...list({ is: 'part', what: 'filter' }, 'filter|filters|sponge|sponge filter|pump|canister'),
  ...list({ is: 'part', what: 'light' }, 'light|lights|lamp|lamps|led'),
  ...list({ is: 'part', what: 'air' }, 'air|airstone|air stone|air-stone|airpump|air pump|bubbler|airline'),
  ...list({ is: 'state', state: 'off' }, 'off|unplugged|turned off|switched off|was off|is off'),
  ...list({ is: 'state', state: 'on' }, 'on|back on|turned on|switched on|running again|plugged in'),
  ...list(
    { is: 'state', state: 'failed' },
    'failed|broken|broke|failing|packed up|conked out|kaput|blew|blown|stopped|clogged|tripped',
  ),
  ...list({ is: 'state', state: 'cleaned' }, 'cleaned|clean|cleaned out|serviced|squeezed|squeezed out'),
  ...list({ is: 'tankEvent', event: 'rinsed' }, 'rinsed|rinsed out'),
  ...list({ is: 'tankEvent', event: 'disinfected' }, 'disinfected|bleached|sterilised|sterilized'),
  ...list({ is: 'tankEvent', event: 'filled' }, 'filled|refilled|filled up|full again'),
  ...list({ is: 'tankEvent', event: 'emptied' }, 'emptied|drained|emptied out|drained down|tank emptied'),
  ...list({ is: 'lengths' }, 'length|lengths|measured|measure|measuring|sizes|size'),
  ...list({ is: 'sexed' }, 'sexed|sexing'),
  ...list({ is: 'condition' }, 'condition|cond|score|scored|bcs|condition score|body condition'),
  ...list(
    { is: 'ate', ate: 'all' },
    'all gone|ate all|all eaten|ate everything|ate it all|cleared|ate the lot|none left|wolfed it|eaten up',
  ),
  ...list({ is: 'ate', ate: 'some' }, 'ate some|half eaten|ate half|ate a bit|picked at it'),
  ...list(
    { is: 'ate', ate: 'left' },
    'left some|some left|left over|leftovers|left it|ate nothing|untouched|not eaten|lots left|ignored it|uneaten',
  ),
  ...list(
    { is: 'sign' },
    'chasing|courting|dancing|displaying|digging|fanning|guarding|nest|nesting|bubble nest|spawning|gravid|tubes|saddle|saddled|moulted|molted|moult seen|hiding|gasping|flashing|clamped|clamped fins|white spots|torn fins|not eating|cloudy|pale|coloured|fat|thin|plump|eyed|eyes showing|eyed up|scratching|gilling|bloated|sunken|egg spots',
  ),
  ...list({ is: 'saw' }, 'saw|seen|note|noted|sign|looks|nb|n.b'),
  ...list({ is: 'all' }, 'all|everyone|everything|the lot|all of them|all the'),
  ...list({ is: 'about' }, 'about|ca|c|circa|approx|approximately|around|roughly|~|some|say|abt|aprox|near|ish|-ish|+'),
  ...list({ is: 'to' }, 'to|into|->|→|>|=>|2nd tank'),
  ...list({ is: 'share', fraction: 1 / 2 }, 'half|a half'),
  ...list({ is: 'share', fraction: 1 / 3 }, 'third|a third|one third'),
  ...list({ is: 'share', fraction: 1 / 4 }, 'quarter|a quarter|one quarter'),
  ...list({ is: 'share', fraction: 1 / 5 }, 'fifth|a fifth'),
  ...list({ is: 'share', fraction: 1 / 10 }, 'tenth|a tenth'),
  ...list({ is: 'vague' }, 'few|several|lots|many|loads|handful|tons|hundreds|dozens|heaps|plenty|most|bunch|couple'),
  ...list(
    { is: 'thing' },
    'plant|plants|snail|snails|moss|leaf|leaves|rock|rocks|wood|cave|caves|pot|pots|mop|mops|cone|cones|tube|shells|stone|stones|net|nets|lid|lids|glass|sand|gravel|soil|algae|worm|bag|bags|tin|bulb|fuse|hose|thermometer|meter|strip|strips|bucket|buckets|duckweed|salt|oak|almond|catappa',
  ),
  ...list(
    { is: 'hedge' },
    "no|not|none|never|nothing|nobody|without|didn't|didnt|hasn't|hasnt|haven't|havent|isn't|isnt|aren't|arent|don't|dont|doesn't|doesnt|won't|wont|can't|cant|couldn't|wasn't|wasnt|neither|nor|nope|yet|should|shall|will|would|could|might|maybe|perhaps|tomorrow|soon|later|if|unless|whether|expect|expected|expecting|due|plan|planning|planned|need|needs|want|wants|todo|to do|remember|remind|reminder|order|buy|ask|asked|check|think|thinking|thought|guess|hope|hoping|seem|seems|almost|nearly|about to|going to|gonna|likely|probably|possibly|ready to|wait|waiting|before|until|till|next|try|trying|must|wonder|wondering|instead|wrong|cancel|undo|forgot|mistake|oops|sorry|ignore|delete|stop|supposed|meant|suspect|why|who|how|when|where|which|what|tonight?|could be|looks like|supposed to|than|usually|always|normally",
  ),
  ...list(
    { is: 'filler' },
    "and|of|the|in|is|was|were|are|fish|animals|out|water|by|from|with|them|&|i|we|just|also|then|there|it|its|it's|this|that|these|again|so|they|at|for|has|have|had|been|be|my|their|his|her|from the|only|plus|further|tank|out of|up|down|over|mop eggs|off the|inside|ones|culture|cultures|cause|under|behind|beside|onto|seeing|a|an",
  ),
  ...list({ is: 'filler', isDeed: true }, 'picked|found|took|taken|removed|got|get|more|another|extra|each|done|did'),
  ...list({ is: 'animal', verb: 'eggs' }, 'mop eggs'),
];

/** Short and other names of foods, besides their own. */
const FOOD_WORDS: Partial<Record<Food, string>> = {
  brineShrimp: 'bbs|bs|artemia|nauplii|brine|brine shrimp|baby brine shrimp|baby brine|brineshrimp',
  infusoria: 'infusoria|infu|infus|infusorian',
  paramecium: 'paramecia|para|parameciums',
  rotifer: 'rotifer|rotifers',
  vinegarEel: 'vinegar eel|eels|eel|vinegar|vin eels',
  microworm: 'microworm|micro|micros|microworms|micro worms',
  grindal: 'grindal|grindals|grindalworms',
  whiteWorm: 'whiteworm|whiteworms|white worm|white worms',
  daphnia: 'daphnids|daph|daphnia|water fleas|waterfleas',
  moina: 'moina|moinas',
  crushedDry: 'flake|flakes|dry|crushed|crushed flake|dry food',
  finePowder: 'powder|dust|fry powder|fine powder',
  pellets: 'pellet|granules|granulate|pellets',
  frozen: 'frozen|cubes|frozen cube|cube',
  bloodworm: 'bloodworms|bloodworm|blood worm|blood worms',
  vegetables: 'vegetable|veg|veggies|greens|spinach|cucumber|courgette|pea|peas|zucchini',
  wafers: 'wafer|wafers',
  greenWater: 'green water|greenwater',
  biofilm: 'biofilm',
};
const FOOD_ROWS: readonly [string, Meaning][] = (Object.entries(FOOD_NAMES) as [Food, string][]).flatMap(([food, name]) =>
  [name, ...(FOOD_WORDS[food] ?? '').split('|')]
    .filter(Boolean)
    .map((word): [string, Meaning] => [word.toLowerCase(), { is: 'food', food }]),
);

/** Everything a line can say, by its words in lower case; the words of a food go before a filler of the same name. */
export const LEXICON: ReadonlyMap<string, Meaning> = new Map([...ROWS, ...FOOD_ROWS]);
/** Most words a row of the lexicon has. */
export const LONGEST_ROW = Math.max(...[...LEXICON.keys()].map((words) => words.split(' ').length));

const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
/** A number written as a word; null for any other word. */
export const numberWord = (word: string): number | null => (NUMBERS.includes(word) ? NUMBERS.indexOf(word) + 1 : null);

/** Words of times, which `readWhen` knows: a slip in one of them is not taken for another word. */
export const TIME_WORDS: readonly string[] =
  'now|today|yesterday|tonight|overnight|morning|afternoon|evening|night|noon|midday|midnight|last|this|since|ago|hour|hours|minute|minutes|days|day|week|weeks|monday|tuesday|wednesday|thursday|friday|saturday|sunday|january|february|march|april|june|july|august|september|october|november|december'.split(
    '|',
  );

/** Everyday words that lie near one of ours and are no slip of it. */
export const EVERYDAY: ReadonlySet<string> = new Set(
  `
   alive already another aside baby band barn battle beater bench bend bender berry beside better bike binder bite bites
   bitten bitter boar board body bold border bother bottle bound branch bread brother bubbles bump bunch burn busy butter
   catch cattle chained chance charge chart cherry chopped cider cinder clear cleared clench clever cold colder come cool
   cooler corn couch could county court cover covered covers crab crap crazy cream cropped crunch date deaf deal dear decide
   ditch divide double dove drab drag drawn dream drench dried dump early eight empty even evens event every fair father
   feather feel feet felt fender ferry fight file fill filler find finder fine flow flower fold folder found four french
   fried game gate gather gave gender give gives glider gold grab gray great green grey ground group grow growing grown hair
   hand happy hard hater haunch head hear heard heart heated here hers hide hike hitch hold holder hole home hose hotter
   hour hump hunch hurry inside itch jump kettle kind kite know lady land last late lately later launch lazy lead leather
   leave leaves leaving lend lender letter level levels lied like liked likes line list litter little live lives loose
   looses lots love lower lowered lump lunch macro match matter merry middle mind minder mine more mother mould mount mover
   moves much munch mutter name names nearly need never nine nose note notes older orange order other others outer outside
   oven over pair part parts party patch paunch pitch place placed plan plane plate play please pleased plump poor port
   pouch pound pour poured power propped provide pump punch quench quiet quite rally ranch rather read ready really render
   reside rich ride rider right rose round same sand scare seed send sender settle settled seven shallow shed ship shirt
   shop shore short shoulder shout show shown shrine shut side sight skip slider slip slow slower snow sole solid some sorry
   sort sorted soul sound sour spanned speed spider spore sport spot spots stars start staunch stay stays steady steam
   stench step steps stitch stop stopped store story stream strip strips stump such swift swimsuit swirl swiss switch tend
   tender their there these those three thump thunder tied tinder told torn touch tour tower trap traps tray trays tree
   trench trip trouble twitch under utter very watch weather weed wench whether which while whine white whole wide wider
   winder wine witch wonder worn worry would wrap wrench write wrote your
  `
    .trim()
    .split(/\s+/),
);
