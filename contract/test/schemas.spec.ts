import { expect } from 'chai'
import type { ISchema } from 'yup'
import {
  blankCollection,
  blankDesign,
  blankMaker,
  blankSeasonSettings,
  collectionSchema,
  designSchema,
  faultsOf,
  loafEventSchema,
  makerSchema,
  blankMould,
  plainRecipe,
  mouldSchema,
  recipeSchema,
  stepSchema,
  storesImportSchema,
  ValidationError,
  workshopSchema,
} from '../src'
import { plainReading, sayFor } from '@vendange/words'

const say = sayFor(plainReading)

const recipe = {
  name: 'House bar',
  fats: [
    { fatKey: 'olive', share: 0.45, atTrace: false },
    { fatKey: 'coconut', share: 0.3, atTrace: false },
    { fatKey: 'shea', share: 0.25, atTrace: false },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
  ...plainRecipe,
  setDaysMin: 1,
  setDaysMax: 3,
  cureDays: 28,
  oven: false,
  notes: '',
}
const mould = { ...blankMould, name: 'Loaf' }
const design = { ...blankDesign, collectionId: 'c', name: 'Lantern Glass' }
const collection = {
  ...blankCollection,
  name: 'Night Train',
  releaseLocal: '2027-04-10T19:00',
  releaseZone: 'Europe/Lisbon',
}
const maker = { ...blankMaker, name: 'Ilse' }
const workshop = {
  name: 'Quillon Lane',
  massUnit: 'g',
  lengthUnit: 'mm',
  temperatureUnit: '°C',
  currency: 'EUR',
  timeZone: 'Europe/Lisbon',
  exceptions: [],
  ...blankSeasonSettings,
  setupHours: 0.5,
  prepHours: 0.75,
  pourHours: 1.5,
  cutHours: 0.75,
  largestPotMl: 0,
  lyeJugMl: 0,
  scaleResolutionG: 1,
  lyeRounding: 'down',
  potLoss: 0.02,
  cureLoss: 0.11,
  soapingTemperatureC: 43,
}

/** Errors by field; empty when the value is valid. */
async function errorsOf(schema: ISchema<unknown>, value: unknown): Promise<Record<string, string>> {
  try {
    await schema.validate(value, { strict: true, abortEarly: false })
    return {}
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    return Object.fromEntries(faultsOf(error).map(({ field, fault }) => [field, say(fault)]))
  }
}

describe('the contract', () => {
  const sound: readonly (readonly [string, ISchema<unknown>, object])[] = [
    ['a recipe', recipeSchema, recipe],
    ['a mould', mouldSchema, mould],
    ['a design', designSchema, design],
    ['a collection', collectionSchema, collection],
    ['a workshop', workshopSchema, workshop],
  ]
  for (const [what, schema, value] of sound) {
    it(`takes ${what} that is sound`, async () => expect(await errorsOf(schema, value)).to.deep.equal({}))
    it(`refuses ${what} with a field it does not know`, async () => {
      expect(Object.values(await errorsOf(schema, { ...value, price: 3 }))).to.deep.equal(['Unknown field: price.'])
    })
    it(`refuses nothing in place of ${what}`, async () => {
      expect(await errorsOf(schema, undefined)).not.to.deep.equal({})
      expect(await errorsOf(schema, null)).not.to.deep.equal({})
    })
  }
})

describe('recipeSchema', () => {
  it('refuses lye that exceeds its fats, at the superfat', async () => {
    const errors = await errorsOf(recipeSchema, { ...recipe, superfat: -0.02 })
    expect(errors['superfat']).to.contain('The lye left in the bar burns skin')
  })

  it('refuses shares that miss 100 %, at the fats', async () => {
    const fats = [{ fatKey: 'olive', share: 0.9, atTrace: false }]
    expect(await errorsOf(recipeSchema, { ...recipe, fats })).to.deep.equal({
      fats: 'The shares add up to 90 %: 10 % is missing.',
    })
  })

  it('names the line of a fat that is not in the table', async () => {
    const fats = [{ fatKey: 'gold', share: 1, atTrace: false }]
    expect(await errorsOf(recipeSchema, { ...recipe, fats })).to.deep.equal({
      'fats[0].fatKey': 'Choose a fat from the table or one of your own.',
    })
  })

  it('says number where text stands', async () => {
    expect(await errorsOf(recipeSchema, { ...recipe, superfat: '5 %' })).to.deep.equal({
      superfat: 'This must be a number.',
    })
    expect((await errorsOf(recipeSchema, { ...recipe, name: '   ' }))['name']).to.equal('Please give it a name.')
  })

  it('wants the longest time in the mould to be the longer one', async () => {
    expect(await errorsOf(recipeSchema, { ...recipe, setDaysMin: 3, setDaysMax: 2 })).to.have.property('setDaysMax')
  })
})

describe('mouldSchema', () => {
  it('carries the core’s refusals to their fields', async () => {
    expect(await errorsOf(mouldSchema, { ...mould, lengthMm: 3000 })).to.deep.equal({
      lengthMm: 'This must be from 20 mm to 1500 mm.',
    })
    expect((await errorsOf(mouldSchema, { ...mould, fillHeightMm: 80 }))['fillHeightMm']).to.contain('above the brim')
    expect(await errorsOf(mouldSchema, { ...mould, count: 1.5 })).to.deep.equal({
      count: 'This must be a whole number.',
    })
  })
})

describe('designSchema', () => {
  const colour = (share: number) => ({ name: 'amber', hex: '#D99A3C', share, rateGPerKg: 7 })

  it('wants the pots to make the batter', async () => {
    expect(await errorsOf(designSchema, { ...design, colours: [colour(0.6), colour(0.4)] })).to.deep.equal({})
    expect(await errorsOf(designSchema, { ...design, colours: [colour(0.6)] })).to.deep.equal({
      colours: 'The pots add up to 60 % of the batter; they must make 100 %.',
    })
  })

  it('names the field of a colour that is none', async () => {
    const errors = await errorsOf(designSchema, { ...design, colours: [{ ...colour(1), hex: 'amber' }] })
    expect(errors).to.deep.equal({ 'colours[0].hex': 'Write a colour like #5A2750.' })
  })

  it('keeps the scent within its range', async () => {
    const scent = { name: 'Amber blend', rate: 0.5, supplierLimit: null }
    expect(await errorsOf(designSchema, { ...design, scent })).to.deep.equal({
      'scent.rate': 'This must be from 0 % to 10 %.',
    })
  })
})

describe('collectionSchema', () => {
  it('wants a moment that exists, in a zone that exists', async () => {
    expect(await errorsOf(collectionSchema, { ...collection, releaseLocal: '2027-13-10T19:00' })).to.have.property(
      'releaseLocal',
    )
    expect(await errorsOf(collectionSchema, { ...collection, releaseLocal: 'soon' })).to.have.property('releaseLocal')
    expect(await errorsOf(collectionSchema, { ...collection, releaseZone: 'Moon/Base' })).to.have.property(
      'releaseZone',
    )
  })
})

describe('workshopSchema', () => {
  it('wants seven days of at most 24 hours', async () => {
    expect(await errorsOf(makerSchema, { ...maker, weekHours: [2] })).to.have.property('weekHours')
    expect(await errorsOf(makerSchema, { ...maker, weekHours: [25, 0, 0, 0, 0, 0, 0] })).to.have.property(
      'weekHours[0]',
    )
    expect(
      await errorsOf(workshopSchema, { ...workshop, exceptions: [{ day: '2027-02-30', hours: 1 }] }),
    ).to.have.property('exceptions[0].day')
  })
})

describe('what happens', () => {
  it('is told by its type', async () => {
    const moved = { type: 'moved', day: '2027-03-10', version: 2, place: 'Rack 1' }
    expect(await errorsOf(loafEventSchema as unknown as ISchema<unknown>, moved)).to.deep.equal({})
    expect(await errorsOf(loafEventSchema as unknown as ISchema<unknown>, { ...moved, place: ' ' })).to.deep.equal({
      place: 'Say where it stands.',
    })
    expect(
      await errorsOf(loafEventSchema as unknown as ISchema<unknown>, { ...moved, type: 'eaten' }),
    ).to.have.property('type')
    expect(
      await errorsOf(loafEventSchema as unknown as ISchema<unknown>, { ...moved, type: 'poured' }),
    ).to.have.property('type')
  })

  it('is no step without a finite figure', async () => {
    expect(await errorsOf(stepSchema, { stepKey: 'naoh', actual: Number.POSITIVE_INFINITY })).to.have.property('actual')
    expect(await errorsOf(stepSchema, { stepKey: 'goggles', actual: null })).to.deep.equal({})
  })
})

describe('a list with nothing right in it', () => {
  const scent = { name: 'Amber blend', rate: 0.03, supplierLimit: 0.04, vanillin: 0, parts: [null] }

  it('is told field by field, and breaks no check that looks at all of it', async () => {
    for (const body of [{}, { rows: 3 }, { rows: null }, { rows: [null] }, { rows: [{ lot: 3 }] }])
      expect(Object.keys(await errorsOf(storesImportSchema, body)), JSON.stringify(body)).not.to.deep.equal([])
    for (const body of [
      { ...blankDesign, colours: [null] },
      { ...blankDesign, colours: [{ share: 'half' }] },
      { ...blankDesign, scent },
    ])
      expect(Object.keys(await errorsOf(designSchema, body)), JSON.stringify(body)).not.to.deep.equal([])
    expect(await errorsOf(collectionSchema, { ...blankCollection, early: [null] })).not.to.deep.equal({})
  })
})
