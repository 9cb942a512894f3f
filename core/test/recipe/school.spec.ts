import { expect } from 'chai'
import { soapingTemperatures, usualSchool } from '../../src/recipe'

describe('how warm lye and fats meet', () => {
  it('is what the workshop works at, where the lye is made the same day and cooled', () => {
    expect(soapingTemperatures(usualSchool.lye, 38)).to.deep.equal({ lyeC: 38, fatsC: 38 })
  })

  it('is between 46 and 49 °C where the lye is used hot, whatever the workshop works at', () => {
    for (const usualC of [20, 38, 60]) {
      const { lyeC, fatsC } = soapingTemperatures('same_day_hot', usualC)
      expect(lyeC).to.equal(fatsC)
      expect(lyeC).to.be.within(46, 49)
    }
  })

  it('is a cold lye in warm fats where it was made the night before', () => {
    const { lyeC, fatsC } = soapingTemperatures('night_before', 38)
    expect(fatsC).to.equal(38)
    expect(lyeC).to.be.within(18, 24)
  })
})
