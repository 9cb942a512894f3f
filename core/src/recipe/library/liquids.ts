import type { LibraryEntry, Makeup } from './entry'

type Row = Omit<LibraryEntry, 'kind' | 'usual' | 'wetting' | 'contains' | 'inci' | 'effects' | 'cautions'> &
  Partial<Pick<LibraryEntry, 'contains' | 'inci' | 'effects' | 'cautions'>> & {
    /** Parts of the water: least, usual, most. */
    readonly ofWater: readonly [number, number, number]
  }

const made = (waterShare: number, sugarShare = 0, fatShare = 0, alcoholShare = 0): Makeup => ({
  waterShare,
  sugarShare,
  fatShare,
  alcoholShare,
})

const liquid = ({ ofWater: [least, rate, most], ...row }: Row): LibraryEntry => ({
  contains: [],
  inci: '',
  effects: [],
  cautions: [],
  ...row,
  kind: 'liquid',
  usual: { basis: 'water', least, rate, most },
  wetting: null,
})

const milk = {
  place: 'lye',
  ofWater: [0.25, 0.5, 1],
  contains: ['animal'],
  thickener: 'milk',
  effects: ['heats', 'thickens', 'browns', 'foams_more'],
  cautions: ['freeze_first'],
  inci: 'Lac',
} as const
const plantMilk = { ...milk, contains: [], inci: '' } as const
/** Fruit and vegetables go into the fats, where the lye does not scorch them. */
const puree = {
  place: 'fats',
  ofWater: [0.1, 0.3, 0.5],
  thickener: 'fruit',
  effects: ['heats', 'thickens', 'colours'],
  cautions: ['sieve', 'spoils'],
  densityGMl: 1.05,
} as const
const brewed = {
  place: 'lye',
  ofWater: [0.25, 0.5, 1],
  thickener: 'sugar',
  effects: ['heats', 'thickens', 'browns', 'foams_more'],
  cautions: ['boil_off_alcohol', 'freeze_first'],
} as const
const infusion = {
  place: 'lye',
  ofWater: [0.25, 1, 1],
  densityGMl: 1,
  says: 'estimate',
} as const

/**
 * Liquids that bring part of the water. Makeup: typical figures of food composition tables, rounded to what they vary
 * by; densities of milk and purees are the usual 1.03 and 1.05 g/ml. Rates are usual practice, an estimate. A pack that
 * says otherwise goes before them.
 */
