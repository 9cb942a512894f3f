import { allEndpoints, bodySchemaOf, faultsOf, jsonSchemaOf, ValidationError } from '@vendange/contract'
import { plainReading, sayFor } from '@vendange/words'
import { expect } from 'chai'
import fc from 'fast-check'
import { diceOf } from '../dice'
import type { JsonSchema } from '../messages'
import { hostileMessage, soundMessage } from '../messages'

const known = { today: '2027-03-08', idFor: () => 'demo-0001' }
const say = sayFor(plainReading)

describe('a hostile message', () => {
  for (const endpoint of allEndpoints()) {
    const schema = bodySchemaOf(endpoint)
    if (!schema) continue
    const described = jsonSchemaOf(schema) as JsonSchema
    it(`to ${endpoint.method} ${endpoint.path} is taken, or refused in words`, async () => {
      await fc.assert(
        fc.asyncProperty(fc.integer({ min: 0, max: 2 ** 31 }), async (seed) => {
          const dice = diceOf(seed)
          const message: unknown = JSON.parse(
            JSON.stringify(hostileMessage(dice, soundMessage(dice, described, known))),
          )
          try {
            await schema.validate(message, { strict: true, abortEarly: false })
          } catch (error) {
            expect(error, JSON.stringify(message).slice(0, 1000)).to.be.instanceOf(ValidationError)
            for (const { fault } of faultsOf(error as ValidationError)) expect(say(fault)).not.to.equal('')
          }
        }),
        { numRuns: Number(process.env['N'] ?? 60) },
      )
    })
  }
})
