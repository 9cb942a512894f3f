import type { NewIngredient, NewLot } from '@vendange/contract'

/** An ingredient of the demo with its deliveries, [lot, day it came, amount, price in cents, best before]. */
export interface DemoIngredient {
  readonly details: NewIngredient
  readonly supplier: string
  readonly lots: readonly (Pick<
    NewLot,
    'lotNumber' | 'receivedDay' | 'receivedAmount' | 'priceCents' | 'bestBeforeDay'
  > &
    Partial<Pick<NewLot, 'isRecalled' | 'openedDay' | 'certificate'>>)[]
}

type LotOfDemo = DemoIngredient['lots'][number]

const lot = (
  lotNumber: string,
  receivedDay: string,
  receivedAmount: number,
  priceCents: number,
  bestBeforeDay: string | null = null,
  more: Partial<LotOfDemo> = {},
): LotOfDemo => ({ lotNumber, receivedDay, receivedAmount, priceCents, bestBeforeDay, ...more })

const ingredient = (
  kind: NewIngredient['kind'],
  name: string,
  ref: string,
  supplier: string,
  lots: readonly LotOfDemo[],
  more: Partial<NewIngredient> = {},
): DemoIngredient => ({
  details: {
    kind,
    name,
    ref,
    leadDays: 5,
    packSize: 0,
    perBar: 0,
    densityGMl: null,
    makeup: null,
    inci: '',
    listCents: 0,
    isListEstimate: true,
    notes: '',
    ...more,
  },
  supplier,
  lots,
})

const fat = (name: string, ref: string, packSize: number, ...lots: readonly LotOfDemo[]): DemoIngredient =>
  ingredient('fat', name, ref, 'Oil merchant', lots, { packSize, leadDays: 4 })
const scent = (name: string, ...lots: readonly LotOfDemo[]): DemoIngredient =>
  ingredient('scent', name, '', 'Scent house', lots, { packSize: 100, leadDays: 8 })
/** @param inci the number of a pigment of its hue in the colour index */
const colourant = (name: string, inci: string, ...lots: readonly LotOfDemo[]): DemoIngredient =>
  ingredient('colourant', name, '', 'Pigment counter', lots, { packSize: 50, leadDays: 6, inci })

