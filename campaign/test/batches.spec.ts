import type { NewDesign, NewMould } from '@vendange/contract'
import { blankSeasonSettings, designSchema, jsonSchemaOf, mouldSchema, plainRecipe } from '@vendange/contract'
import { batchPlan, pourSession, runSheet, scaleDesign } from '@vendange/core/batch'
import { plainReading, sayFor } from '@vendange/words'
import { expect } from 'chai'
import { diceOf } from '../dice'
import type { JsonSchema } from '../messages'
import { soundMessage } from '../messages'

const known = { today: '2027-03-08', idFor: () => 'demo-0001' }
const say = sayFor(plainReading)
const settings = {
  ...blankSeasonSettings,
  scaleResolutionG: 1,
  potLoss: 0.02,
  cureLoss: 0.11,
  soapingTemperatureC: 43,
}
const recipe = {
  ...plainRecipe,
  fats: [
    { fatKey: 'olive', share: 0.7, atTrace: false },
    { fatKey: 'coconut', share: 0.3, atTrace: false },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
}

describe('any soap that may be written down', () => {
  const made = <T>(
    dice: ReturnType<typeof diceOf>,
    schema: typeof designSchema | typeof mouldSchema,
  ): T | undefined => {
    const message = soundMessage(dice, jsonSchemaOf(schema) as JsonSchema, known)
    return schema.isValidSync(message, { strict: true }) ? (message as T) : undefined
  }

  it('is scaled to any mould and poured at the bench, or refused in words', () => {
    let count = 0
    for (let seed = 0; seed < 2000; seed++) {
      const dice = diceOf(seed)
      const design = made<NewDesign>(dice, designSchema)
      const mould = made<NewMould>(dice, mouldSchema)
      if (!design || !mould) continue
      count += 1
      const source = { design, recipe, mould, settings }
      for (const finding of scaleDesign(source).findings) expect(say(finding)).not.to.equal('')
      const plan = batchPlan(source)
      runSheet(plan)
      for (const finding of pourSession(plan, []).findings) expect(say(finding)).not.to.equal('')
    }
    expect(count).to.be.above(20)
  })
})
