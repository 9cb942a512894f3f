import { expect } from 'chai'
import fc from 'fast-check'
import { moveKinds, techniques } from '@vendange/core/pour'
import { keepsLabelWords } from '../../src/parts/forecastWords'
import { moveKindWords } from '@vendange/words'
import { chanceWords, techniqueWords } from '../../src/pour/inside/moveWords'
import { pathOfText, pathText } from '../../src/pour/inside/pathText'

describe('a path in words', () => {
  it('is read as it is written, by commas, semicolons or lines', () => {
    const path = [
      { xMm: 18, yMm: 56 },
      { xMm: 18, yMm: 10.5 },
    ]
    expect(pathText(path, 'mm')).to.equal('18 56, 18 10.5')
    expect(pathText(path, 'in')).to.equal('0.709 2.205, 0.709 0.413')
    expect(pathOfText('0.5 2', 'in')).to.deep.equal([{ xMm: 12.7, yMm: 50.8 }])
    for (const text of ['18 56, 18 10.5', ' 18   56;18 10.5 ; ', '18 56\n18 10.5\n'])
      expect(pathOfText(text, 'mm')).to.deep.equal(path)
  })

  it('is none where a point is not two numbers', () => {
    for (const text of ['18', '18 56, 18', '18 56 3', '18 up', '1 2, Infinity 4'])
      expect(pathOfText(text, 'mm'), text).to.equal(undefined)
    expect(pathOfText(' , ', 'mm')).to.deep.equal([])
  })

  it('comes back as it went out', () => {
    const mm = fc.double({ min: -500, max: 500, noNaN: true }).map((value) => Number(value.toFixed(1)) + 0)
    fc.assert(
      fc.property(fc.array(fc.record({ xMm: mm, yMm: mm }), { maxLength: 12 }), (path) => {
        expect(pathOfText(pathText(path, 'mm'), 'mm')).to.deep.equal(path)
      }),
    )
  })
})

describe('a chance in words', () => {
  it('promises nothing and rules nothing out', () => {
    expect([0, 0.004, 0.5, 0.954, 0.996, 1].map(chanceWords)).to.deep.equal([
      'under 1 %',
      'under 1 %',
      '50 %',
      '95 %',
      'over 99 %',
      'over 99 %',
    ])
  })
})

describe('moves and techniques', () => {
  it('each have a name of their own', () => {
    for (const [all, words] of [
      [moveKinds, moveKindWords],
      [techniques, techniqueWords],
    ] as const) {
      const names = all.map((one) => (words as Readonly<Record<string, string>>)[one])
      expect(new Set(names).size).to.equal(all.length)
      expect(names).to.not.include(undefined)
    }
  })
})

describe('whether a bar keeps its label', () => {
  const atRelease = { cureDay: 28, fromG: 118.4, likelyG: 121.2, untilG: 124 }
  const told = (keepsLabel: number): string =>
    keepsLabelWords({ atRelease, keepsLabel }, { cureDays: 28, labelMassG: 120 }, (massG) => `${Math.round(massG)} g`)

  it('is said without an if only where it is as good as sure', () => {
    expect(told(0.97)).to.equal(
      'It will still weigh the 120 g of its label: 118 g to 124 g on day 28, most likely 121 g (estimate).',
    )
    expect(told(0.62)).to.match(/^Whether it still weighs the 120 g of its label is open \(62 %\): /)
    expect(told(0.05)).to.match(/^It will not weigh the 120 g of its label any more: /)
  })
})
