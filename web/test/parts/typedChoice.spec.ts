import { expect } from 'chai'
import { choiceOf } from '../../src/parts/typedChoice'

const fats = [
  { value: 'coconut', title: 'Coconut oil' },
  { value: 'olive', title: 'Olive oil' },
  { value: 'olive_pomace', title: 'Olive oil, pomace' },
  { value: 'shea', title: 'Shea butter' },
]
const meant = (typed: string) => choiceOf(typed, fats)?.value

describe('what is meant by a text in a field with choices', () => {
  it('is the choice whose title was typed, in any case, with blanks around it', () => {
    expect(meant('Shea butter')).to.equal('shea')
    expect(meant('  coconut OIL ')).to.equal('coconut')
  })

  it('is the exact one where others hold it too', () => expect(meant('olive oil')).to.equal('olive'))

  it('is the only one that holds it', () => {
    expect(meant('shea')).to.equal('shea')
    expect(meant('pomace')).to.equal('olive_pomace')
  })

  it('is nothing where several hold it, none does, or nothing was typed', () => {
    expect(meant('oil')).to.equal(undefined)
    expect(meant('tallow')).to.equal(undefined)
    expect(meant(' ')).to.equal(undefined)
  })
})
