import { expect } from 'chai'
import { amid } from '../src'

describe('words of our own amid a sentence', () => {
  it('begin small, but where they never do', () => {
    expect(['Look', 'In-the-pot swirl', 'Étuve', 'pH', 'KOH first', ''].map(amid)).to.deep.equal([
      'look',
      'in-the-pot swirl',
      'étuve',
      'pH',
      'KOH first',
      '',
    ])
  })
})
