import { isArgumentElement, isPluralElement, isSelectElement, parse } from '@formatjs/icu-messageformat-parser'
import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import type { Param, Quantity } from '@vendange/core/findings'
import { quantity, sentence } from '@vendange/core/findings'
import { expect } from 'chai'
import { fileURLToPath } from 'node:url'
import { plainReading, sayFor } from '../src'
import { catalogue } from '../src/catalogue'
import { saidInSources } from './saidInSources'
import { ounceReading } from './readings'

const home = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '')
const { said, hidden } = saidInSources(home)

/** The places of a message: those that choose a branch with what they may be, and those that are filled. */
interface Places {
  readonly filled: Set<string>
  readonly counted: Set<string>
  readonly chosen: Map<string, readonly string[]>
}
function placesOf(elements: readonly MessageFormatElement[], places: Places): Places {
  for (const element of elements) {
    if (isArgumentElement(element)) places.filled.add(element.value)
    if (isPluralElement(element)) places.counted.add(element.value)
    if (isSelectElement(element)) places.chosen.set(element.value, Object.keys(element.options))
    if (isPluralElement(element) || isSelectElement(element))
      for (const { value } of Object.values(element.options)) placesOf(value, places)
  }
  return places
}
const placesByCode = new Map(
  Object.entries(catalogue).map(([code, message]) => [
    code,
    placesOf(parse(message, { ignoreTag: true }), { filled: new Set(), counted: new Set(), chosen: new Map() }),
  ]),
)
const namesOf = ({ filled, counted, chosen }: Places): readonly string[] =>
  [...new Set([...filled, ...counted, ...chosen.keys()])].sort()

const samples: Readonly<Record<string, Quantity>> = {
  mass: quantity.mass(412.37),
  fineMass: quantity.fineMass(5.23),
  barMass: quantity.barMass(98.6),
  length: quantity.length(63.7),
  volume: quantity.volume(1234.5),
  density: quantity.density(1.42),
  temperature: quantity.temperature(43.4),
  share: quantity.share(0.0537),
  hours: quantity.hours(2.25),
  days: quantity.days(3),
  money: quantity.money(1250),
  figure: quantity.figure(12.345),
  day: quantity.day('2027-03-11'),
  least: quantity.least('length', 20),
  most: quantity.most('mass', 100_000),
}

/** Every way to fill a sentence's places, as far as its branches and plurals differ. */
function waysToFill(code: string): readonly Readonly<Record<string, Param>>[] {
  const places = placesByCode.get(code)!
  const kinds = said.find((one) => one.code === code)?.params ?? {}
  let ways: Record<string, Param>[] = [{}]
  const with_ = (name: string, values: readonly Param[]): void => {
    ways = values.flatMap((value) => ways.map((way) => ({ ...way, [name]: value })))
  }
  for (const name of namesOf(places)) {
    const options = places.chosen.get(name)
    if (options) with_(name, options)
    else if (places.counted.has(name)) with_(name, [0, 1, 2, 21])
    else with_(name, [samples[kinds[name] ?? 'text'] ?? 'Lantern Glass'])
  }
  return ways
}

const metric = sayFor({ ...plainReading, today: '2027-03-08' })
const imperial = sayFor(ounceReading)

describe('the catalogue of sentences', () => {
  it('has every code that is said anywhere, and no code that nobody says', () => {
    const codes = new Set(said.map(({ code }) => code))
    expect(said.filter(({ code }) => !(code in catalogue)).map(({ code, file }) => `${code} ${file}`)).to.deep.equal([])
    expect(Object.keys(catalogue).filter((code) => !codes.has(code))).to.deep.equal([])
  })

  it('is said in the open: no code or place is put together where it cannot be looked up', () => {
    expect(hidden).to.deep.equal([])
  })

  it('has a place for everything that is given, and is given everything that it has a place for', () => {
    const wrong = said.flatMap(({ code, params, file, line }) => {
      const places = placesByCode.get(code)
      if (!places || '...' in params) return []
      const given = Object.keys(params).sort().join(', ')
      const wanted = namesOf(places).join(', ')
      return given === wanted ? [] : [`${file.slice(home.length + 1)}:${line} ${code}: gives ${given}; wants ${wanted}`]
    })
    expect(wrong).to.deep.equal([])
  })

  const unitOfTheOtherKind = {
    metric: /\d (oz|fl oz|in|°F)\b|\$/,
    imperial: /\d (g|kg|mm|cm|ml|g\/ml|°C)(?![\w/])|€|\b(kilos?|litres?|millilitres?)\b/,
  }
  const wrongPlural =
    /\b1 (bars|loaves|moulds|trays|days|moves|pots|kinds|jugs|batches|characters|times)\b|\b(0|2|21) (bar|loaf|mould|tray|day|move|pot|jug|batch|character)\b|\b(0|2|21) is\b|\b1 are\b/
  for (const code of Object.keys(catalogue)) {
    it(`puts ${code} into words, in either kind of units`, () => {
      for (const params of waysToFill(code)) {
        for (const [name, say] of [
          ['metric', metric],
          ['imperial', imperial],
        ] as const) {
          const words = say(sentence(code, params))
          expect(words.trim(), name).not.to.equal('')
          expect(words, name).not.to.match(/[{}]|undefined|null|NaN|\[object| {2}/)
          expect(words, name).not.to.match(unitOfTheOtherKind[name])
          expect(words, name).not.to.match(wrongPlural)
        }
      }
    })
  }
})
