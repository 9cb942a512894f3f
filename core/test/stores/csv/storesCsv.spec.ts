import { expect } from 'chai'
import fc from 'fast-check'
import type { StoresRow } from '../../../src/stores'
import { mostStoresRows } from '../../../src/stores'
import { longestStoresFile, parseStoresCsv, writeStoresCsv } from '../../../src/stores/csv'
import { plainly } from '../../plainly'

const heading = 'kind,name,supplier,lot,received,best_before,amount,left,price,lead_days'
const problemsOf = (...lines: readonly string[]) =>
  parseStoresCsv([heading, ...lines].join('\n')).problems.map(({ line, problem }) => `${line}: ${plainly(problem)}`)

describe('parseStoresCsv', () => {
  it('reads amounts in any unit, with fractions and commas', () => {
    const { rows, problems } = parseStoresCsv(
      [
        heading,
        'fat,olive oil,Mill,K-7,2027-03-01,2028-03-01,"1,5 kg",,"12,50",5',
        'scent,Amber blend,,,2027-03-01,,1 1/2 oz,,,',
      ].join('\n'),
    )
    expect(problems).to.deep.equal([])
    expect(rows[0]).to.deep.equal({
      kind: 'fat',
      name: 'Olive oil',
      ref: 'olive',
      leadDays: 5,
      lot: {
        supplier: 'Mill',
        lotNumber: 'K-7',
        receivedDay: '2027-03-01',
        bestBeforeDay: '2028-03-01',
        receivedAmount: 1500,
        leftAmount: null,
        priceCents: 1250,
      },
    })
    // 1.5 · 28.349523125 g.
    expect(rows[1]?.lot?.receivedAmount).to.be.closeTo(42.524, 0.001)
  })

  it('reads a pasted table, and headings as people write them', () => {
    const { rows } = parseStoresCsv('Kind\tName\tLead days\ncolourant\tCarriage blue\t7\n\n')
    expect(rows).to.deep.equal([{ kind: 'colourant', name: 'Carriage blue', ref: '', leadDays: 7, lot: null }])
    expect(parseStoresCsv('kind;name;ref\nfat;Mill oil;olive').rows[0]).to.include({ ref: 'olive', name: 'Mill oil' })
    expect(parseStoresCsv('kind;name\nalkali;NaOH').rows[0]).to.include({ ref: 'naoh', name: 'Sodium hydroxide' })
  })

  it('names each line that cannot be read, with what is wrong', () => {
    expect(
      problemsOf(
        'fruit,Apple,,,,,,,,',
        'fat,Unheard oil,,,,,,,,',
        'fat,Olive oil,,K,2027-02-30,,5 kg,,,',
        'fat,Olive oil,,K,2027-02-20,,five,,,',
        'fat,Olive oil,,K,2027-02-20,,,,,',
        'fat,Olive oil,,K,,,5 kg,,,',
        'fat,Olive oil,,K,2027-02-20,,1 kg,2 kg,,',
        'packaging,Box,,K,2027-02-20,,1.5,,,',
        'scent,,,,,,,,,',
        'alkali,Salt,,,,,,,,',
        'scent,Amber,,,,,,,,900 days',
      ),
    ).to.deep.equal([
      '2: stores_kind_unknown, text fruit, kinds fat alkali scent colourant liquid additive packaging stamp',
      '3: stores_fat_unknown, name Unheard oil',
      '4: stores_no_day, text 2027-02-30, column received',
      '5: stores_cell, text five, column amount, problem (quantity_unread, kind mass, example 340.19 g)',
      '6: stores_amount_missing, example 5000 g',
      '7: stores_day_missing',
      '8: stores_left_over_came',
      '9: stores_cell, text 1.5, column amount, problem (not_whole)',
      '10: stores_name_range',
      '11: stores_alkali_unknown, name Salt',
      '12: stores_cell, text 900 days, column lead_days, problem (out_of_range, least 0, most 365)',
    ])
  })

  it('refuses a lot that is named twice', () => {
    const line = 'fat,Olive oil,Mill,K,2027-02-20,,5 kg,,,'
    expect(problemsOf(line, line)).to.deep.equal(['3: lot_twice'])
  })

  it('says so when the heading lacks what it needs, or the file is too long', () => {
    expect(plainly(parseStoresCsv('name,amount\nOlive oil,5 kg').problems[0]?.problem)).to.contain('lacking [kind]')
    expect(plainly(parseStoresCsv('').problems[0]?.problem)).to.contain('lacking [kind, name]')
    expect(plainly(parseStoresCsv('x'.repeat(longestStoresFile + 1)).problems[0]?.problem)).to.equal(
      'stores_file_too_long',
    )
    const many = Array.from({ length: mostStoresRows + 1 }, (_, index) => `scent,Scent ${index},,,,,,,,`)
    expect(problemsOf(...many)[0]).to.contain('stores_too_many_lines, most 2000')
  })

  it('never throws, whatever the text', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const { rows, problems } = parseStoresCsv(`${heading}\n${text}`)
        expect(rows.length + problems.length).to.be.at.least(0)
        for (const { problem } of problems) expect(problem.code).not.to.equal('')
      }),
    )
  })
})

describe('writeStoresCsv', () => {
  it('is read back as it was written, with names that a table program would run', () => {
    const name = fc.stringMatching(/^[=+@A-Za-z][A-Za-z ;,"]{0,20}[A-Za-z]$/)
    const anyRow: fc.Arbitrary<StoresRow> = fc.record({
      kind: fc.constantFrom('scent' as const, 'colourant' as const),
      name,
      ref: fc.constant(''),
      leadDays: fc.option(fc.integer({ min: 0, max: 365 })),
      lot: fc.record({
        supplier: name,
        lotNumber: fc.uuid(),
        receivedDay: fc.constantFrom('2027-01-31', '2026-12-01'),
        bestBeforeDay: fc.option(fc.constant('2028-01-01')),
        receivedAmount: fc.integer({ min: 1000, max: 90_000 }).map((tenths) => tenths / 10),
        leftAmount: fc.integer({ min: 0, max: 100 }),
        priceCents: fc.integer({ min: 0, max: 100_000 }),
      }),
    })
    fc.assert(
      fc.property(fc.array(anyRow, { minLength: 1, maxLength: 6 }), (rows) => {
        const { rows: back, problems } = parseStoresCsv(writeStoresCsv(rows))
        expect(problems).to.deep.equal([])
        expect(back).to.deep.equal(rows)
      }),
    )
  })
})
