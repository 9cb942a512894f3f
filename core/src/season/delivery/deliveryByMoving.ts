import { randomFrom } from '../../random'
import type { MetPlan } from '../solver/rebuilding'
import { Rebuilding } from '../solver/rebuilding'
import { RoomMaking } from '../solver/roomMaking'
import type { AskedSeason } from './askedSeason'
import type { Delivery } from './delivery'

/** Batches placed at most while room is made. */
const mostPlaced = 400
/** A rebuilding of the plan about the wished: begun hot enough that anybody may move, ended when no move is worth it. */
const rebuilt = { moves: 25_000, hot: 100, cold: 4, chains: 0.6 } as const
/** So many moves are about a wished batch for each that is about any other of three. */
const aboutTheWished = 3

/**
 * An earlier delivery than a known one, whoever has to move for it: by making room day by day earlier, then by rebuilding
 * the plan about the wished. Either may miss the earliest day. Leaves the plan as it was found.
 *
 * @param known the best delivery so far
 */
export function deliveryByMoving(asked: AskedSeason, known: Delivery | undefined): Delivery | undefined {
  const random = randomFrom(1)
  const { plan, movable, wished, home } = asked
  const room = new RoomMaking(plan, movable, random)
  let best = known
  for (let placesLeft = mostPlaced; placesLeft > 0 && isOpen(asked, best);) {
    asked.standAsAsked()
    const due = (best?.due ?? asked.latest + 1) - 1
    asked.keepTraysUntil(due)
    const placed = room.makeRoom({ wanted: wished, endOf: asked.endsBy(due), home }, placesLeft)
    if (placed < 0) break
    placesLeft -= placed
    best = asked.deliveryBy(asked.dueNow())
  }
  if (best && isOpen(asked, best)) best = rebuild(asked, best, random)
  asked.standAsAsked()
  return best === known ? undefined : best
}

const isOpen = (asked: AskedSeason, best: Delivery | undefined): boolean => !best || best.due > asked.earliest

/** @returns the delivery that is known where none earlier was found */
function rebuild(asked: AskedSeason, known: Delivery, random: () => number): Delivery {
  const { plan, wished, movable } = asked
  asked.standAsAsked()
  asked.keepTraysUntil(asked.earliest)
  asked.stand(known)
  const again = Math.floor(movable.length / aboutTheWished / wished.length)
  const around = Int32Array.from([...movable, ...Array.from({ length: again }, () => wished).flat()])
  const best: MetPlan = { place: plan.place.slice(), cost: plan.cost }
  new Rebuilding(plan, movable, random).anneal(around, rebuilt, best)
  plan.become(best.place)
  const due = asked.dueNow()
  return due < known.due ? asked.deliveryBy(due) : known
}
