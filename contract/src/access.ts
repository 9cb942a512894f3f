import type { LoafEvent } from '@vendange/core/loaf'
import type { Endpoint } from './endpoint'
import { endpoints } from './endpoints'
import type { Role } from './roles'
import { roles } from './roles'

const everybody = roles
const owner = ['owner'] as const
/** Who plans, formulates, pours, cuts, cures and releases. */
const makers = ['owner', 'maker'] as const
/** Who stands at the bench, the cutter and the scale as well. */
const hands = ['owner', 'maker', 'helper'] as const
/** Who sells as well. */
const sellers = ['owner', 'maker', 'stall'] as const

type Access<Group> = {
  readonly [Key in keyof Group]: Group[Key] extends Endpoint ? readonly Role[] : readonly Role[] | Access<Group[Key]>
}

/** Who may use what: every endpoint of the contract stands here, by itself or with its group. */
const access: Access<typeof endpoints> = {
  health: everybody,
  openapi: everybody,
  updateWorkshop: owner,
  makers: owner,
  moulds: makers,
  archive: owner,
  damage: owner,
  backups: owner,
  screens: {
    list: owner,
    network: owner,
    invite: owner,
    // Whoever has a code; the code says as whom.
    pair: everybody,
    own: everybody,
    signIn: everybody,
    signOut: everybody,
    putOut: owner,
    setPin: owner,
    deeds: owner,
    authority: everybody,
  },
  ownFats: makers,
  recipes: makers,
  recipeVersions: makers,
  nearestRecipe: makers,
  season: everybody,
  changes: everybody,
  collections: { create: makers, update: makers, remove: makers, restore: makers, pours: everybody },
  designs: makers,
  orders: makers,
  customers: makers,
  sendOrder: makers,
  givenForOrder: makers,
  givenInCollection: makers,
  sales: makers,
  earnings: makers,
  salesHistory: makers,
  acceptPlan: makers,
  tickTask: hands,
  calendar: makers,
  stores: everybody,
  takeStoresIn: makers,
  prices: makers,
  statePrices: makers,
  ingredients: makers,
  lotCards: makers,
  scraps: hands,
  lots: makers,
  lotTable: makers,
  infusions: makers,
  batches: {
    create: makers,
    planSoap: makers,
    move: makers,
    pin: makers,
    remove: makers,
    restore: makers,
    view: hands,
    runSheet: hands,
    record: hands,
    timings: hands,
    setTimingAside: makers,
    finish: hands,
  },
  instruments: hands,
  loaves: {
    list: everybody,
    happened: makers,
    table: everybody,
    seen: hands,
    ofDesign: everybody,
    view: everybody,
    // Each kind of event besides by who may write it: see mayRecordEvent.
    record: everybody,
    addPhoto: hands,
    photo: everybody,
  },
  room: hands,
  release: {
    allot: sellers,
    giveOut: makers,
    takeSales: sellers,
    settleSale: makers,
    kept: sellers,
    labels: sellers,
    allLabels: sellers,
    printing: sellers,
    traceLot: makers,
  },
  shop: sellers,
}

const rolesByEndpoint = new Map<Endpoint, readonly Role[]>()
function walk(group: object, allowed: unknown): void {
  if ('method' in group && 'path' in group) {
    rolesByEndpoint.set(group as Endpoint, allowed as readonly Role[])
    return
  }
  for (const [key, inner] of Object.entries(group as Record<string, object>))
    walk(inner, Array.isArray(allowed) ? allowed : (allowed as Record<string, unknown>)[key])
}
walk(endpoints, access)

/** The roles that may use an endpoint. @throws {RangeError} for one that is not of the contract */
export function rolesOf(endpoint: Endpoint): readonly Role[] {
  const allowed = rolesByEndpoint.get(endpoint)
  if (!allowed) throw new RangeError(`Expected an endpoint of the contract, got ${endpoint.path}`)
  return allowed
}

/** What happened to a loaf that a helper may write down; the rest is for those who answer for it. */
const helpersEvents: ReadonlySet<LoafEvent['type']> = new Set([
  'unmoulded',
  'cut',
  'finished',
  'moved',
  'weighed',
  'turned',
  'photographed',
  'noted',
  'tried',
  'fault_found',
])

/** What a stall may write down: what it brings home. */
const stallsEvents: ReadonlySet<LoafEvent['type']> = new Set(['given_back'])

/** Whether a role may write an event of a type on a loaf's record. */
export const mayRecordEvent = (role: Role, type: LoafEvent['type']): boolean =>
  role === 'owner' ||
  role === 'maker' ||
  (role === 'helper' && helpersEvents.has(type)) ||
  (role === 'stall' && stallsEvents.has(type))
