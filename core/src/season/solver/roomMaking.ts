import type { SoundPlan } from './soundPlan'

/** So many of its days, by chance, a batch looks at to see who would have to leave. */
const daysLookedAt = 15
/** Batches that step to any other days they may take after each that was driven off, so that no two drive each other round. */
const steppingAside = 5
const nobody = -1

/** What is asked of those who make room. */
export interface RoomAsked {
  /** Batches that lie nowhere and shall lie. */
  readonly wanted: readonly number[]
  /** Each batch may lie on its options before this one. */
  readonly endOf: Int32Array
  /** The option that each batch goes back to where it is free; -1 for none. */
  readonly home: Int32Array
}

/**
 * Makes room for batches, whoever has to move: those without days wait in a pool; one after the other takes days on which
 * it fits, or drives off those who have been hard to place the least often (an ejection pool: Nagata and Bräysy,
 * Operations Research Letters 37, 2009). It finds what needs more moves than a search in depth can look at.
 */
export class RoomMaking {
  /** How often each batch was not to be placed. */
  private readonly hardness: Float64Array
  private readonly mayLeave: Uint8Array
  private readonly waiting: number[] = []

  /** @param movable the batches that may move and lie */
  constructor(
    private readonly plan: SoundPlan,
    private readonly movable: Int32Array,
    private readonly random: () => number,
  ) {
    this.hardness = new Float64Array(plan.place.length)
    this.mayLeave = new Uint8Array(plan.place.length)
  }

  /**
   * Lays the wanted batches; where that fails, the plan is left amid it.
   *
   * @param most batches placed at most
   * @returns how many were placed; -1 when not all lie
   */
  makeRoom(asked: RoomAsked, most: number): number {
    const { waiting, mayLeave } = this
    const { wanted, endOf, home } = asked
    this.hardness.fill(1)
    mayLeave.fill(0)
    for (const batch of this.movable) mayLeave[batch] = 1
    for (const batch of wanted) mayLeave[batch] = wanted.length > 1 ? 1 : 0
    waiting.length = 0
    waiting.push(...wanted)
    for (let placed = 0; placed < most; placed++) {
      const batch = waiting.pop()
      if (batch === undefined) {
        this.sendHome(home)
        return placed
      }
      const end = endOf[batch]!
      if (this.layWhereFree(batch, end, home[batch]!)) continue
      this.driveOff(batch, end)
      for (let times = 0; times < steppingAside; times++) this.stepAside(endOf)
    }
    return -1
  }

  /** Lays a batch on its own days where they are free, else on any others of its. */
  private layWhereFree(batch: number, end: number, home: number): boolean {
    const { plan } = this
    const first = plan.table.firstOption[batch]!
    const count = end - first
    const start = Math.floor(this.random() * count)
    for (let step = -1; step < count; step++) {
      const option = step < 0 ? home : first + ((start + step) % count)
      if (option < 0 || !plan.fits(batch, option)) continue
      plan.lay(batch, option)
      return true
    }
    return false
  }

  /** Lays a batch on the days, of some by chance, whose batches are the easiest to place again, and takes these off. */
  private driveOff(batch: number, end: number): void {
    const { plan, random, hardness, waiting } = this
    const first = plan.table.firstOption[batch]!
    hardness[batch]! += 1
    let easiest: readonly number[] | undefined
    let least = Infinity
    let chosen = first
    let ties = 1
    for (let looks = 0; looks < daysLookedAt && end > first; looks++) {
      const option = first + Math.floor(random() * (end - first))
      const leaving = this.leavingFor(batch, option, least)
      if (!leaving) continue
      const sum = leaving.reduce((all, other) => all + hardness[other]!, 0)
      ties = sum < least ? 1 : ties + 1
      if (sum === least && random() * ties >= 1) continue
      least = sum
      easiest = leaving
      chosen = option
    }
    if (!easiest) {
      waiting.push(batch)
      return
    }
    for (const other of easiest) {
      plan.lift(other)
      waiting.push(other)
    }
    plan.lay(batch, chosen)
  }

  /** Those who leave for a batch on an option, the easiest to place again of each lack; undefined when it is beyond `most`. */
  private leavingFor(batch: number, option: number, most: number): readonly number[] | undefined {
    const { plan } = this
    const leaving: number[] = []
    const homes: number[] = []
    let sum = 0
    let other = this.easiestInTheWay(batch, option)
    while (other !== undefined && other !== nobody && (sum += this.hardness[other]!) <= most) {
      leaving.push(other)
      homes.push(plan.lift(other))
      other = this.easiestInTheWay(batch, option)
    }
    leaving.forEach((one, index) => {
      plan.lay(one, homes[index]!)
    })
    return other === undefined ? leaving : undefined
  }

  /** Undefined when nobody needs to leave. */
  private easiestInTheWay(batch: number, option: number): number | undefined {
    let easiest = nobody
    let least = Infinity
    let ties = 1
    const isNeeded = this.plan.eachInTheWay(batch, option, (other) => {
      const hard = this.hardness[other]!
      if (this.mayLeave[other] === 0 || hard > least) return
      ties = hard < least ? 1 : ties + 1
      if (hard === least && this.random() * ties >= 1) return
      least = hard
      easiest = other
    })
    return isNeeded ? easiest : undefined
  }

  /** One that stands goes to any other of its days, where it fits there. */
  private stepAside(endOf: Int32Array): void {
    const { movable, random, plan } = this
    const batch = movable[Math.floor(random() * movable.length)]
    if (batch === undefined || plan.place[batch]! < 0) return
    const first = plan.table.firstOption[batch]!
    const option = first + Math.floor(random() * (endOf[batch]! - first))
    const before = plan.lift(batch)
    plan.lay(batch, plan.fits(batch, option) ? option : before)
  }

  /** Whoever finds its own days free goes back to them. */
  private sendHome(homes: Int32Array): void {
    const { plan } = this
    let hasMoved = true
    while (hasMoved) {
      hasMoved = false
      for (const batch of this.movable) {
        const home = homes[batch]!
        if (home < 0 || plan.place[batch] === home) continue
        const before = plan.lift(batch)
        const isFree = plan.fits(batch, home)
        plan.lay(batch, isFree ? home : before)
        hasMoved ||= isFree
      }
    }
  }
}