/** What the made-up workshop keeps. */
export const demoStores: readonly DemoIngredient[] = [
  fat(
    'Olive oil',
    'olive',
    5000,
    lot('O-2602', '2026-02-20', 12_000, 10680, '2027-08-31'),
    lot('O-2701', '2027-01-18', 5000, 4550, '2028-06-30', { openedDay: '2027-02-20' }),
  ),
  fat(
    'Coconut oil',
    'coconut',
    5000,
    lot('C-2601', '2026-02-20', 8000, 4160, '2028-01-31', {
      certificate: { sapKoh: 257.5, tolerance: 1.5, day: '2026-02-11' },
    }),
    lot('C-2702', '2027-02-04', 5000, 2700, '2029-01-31', {
      certificate: { sapKoh: 256, tolerance: 1.5, day: '2027-01-29' },
    }),
  ),
  fat(
    'Shea butter',
    'shea',
    1000,
    lot('S-18', '2026-02-20', 3000, 2940, '2027-11-30'),
    lot('S-21', '2027-01-18', 2000, 2050, '2028-10-31'),
  ),
  fat('Rice bran oil', 'rice_bran', 1000, lot('R-7', '2026-02-20', 3000, 1920, '2027-09-30')),
  fat(
    'Castor oil',
    'castor',
    1000,
    lot('K-31', '2026-02-20', 3000, 2280, '2028-02-28'),
    lot('K-29', '2025-06-10', 400, 300, '2026-02-28'),
  ),
  fat(
    'Sunflower oil (high oleic)',
    'sunflower_high_oleic',
    5000,
    lot('H-4', '2026-02-20', 2000, 760, '2027-07-31'),
    lot('H-6', '2027-02-04', 2000, 790, '2028-07-31'),
  ),
  fat('Cocoa butter', 'cocoa_butter', 500, lot('B-12', '2026-02-20', 900, 1480, '2028-02-28')),
  fat('Rapeseed oil (low erucic)', 'rapeseed_low_erucic', 5000, lot('P-9', '2026-02-20', 5000, 1700, '2027-06-30')),
  fat('Babassu oil', 'babassu', 1000, lot('A-3', '2026-02-20', 4000, 5000, '2027-12-31')),
  fat('Mango butter', 'mango_butter', 1000, lot('M-5', '2026-02-20', 3000, 4350, '2027-12-31')),
  ingredient(
    'alkali',
    'Sodium hydroxide',
    'naoh',
    'Chemist',
    [lot('N-551', '2026-02-20', 4500, 1890), lot('N-560', '2027-01-18', 5000, 2150)],
    { packSize: 1000, leadDays: 3 },
  ),
  scent('Citrus peel blend', lot('Z-14', '2026-02-20', 500, 4900, '2027-09-30')),
  scent('Linen steam blend', lot('L-8', '2026-02-20', 400, 3760, '2027-12-31')),
  scent('Cold iron blend', lot('I-3', '2026-02-20', 200, 2050, '2027-08-31')),
  scent('Wet stone blend', lot('W-2', '2026-02-20', 150, 1500, '2027-10-31')),
  scent('Polished wood blend', lot('D-6', '2026-02-20', 120, 1250, '2027-10-31')),
  scent(
    'Amber blend',
    lot('Y-4', '2026-02-20', 30, 320, '2027-09-30'),
    lot('Y-5', '2027-02-04', 200, 2100, '2028-09-30', { isRecalled: true }),
  ),
  colourant('carriage blue', 'CI 77007', lot('11', '2026-02-20', 25, 540)),
  colourant('lamp amber', 'CI 77492', lot('12', '2026-02-20', 40, 980)),
  colourant('signal red', 'CI 77491', lot('13', '2026-02-20', 30, 1150)),
  colourant('line night', 'CI 77499', lot('14', '2026-02-20', 30, 450)),
  colourant('go amber', 'CI 77492', lot('15', '2026-02-20', 2, 60)),
  colourant('soot', 'CI 77499', lot('16', '2026-02-20', 80, 700)),
  colourant('club red', 'CI 77491', lot('17', '2026-02-20', 120, 2600)),
  colourant('oar white', 'CI 77891', lot('18', '2026-02-20', 120, 1500)),
  colourant('night indigo', 'CI 77007', lot('19', '2026-02-20', 5, 180)),
  colourant('violet', 'CI 77742', lot('20', '2026-02-20', 30, 1350)),
  colourant('dawn rose', 'CI 77491', lot('21', '2026-02-20', 30, 1350)),
  colourant('malachite', 'CI 77288', lot('22', '2026-02-20', 50, 1900)),
  colourant('deep green', 'CI 77289', lot('23', '2026-02-20', 40, 1600)),
  colourant('light band', 'CI 77891', lot('24', '2026-02-20', 25, 1200)),
  colourant('flint', 'CI 77499', lot('25', '2026-02-20', 40, 900)),
  colourant('quartz rose', 'CI 77491', lot('26', '2026-02-20', 40, 1700)),
  colourant('seam', 'CI 77891', lot('27', '2026-02-20', 20, 1100)),
  colourant('dusk', 'CI 77007', lot('28', '2026-02-20', 60, 900)),
  colourant('rail', 'CI 77499', lot('29', '2026-02-20', 60, 900)),
  colourant('night', 'CI 77499', lot('30', '2026-02-20', 60, 900)),
  colourant('rust', 'CI 77491', lot('31', '2026-02-20', 60, 900)),
  colourant('sand', 'CI 77492', lot('32', '2026-02-20', 60, 900)),
  colourant('ochre', 'CI 77492', lot('33', '2026-02-20', 60, 900)),
  colourant('slate', 'CI 77499', lot('34', '2026-02-20', 60, 900)),
  colourant('deep slate', 'CI 77499', lot('35', '2026-02-20', 60, 900)),
  colourant('hem', 'CI 77288', lot('36', '2026-02-20', 60, 900)),
  colourant('dining plum', 'CI 77742', lot('37', '2026-02-20', 60, 900)),
  colourant('tablecloth', 'CI 77891', lot('38', '2026-02-20', 60, 900)),
  colourant('brass rail', 'CI 77492', lot('39', '2026-02-20', 60, 900)),
  colourant('plum light', 'CI 77742', lot('40', '2026-02-20', 60, 900)),
  colourant('chalk', 'CI 77891', lot('41', '2026-02-20', 60, 900)),
  ingredient('packaging', 'Folding box', '', 'Paper mill', [lot('', '2026-09-01', 320, 7040)], {
    packSize: 100,
    leadDays: 10,
    perBar: 1,
  }),
  ingredient('stamp', 'Oar stamp', '', 'Engraver', [lot('', '2027-01-20', 1, 6500)], { leadDays: 14 }),
]
