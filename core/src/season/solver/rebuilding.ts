import { EjectionChain } from './ejectionChain'
import { LiftedBatches } from './liftedBatches'
import { PutBack } from './putBack'
import type { SoundPlan } from './soundPlan'
import { costDust } from './soundPlan'

/** How a stretch of the search goes. Temperatures are in units of cost. */
export interface RebuildingSchedule {
  readonly moves: number
  readonly hot: number
  readonly cold: number
  /** Share of the moves that are ejection chains, 0 to 1. */
  readonly chains: number
}

/** A plan met on the way: where each batch lay, and what that cost. */
export interface MetPlan {
  place: Int32Array
  cost: number
}

/** How often an insertion passes a day over though it fits, so that the same ruin is not always rebuilt the same way. */
const miss = 0.01
/** How often the batch that a move is about must go to another day. */
const leaves = 0.6
/** How often a late batch is looked for to move. */
const dear = 0.3
const mostLifted = 6
/** How often the lifted are put back exactly, with so many looks at most; and how often the first plan within the limit will do. */
const exactly = 0.6
const mostLooks = 300
const firstWillDo = 0.5
const mostOfDay = 8

/**
 * Simulated annealing (Kirkpatrick, Gelatt, Vecchi, Science 220, 1983) over plans that break nothing. A move is ruin and
 * recreate (Schrimpf and others, Journal of Computational Physics 159, 2000): a few batches are lifted that stand in
 * each other's way and laid again, one by one where each is cheapest or exactly; or an ejection chain.
 */
export class Rebuilding {
  private readonly lifted: LiftedBatches
  private readonly chain: EjectionChain
  private readonly putBack: PutBack
  private readonly isFixed: Uint8Array
  private readonly keys: Float64Array
  private readonly inWay: Int32Array
  /** Pour days that this move wishes for and shuns; −1 for none. */
  private wished = -1
  private shunned = -1

  /**
   * @param movable the batches that may move
   */
  constructor(
    private readonly plan: SoundPlan,
    private readonly movable: Int32Array,
    private readonly random: () => number,
  ) {
    const { length } = plan.place
    this.isFixed = new Uint8Array(length).fill(1)
    for (const batch of movable) this.isFixed[batch] = 0
    this.keys = new Float64Array(length)
    this.inWay = new Int32Array(length)
    this.lifted = new LiftedBatches(plan)
    this.putBack = new PutBack(plan, this.lifted)
    this.chain = new EjectionChain(plan, this.lifted, this.isFixed, miss, random)
  }

  /**
   * Searches from where the plan stands.
   *
   * @param around batches about which the moves go; each move may touch others
   * @param best is overwritten by what is cheaper
   * @returns the best of the cold end
   */
  anneal(around: Int32Array, { moves, hot, cold, chains }: RebuildingSchedule, best: MetPlan): MetPlan {
    const { plan, random } = this
    const cooling = Math.pow(cold / hot, 1 / moves)
    const coldBest: MetPlan = { place: plan.place.slice(), cost: Infinity }
    let temperature = hot
    for (let move = 0; move < moves; move++) {
      temperature *= cooling
      const batch = this.next(around)
      const limit = plan.cost - temperature * Math.log(1 - random())
      this.lifted.begin()
      const isDone = random() < chains ? this.chain.move(batch, limit) : this.rebuild(batch, limit)
      if (!isDone) {
        this.lifted.undo()
        continue
      }
      if (plan.cost < best.cost - costDust) keep(plan, best)
      if (temperature < 2 * cold && plan.cost < coldBest.cost - costDust) keep(plan, coldBest)
    }
    if (coldBest.cost === Infinity) keep(plan, coldBest)
    return coldBest
  }

  /** The batch that the next move is about: any, and those that are late more often. */
  private next(around: Int32Array): number {
    const { plan, random } = this
    const any = (): number => around[Math.floor(random() * around.length)]!
    let batch = any()
    if (random() < dear) for (let tries = 6; tries > 0 && !plan.isLate(batch); tries--) batch = any()
    return batch
  }

  /** Lifts some batches about one and lays them again. @returns whether all lie within the limit */
  private rebuild(batch: number, limit: number): boolean {
    const { plan, random, lifted } = this
    this.wished = -1
    this.shunned = -1
    const most = 1 + Math.floor(random() * Math.min(mostLifted, this.movable.length))
    // It would mostly come back to where it was.
    const left = random() < leaves ? plan.pourDay(batch) : this.shunned
    const how = random()
    if (how < 0.4) this.liftForDay(batch, most)
    else if (how < 0.65) this.liftDay(batch)
    else if (how < 0.8) this.liftNear(plan.pourDay(batch), batch, most, 2 + Math.floor(random() * 10))
    else this.liftInWay(batch, most)
    this.order()
    if (random() < exactly) return this.putBack.lay(limit, mostLooks, random() < firstWillDo)
    for (let index = 0; index < lifted.count; index++) {
      const next = lifted.batches[index]!
      const shunned = next === batch ? left : this.shunned
      const option = plan.cheapest(next, miss, random, this.wished, shunned)
      if (option < 0) return false
      plan.lay(next, option)
      if (plan.cost > limit) return false
    }
    return plan.cost <= limit
  }

