import type { SoundPlan } from './soundPlan'

/** The batches that one step of a search has lifted off their days, so that the step can be taken back. */
export class LiftedBatches {
  count = 0
  /** The lifted ones, in the order in which they are to be laid again. */
  readonly batches: Int32Array
  private readonly before: Int32Array
  /** Step in which each batch was lifted last. */
  private readonly liftedIn: Int32Array
  private step = 0
  private costBefore = 0

  constructor(private readonly plan: SoundPlan) {
    const { length } = plan.place
    this.batches = new Int32Array(length)
    this.before = new Int32Array(length)
    this.liftedIn = new Int32Array(length)
  }

  /** Begins a step: what was lifted before stays as it lies. */
  begin(): void {
    this.count = 0
    this.step += 1
    this.costBefore = this.plan.cost
  }

  /** Whether this step has lifted a batch, wherever it lies now. */
  has(batch: number): boolean {
    return this.liftedIn[batch] === this.step
  }

  /** Lifts a batch off its days, which may have been lifted and laid in this step before. */
  lift(batch: number): void {
    const option = this.plan.lift(batch)
    if (this.has(batch)) return
    this.liftedIn[batch] = this.step
    this.batches[this.count] = batch
    this.before[this.count++] = option
  }

  /** The option on which one of the lifted lay when the step began. */
  optionBefore(index: number): number {
    return this.before[index]!
  }

  /** Every batch of the step back where it lay. */
  undo(): void {
    const { plan } = this
    for (let index = 0; index < this.count; index++)
      if (plan.place[this.batches[index]!]! >= 0) plan.lift(this.batches[index]!)
    for (let index = 0; index < this.count; index++) plan.lay(this.batches[index]!, this.before[index]!)
    plan.cost = this.costBefore
  }

  /** Puts the lifted in the order of some keys, the least first. @param keys one for each, in their order now; is changed */
  orderBy(keys: Float64Array): void {
    for (let next = 1; next < this.count; next++) {
      const batch = this.batches[next]!
      const option = this.before[next]!
      const key = keys[next]!
      let at = next - 1
      for (; at >= 0 && keys[at]! > key; at--) {
        this.batches[at + 1] = this.batches[at]!
        this.before[at + 1] = this.before[at]!
        keys[at + 1] = keys[at]!
      }
      this.batches[at + 1] = batch
      this.before[at + 1] = option
      keys[at + 1] = key
    }
  }
}
