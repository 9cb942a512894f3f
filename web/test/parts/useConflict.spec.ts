import { expect } from 'chai'
import { nextTick, ref } from 'vue'
import { useConflict, valueTold } from '../../src/parts/useConflict'
import { mounted } from './page'

const mine = { name: 'Malachite', bars: 12, promises: ['palm_free'] }
const theirs = { name: 'Malachite', bars: 24, promises: ['vegan'] }

describe('two states of one thing', () => {
  it('differ field by field, and each field keeps what was chosen for it', () => {
    const { made: conflict } = mounted(() => useConflict(() => ({ mine, theirs })))
    expect(conflict.differing.value).to.deep.equal(['bars', 'promises'])
    expect(conflict.chosen()).to.deep.equal(mine)
    conflict.choice.value['bars'] = 'theirs'
    expect(conflict.chosen()).to.deep.equal({ ...mine, bars: 24 })
    expect(mine.bars).to.equal(12)
  })

  it('keep what was chosen when theirs changes once more', async () => {
    const there = ref(theirs)
    const { made: conflict } = mounted(() => useConflict(() => ({ mine, theirs: there.value })))
    conflict.choice.value['bars'] = 'theirs'
    there.value = { ...theirs, name: 'Malachite green', bars: 30 }
    await nextTick()
    expect(conflict.differing.value).to.deep.equal(['name', 'bars', 'promises'])
    expect(conflict.chosen()).to.deep.equal({ ...mine, bars: 30 })
  })

  it('are told whatever a field holds', () => {
    expect([null, '', 'Loaf', 3, true, ['a', 2], { from: '2027-03-08', hours: 2 }].map(valueTold)).to.deep.equal([
      'nothing',
      'nothing',
      'Loaf',
      '3',
      'true',
      'a; 2',
      '2027-03-08 2',
    ])
  })
})
