import { randomFrom } from '@vendange/core/random'

/** What a campaign throws its choices with: the same for the same seed. */
export interface Dice {
  /** From 0 (included) to 1 (excluded). */
  random(): number
  /** Whether something of this likelihood happens. */
  chance(likelihood: number): boolean
  /** A whole number, both ends included. */
  whole(least: number, most: number): number
  /** One of some. @throws {RangeError} if there are none */
  one<T>(choices: readonly T[]): T
}

export function diceOf(seed: number): Dice {
  const random = randomFrom(seed)
  const whole = (least: number, most: number): number => least + Math.floor(random() * (most - least + 1))
  return {
    random,
    chance: (likelihood) => random() < likelihood,
    whole,
    one: (choices) => {
      if (choices.length === 0) throw new RangeError('Expected something to choose from')
      return choices[whole(0, choices.length - 1)]!
    },
  }
}
