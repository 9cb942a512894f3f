import { get, post, repositoryEndpoints, taking } from '../endpoint'
import type { NewOrder, OrderAccepted, OrderQuoted, SavedOrder } from '../schemas/order'
import type { EarningsView, SalesHistory } from '../barViews'
import type { NewCollection, SavedCollection } from '../schemas/collection'
import type { SalePage } from '@vendange/core/release'
import type { EarningsQuery } from '../schemas/earnings'
import type { SaleTableQuery } from '../schemas/loafQuery'
import type { AcceptedPlan, NewDayTick, NewDesign, SavedDesign } from '../schemas/plan'
import type { AcceptedPlanView, PourOfCollection, SeasonView } from '../views'

/** Collections, soaps, orders and the calendar they stand on. */
export const planEndpoints = {
  season: get<SeasonView>()('/api/season', 'All that steers time: workshop, line-ups, batches, loaves'),
  changes: get<Blob>()(
    '/api/changes',
    'Tells when something has changed, as server-sent events: the revision that the workshop stands at',
  ),
  collections: {
    ...repositoryEndpoints<NewCollection, SavedCollection>()('/api/collections', 'collection'),
    pours: get<readonly PourOfCollection[]>()(
      '/api/collections/:id/pours',
      'What the pours of a collection took: hours as planned and as they were, ingredients',
    ),
  },
  designs: repositoryEndpoints<NewDesign, SavedDesign>()('/api/designs', 'design'),
  orders: {
    ...repositoryEndpoints<NewOrder, SavedOrder>()('/api/orders', 'order'),
    quote: taking<OrderQuoted>()(
      post<SavedOrder>()('/api/orders/:id/quote', 'Put a way to make an order on paper for the client'),
    ),
    quoteSheet: get<Blob>()('/api/orders/:id/quote.pdf', 'The quote of an order as a PDF for the client'),
    accept: taking<OrderAccepted>()(
      post<SavedOrder>()(
        '/api/orders/:id/accept',
        'Accept an order as quoted: its soap and its pours go on the calendar',
      ),
    ),
  },
  salesHistory: get<SalesHistory>()(
    '/api/designs/:id/sales-history',
    'How a soap and what it was brought back from sold, release by release, and what of it is there',
  ),
  sales: taking<SaleTableQuery>()(
    post<SalePage>()('/api/sales/table', 'A page of all sales that fit some wishes, in an order'),
  ),
  earnings: taking<EarningsQuery>()(
    post<EarningsView>()('/api/earnings', 'What was earned in a period, month by month, and what came of its pours'),
  ),
  acceptPlan: taking<AcceptedPlan>()(
    post<AcceptedPlanView>()(
      '/api/season/plan',
      'Take a whole plan: pours moved and put on the calendar at once, or none of them',
    ),
  ),
  tickTask: taking<NewDayTick>()(
    post<SeasonView>()('/api/season/ticks', 'Tick a task of a day sheet, or take the tick back'),
  ),
  calendar: get<Blob>()('/api/calendar.ics', 'The season as an iCalendar feed (RFC 5545)'),
} as const
