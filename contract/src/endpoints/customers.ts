import { create, get, post, repositoryEndpoints, taking } from '../endpoint'
import type { OfVersion } from '../endpoint'
import type { SavedOrder } from '../schemas/order'
import type { BarsBack, CustomerList, NewCustomer, SavedCustomer } from '../schemas/customer'
import type { CustomersView, GivenFor } from '../barViews'

/** Who gets bars again and again: subscribers and shops. */
export const customerEndpoints = {
  customers: {
    ...repositoryEndpoints<NewCustomer, SavedCustomer>()('/api/customers', 'customer'),
    view: get<CustomersView>()('/api/customers', 'Subscribers and shops, and the bars that each has had and has'),
    takeIn: taking<CustomerList>()(
      create<CustomersView>()('/api/customers/lines', 'Take a list of customers in: those of a known name are changed'),
    ),
    barsBack: taking<BarsBack>()(
      post<CustomersView>()('/api/customers/bars-back', 'Bars that a shop had and did not sell come back'),
    ),
  },
  sendOrder: taking<OfVersion>()(
    post<SavedOrder>()(
      '/api/orders/:id/send',
      'Send what is set aside for an order: its bars are sold to whom they are for, each with its share of the price',
    ),
  ),
  givenInCollection: get<readonly GivenFor[]>()(
    '/api/collections/:id/given',
    'What of a collection is set aside for somebody by name and what of it was sold, by soap and lot',
  ),
  givenForOrder: get<readonly GivenFor[]>()(
    '/api/orders/:id/given',
    'What is set aside for an order and what of it was sent, by who gets it, soap and lot',
  ),
} as const
