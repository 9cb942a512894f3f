import type { NewCustomer } from '@vendange/contract'
import { blankCustomer } from '@vendange/contract'

const subscriber = (name: string, monthlyBars: number, address: string, wish = ''): NewCustomer => ({
  ...blankCustomer,
  name,
  monthlyBars,
  address,
  wish,
})

/** Who gets bars again and again: made-up names at made-up places. */
export const demoCustomers: readonly NewCustomer[] = [
  subscriber('Flat over the signal box', 2, '2 Signal Yard'),
  subscriber('House at the weir', 3, '1 Weir Lane', 'no clay'),
  subscriber('Lock keeper', 1, '7 Lower Lock'),
  subscriber('Number nine', 2, '9 Gauge Street', 'unscented where there is one'),
  { ...subscriber('Reading room', 4, '30 Compass Road'), isPaused: true },
  {
    ...blankCustomer,
    kind: 'shop',
    name: 'Corner at the ferry',
    address: '3 Ferry Steps',
    isSaleOrReturn: true,
    priceCents: 520,
  },
  { ...blankCustomer, kind: 'shop', name: 'Paper and string', address: '12 Gauge Street', priceCents: 480 },
]
