import { expect } from 'chai'
import { cuttingRound, differsFromTwins } from '../../src/cutting'

const loaf = (lotCode: string, batchId: string, mouldName: string) => ({ lotCode, batchId, mouldName })

describe('cuttingRound', () => {
  it('goes mould by mould, a batch’s loaves together, in the order of their lots', () => {
    const groups = cuttingRound([
      loaf('270308-10', 'b', 'Long loaf'),
      loaf('270308-2', 'b', 'Long loaf'),
      loaf('270307-1', 'a', 'Tall loaf'),
      loaf('270307-2', 'a', 'Long loaf'),
    ])
    expect(
      groups.map(
        ({ mouldName, batchId, loaves }) => `${mouldName} ${batchId}: ${loaves.map((one) => one.lotCode).join(' ')}`,
      ),
    ).to.deep.equal(['Long loaf a: 270307-2', 'Long loaf b: 270308-2 270308-10', 'Tall loaf a: 270307-1'])
    expect(cuttingRound([])).to.deep.equal([])
  })
})

describe('differsFromTwins', () => {
  const twins = [
    { bars: 12, firstBarG: 118 },
    { bars: 12, firstBarG: 121 },
    { bars: 11, firstBarG: 120 },
  ]
  it('tells bars fewer or more than most of them, and a first bar off theirs', () => {
    expect(differsFromTwins({ bars: 12, firstBarG: 119 }, twins)).to.deep.equal({ bars: 0, isMassOff: false })
    expect(differsFromTwins({ bars: 10, firstBarG: 126 }, twins)).to.deep.equal({ bars: -2, isMassOff: false })
    // 120 and six per cent of it are 127.2.
    expect(differsFromTwins({ bars: 13, firstBarG: 128 }, twins)).to.deep.equal({ bars: 1, isMassOff: true })
    expect(differsFromTwins({ bars: 12, firstBarG: 112 }, twins).isMassOff).to.equal(true)
  })
  it('says nothing where there is none beside it', () => {
    expect(differsFromTwins({ bars: 1, firstBarG: 500 }, [])).to.deep.equal({ bars: 0, isMassOff: false })
  })
})