  /** The order in which the lifted are laid: by chance, the heaviest, the first due or the most work first. */
  private order(): void {
    const { table } = this.plan
    const how = this.random()
    for (let index = 0; index < this.lifted.count; index++) {
      const batch = this.lifted.batches[index]!
      const { weight, due } = table.batches[batch]!
      const chance = this.random()
      if (how < 0.5) this.keys[index] = chance
      else if (how < 0.7) this.keys[index] = 0.1 * chance - weight
      else if (how < 0.85) this.keys[index] = due + chance
      else this.keys[index] = 0.3 * chance - table.pourHours[batch]! - table.cutHours[batch]!
    }
    this.lifted.orderBy(this.keys)
  }

  /** Makes a day about a batch's own one to pour on: those near it are lifted, at times all of the batch's day. */
  private liftForDay(batch: number, most: number): void {
    const { plan, random } = this
    const own = plan.pourDay(batch)
    const day = own + Math.floor(random() * 13) - 6
    if (day >= 0 && day < plan.table.days) this.wished = day
    if (random() < 0.5) {
      this.liftPouredOn(own)
      if (random() < 0.7) this.shunned = own
    }
    this.liftNear(day, batch, most, 1 + Math.floor(random() * 8))
  }

  /** Takes all of a day, at times so that the day closes, at times with all of another near it. */
  private liftDay(batch: number): void {
    const { plan, random } = this
    const day = plan.pourDay(batch)
    this.liftPouredOn(day)
    if (random() < 0.5) this.shunned = day
    const other = this.movable[Math.floor(random() * this.movable.length)]!
    if (random() < 0.5 && !this.lifted.has(other) && Math.abs(plan.pourDay(other) - day) < 12)
      this.liftPouredOn(plan.pourDay(other))
  }

  private liftPouredOn(day: number): void {
    for (const batch of this.movable)
      if (this.lifted.count < mostOfDay && !this.lifted.has(batch) && this.plan.pourDay(batch) === day)
        this.lifted.lift(batch)
  }

  /** Lifts a batch, and by chance others that are poured within some days of a day. */
  private liftNear(day: number, batch: number, most: number, within: number): void {
    const { plan, lifted, movable, random } = this
    if (!lifted.has(batch)) lifted.lift(batch)
    for (let tries = 4 * most; lifted.count < most && tries > 0; tries--) {
      const other = movable[Math.floor(random() * movable.length)]!
      if (!lifted.has(other) && Math.abs(plan.pourDay(other) - day) <= within) lifted.lift(other)
    }
  }

  /** Lifts a batch, and by chance some that work or hold moulds on days which it might like better. */
  private liftInWay(batch: number, most: number): void {
    const { lifted, random, inWay, movable } = this
    const { table, place } = this.plan
    const first = table.firstOption[batch]!
    const ahead = Math.min(place[batch]! - first + 6, table.firstOption[batch + 1]! - first)
    const option = first + Math.floor(random() * ahead)
    const pour = table.pourOf[option]!
    const cut = table.cutOf[option]!
    const prep = table.prepOf[option]!
    const isWorkday = (day: number): boolean => day === pour || day === cut || day === prep
    lifted.lift(batch)
    let found = 0
    for (const other of movable) {
      const at = place[other]!
      if (at < 0) continue
      const itsPour = table.pourOf[at]!
      const itsCut = table.cutOf[at]!
      const works = isWorkday(itsPour) || isWorkday(itsCut) || isWorkday(table.prepOf[at]!)
      const sharesMould =
        itsPour < cut &&
        itsCut > pour &&
        table.mouldKind[table.firstMould[other]!] === table.mouldKind[table.firstMould[batch]!]
      if (works || sharesMould) inWay[found++] = other
    }
    while (lifted.count < most && found > 0) {
      const at = Math.floor(random() * found)
      lifted.lift(inWay[at]!)
      inWay[at] = inWay[--found]!
    }
  }
}

function keep(plan: SoundPlan, met: MetPlan): void {
  met.place.set(plan.place)
  met.cost = plan.cost
}
