import { expect } from 'chai'
import fc from 'fast-check'
import { longestSubscribersFile, parseSubscribersCsv } from '../../src/release/csv'

const range = { min: 1, max: 20 }
const codes = (text: string): readonly string[] => {
  const read = parseSubscribersCsv(text, range)
  return read.ok ? [] : read.problems.map(({ code, params }) => (code === 'at_line' ? JSON.stringify(params) : code))
}

describe('a list of subscribers', () => {
  it('is read with what each gets and where', () => {
    const read = parseSubscribersCsv('Name,Bars,Address,Wish\nAda,2,"1 Quay, Town",no clove\nBo,1,,\n', range)
    expect(read).to.deep.equal({
      ok: true,
      subscribers: [
        { name: 'Ada', monthlyBars: 2, address: '1 Quay, Town', contact: '', wish: 'no clove' },
        { name: 'Bo', monthlyBars: 1, address: '', contact: '', wish: '' },
      ],
    })
  })

  it('says what cannot be read, and in which line', () => {
    expect(codes('name,address\nAda,x')).to.deep.equal(['subscribers_columns'])
    expect(codes('x'.repeat(longestSubscribersFile + 1))).to.deep.equal(['subscribers_file_too_long'])
    const [none, many, twice, nobody] = codes('name,bars\nAda,\nBo,21\nCy,2\ncy,3\n,4')
    expect(none).to.contain('"line":2').and.contain('subscriber_bars_range')
    expect(many).to.contain('"line":3').and.contain('subscriber_bars_range')
    expect(twice).to.contain('"line":5').and.contain('subscriber_twice')
    expect(nobody).to.contain('"line":6').and.contain('name_missing')
  })

  it('never throws, and gives nobody less or more than the range', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const read = parseSubscribersCsv(`name,bars\n${text}`, range)
        if (read.ok) for (const { monthlyBars } of read.subscribers) expect(monthlyBars).to.be.within(1, 20)
      }),
    )
  })
})
