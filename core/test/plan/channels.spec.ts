import { expect } from 'chai'
import { barsAgainstChannels } from '../../src/plan'

describe('barsAgainstChannels', () => {
  it('says how many are missing, and never fewer than none', () => {
    const channels = [{ bars: 24 }, { bars: 12 }]
    expect(barsAgainstChannels(channels, [18, 12])).to.deep.equal({ wanted: 36, given: 30, missing: 6 })
    expect(barsAgainstChannels(channels, [18, 18, 4])).to.deep.equal({ wanted: 36, given: 40, missing: 0 })
    expect(barsAgainstChannels([], [])).to.deep.equal({ wanted: 0, given: 0, missing: 0 })
  })
})