export const libraryLiquids: readonly LibraryEntry[] = [
  { ...milk, name: 'Goat milk', words: /\bgoats?.?s? milk\b/, makeup: made(0.87, 0.045, 0.04), inci: 'Caprae Lac' },
  { ...milk, name: 'Buttermilk', words: /\b(buttermilk|kefir|whey)\b/, makeup: made(0.9, 0.048, 0.01) },
  { ...milk, name: 'Yoghurt', words: /\b(yog\w*|skyr|quark)\b/, makeup: made(0.88, 0.047, 0.033) },
  {
    ...plantMilk,
    name: 'Coconut milk',
    words: /\bcoconut (milk|cream)\b/,
    makeup: made(0.73, 0.03, 0.21),
    densityGMl: 0.98,
    inci: 'Cocos Nucifera Fruit Extract',
  },
  {
    ...plantMilk,
    name: 'Oat milk',
    words: /\boat (milk|drink)\b/,
    makeup: made(0.9, 0.04, 0.015),
    thickener: 'oats',
    inci: 'Avena Sativa Kernel Extract',
  },
  {
    ...plantMilk,
    name: 'Almond milk',
    words: /\balmond (milk|drink)\b/,
    makeup: made(0.96, 0.01, 0.012),
    contains: ['nut'],
  },
  { ...plantMilk, name: 'Rice milk', words: /\b(rice|soya?) (milk|drink)\b/, makeup: made(0.89, 0.05, 0.01) },
  { ...milk, name: 'Cream', words: /\bcream\b/, makeup: made(0.58, 0.03, 0.36), densityGMl: 0.99 },
  { ...milk, name: 'Skimmed milk', words: /\bskim\w* milk\b/, makeup: made(0.91, 0.05, 0.002) },
  { ...milk, name: 'Milk', words: /\bmilk\b(?! powder)/, makeup: made(0.88, 0.048, 0.036) },
  { ...puree, name: 'Carrot puree', words: /\bcarrots?\b/, makeup: made(0.9, 0.045, 0.002) },
  { ...puree, name: 'Pumpkin puree', words: /\b(pumpkin|squash)\b(?! seed)/, makeup: made(0.92, 0.033, 0.001) },
  { ...puree, name: 'Cucumber puree', words: /\bcucumbers?\b/, makeup: made(0.955, 0.017, 0.001), densityGMl: 1.02 },
  { ...puree, name: 'Tomato puree', words: /\btomato\w*\b/, makeup: made(0.945, 0.026, 0.002) },
  { ...puree, name: 'Banana puree', words: /\bbananas?\b/, makeup: made(0.75, 0.12, 0.003) },
  { ...puree, name: 'Apple puree', words: /\bapples?\b/, makeup: made(0.86, 0.1, 0.002) },
  {
    ...puree,
    name: 'Avocado puree',
    words: /\bavocado\b(?! oil)/,
    makeup: made(0.73, 0.007, 0.15),
    densityGMl: 1,
  },
  { ...puree, name: 'Berry puree', words: /\b\w*berry\b|\bberries\b/, makeup: made(0.88, 0.06, 0.004) },
  { ...puree, name: 'Fruit puree', words: /\b(fruit|puree|pulp)\b/, makeup: made(0.87, 0.09, 0.002) },
  {
    ...brewed,
    name: 'Beer',
    words: /\b(beer|ale|stout|porter|lager)\b/,
    makeup: made(0.925, 0.03, 0, 0.04),
    densityGMl: 1.01,
    cautions: ['boil_off_alcohol', 'go_flat', 'freeze_first'],
  },
  {
    ...brewed,
    name: 'Cider',
    words: /\b(cider|perry)\b/,
    makeup: made(0.92, 0.03, 0, 0.045),
    densityGMl: 1.01,
    cautions: ['boil_off_alcohol', 'go_flat', 'freeze_first'],
  },
  { ...brewed, name: 'Wine', words: /\bwines?\b/, makeup: made(0.865, 0.01, 0, 0.1), densityGMl: 0.99 },
  {
    ...infusion,
    name: 'Aloe juice',
    words: /\baloe\b(?! powder)/,
    makeup: made(0.985, 0.003),
    effects: ['heats'],
    cautions: ['no_healing_claim'],
    inci: 'Aloe Barbadensis Leaf Juice',
  },
  {
    ...infusion,
    name: 'Herb tea',
    words: /\b(tea|infusion|decoction)\b/,
    makeup: made(0.995),
    effects: ['colours', 'browns'],
    cautions: ['sieve', 'no_healing_claim'],
  },
  {
    ...infusion,
    name: 'Brewed coffee',
    words: /\bbrewed coffee\b|\bcoffee brew\b|\bespresso\b/,
    makeup: made(0.99),
    effects: ['colours', 'browns'],
    inci: 'Coffea Arabica Seed Extract',
  },
  { ...infusion, name: 'Hydrosol', words: /\b(hydrosol|hydrolate|flower water|rose water)\b/, makeup: made(1) },
  {
    ...infusion,
    name: 'Brine, 25 %',
    words: /\bbrine\b/,
    makeup: made(0.75),
    densityGMl: 1.19,
    says: 'table',
    effects: ['hardens', 'foams_less'],
    cautions: ['dissolve_first'],
    inci: 'Sodium Chloride',
  },
  {
    ...infusion,
    name: 'Sea water',
    words: /\bsea ?water\b/,
    makeup: made(0.965),
    densityGMl: 1.03,
    says: 'table',
    effects: ['hardens', 'foams_less'],
    inci: 'Maris Aqua',
  },
  {
    ...infusion,
    name: 'Vinegar, 5 %',
    words: /\bvinegar\b/,
    makeup: made(0.94),
    densityGMl: 1.01,
    ofWater: [0.1, 0.3, 1],
    // 5 % of acetic acid, of which a gram takes 0.6660 g.
    naohG: 0.05 * 0.66604,
    effects: ['hardens'],
    cautions: ['takes_lye'],
    inci: 'Acetum',
  },
  {
    ...infusion,
    name: 'Lemon juice',
    words: /\b(lemon|lime) juice\b/,
    makeup: made(0.92, 0.025),
    densityGMl: 1.03,
    ofWater: [0.05, 0.1, 0.3],
    // About 5 % of citric acid, of which a gram takes 0.6246 g.
    naohG: 0.05 * 0.62455,
    effects: ['less_scum'],
    cautions: ['takes_lye'],
    inci: 'Citrus Limon Juice',
  },
].map((row) => liquid({ densityGMl: 1.03, says: 'table', ...row } as Row))
