import { answerWords } from './answers'
import { batchWords } from './batch'
import { benchWords } from './bench'
import { cuttingWords } from './cutting'
import { formWords } from './form'
import { loafWords } from './loaf'
import { mouldWords } from './mould'
import { observationWords } from './observations'
import { planWords } from './plan'
import { pourWords } from './pour'
import { recipeWords } from './recipe'
import { seasonWords } from './season'
import { storesWords } from './stores'
import { unitWords } from './units'

/** Every sentence by its code, in ICU MessageFormat: one place in which the words of the house stand. */
export const catalogue: Readonly<Record<string, string>> = {
  ...answerWords,
  ...batchWords,
  ...benchWords,
  ...cuttingWords,
  ...formWords,
  ...loafWords,
  ...mouldWords,
  ...observationWords,
  ...planWords,
  ...pourWords,
  ...recipeWords,
  ...seasonWords,
  ...storesWords,
  ...unitWords,
}
