import { create, get, post, taking } from '../endpoint'
import type { ShopBuy, NewShopOffer, ShopOffer, ShopSale } from '../schemas/shop'
import type { GivingOut, NewAllotment, SaleSettling, SalesReport } from '../schemas/work'
import type { AllotmentView, TraceView } from '../barViews'
import type { LoafSummary, SalesTaken } from '../views'

/** Bars on their way to buyers, and the simulated shop. */
export const releaseEndpoints = {
  release: {
    allot: taking<NewAllotment>()(
      create<AllotmentView>()(
        '/api/allotments',
        'Set bars of a soap aside, of the loaves released first; never more than there are',
      ),
    ),
    giveOut: taking<GivingOut>()(
      create<readonly AllotmentView[]>()(
        '/api/givings',
        'Set bars of several soaps aside at once, all of it or none; tells from which lots',
      ),
    ),
    takeSales: taking<SalesReport>()(
      post<SalesTaken>()(
        '/api/sales',
        'Write what was sold into the loaves it came from; a line that cannot be is told and left out',
      ),
    ),
    settleSale: taking<SaleSettling>()(
      post<{ readonly saleId: string }>()(
        '/api/sales/settlements',
        'Settle a sale that found no bar: with a bar that is free, or its money given back',
      ),
    ),
    kept: get<readonly LoafSummary[]>()(
      '/api/kept-samples',
      'Loaves of which bars are kept as samples, newest first, 100 at the most',
    ),
    labels: get<Blob>()(
      '/api/loaves/:id/labels.pdf',
      'Labels of a loaf on a sheet: `stock` by its key, `count` of them',
    ),
    allLabels: get<Blob>()(
      '/api/labels.pdf',
      'Labels of several loaves, one for each bar released: `loaves` by their ids, `stock` by its key, from the `first` free place of the sheet',
    ),
    printing: get<{ readonly share: number | null }>()(
      '/api/printing/:job',
      'How far labels are that were asked for with this `job`; null where none are being made',
    ),
    traceLot: get<TraceView>()(
      '/api/lots/:id/trace',
      'From a delivery to every bar with some of it in it, and to its buyers',
    ),
  },
  shop: {
    offers: get<readonly ShopOffer[]>()('/api/shop/offers', 'The simulated shop: what is on sale'),
    offer: taking<NewShopOffer>()(
      create<ShopOffer>()('/api/shop/offers', 'The simulated shop: put bars on sale (see docs/formats/web-shop.md)'),
    ),
    buy: taking<ShopBuy>()(
      create<ShopSale>()('/api/shop/offers/:designId/buy', 'The simulated shop: a made-up buyer buys'),
    ),
    sales: get<readonly ShopSale[]>()('/api/shop/sales/:after', 'The simulated shop: sales after a number'),
  },
} as const
