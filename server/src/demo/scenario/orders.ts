import type { NewOrder } from '@vendange/contract'
import { blankOrder } from '@vendange/contract'
import type { demoRecipes } from './recipes'

type DemoOrder = NewOrder & { readonly recipe: keyof typeof demoRecipes; readonly became?: string }

const guestOrder = (month: string, dueDay: string): DemoOrder => ({
  ...blankOrder,
  client: `Guest house, ${month}`,
  contact: 'The guest house, by letter',
  bars: 96,
  labelMassG: 75,
  dueDay,
  recipe: 'kernel',
  scent: { name: 'Linen steam blend', rate: 0.02 },
  colours: [
    { name: 'linen', hex: '#EADFCB', rateGPerKg: 0 },
    { name: 'hem', hex: '#8FA39A', rateGPerKg: 5 },
  ],
  packing: 'Loose in a crate',
})

/** Clients' orders; those with a collection were accepted and are under way as that collection. */
export const demoOrders: readonly DemoOrder[] = [
  {
    ...blankOrder,
    client: 'Rowing club regatta',
    contact: 'The boathouse, by telephone',
    bars: 140,
    labelMassG: 115,
    dueDay: '2027-03-26',
    recipe: 'house',
    scent: { name: 'Citrus peel blend', rate: 0.03 },
    colours: [
      { name: 'club red', hex: '#A3343C', rateGPerKg: 10 },
      { name: 'oar white', hex: '#F4EEE2', rateGPerKg: 4 },
    ],
    stampLeadDays: 12,
    bevelled: true,
    packing: 'Paper band, boxes of 20',
    state: 'accepted',
    depositCents: 25000,
    priceCents: 78000,
    promisedDay: '2027-03-26',
    became: 'Regatta',
  },
  {
    ...guestOrder('April', '2027-04-02'),
    state: 'accepted',
    priceCents: 31000,
    promisedDay: '2027-04-02',
    became: 'Guest house, April',
  },
  { ...guestOrder('May', '2027-05-03'), notes: 'Again each month, if they like it.' },
]

/** Bevelled after their order was quoted without it: as many loaves of a soap, the first ones. */
export const demoBevelled = {
  soap: 'Guest Linen, second pour',
  day: '2027-03-06',
  loaves: 2,
  minutes: 14,
} as const
