import { expect } from 'chai'
import { facePicture } from '../../src/plan/board/facePicture'

const colours = [
  { hex: '#A3343C', share: 0.5 },
  { hex: '#F4EEE2', share: 0.5 },
]

describe('facePicture', () => {
  it('holds the face as a picture of its own, with every colour', () => {
    const svg = decodeURIComponent(facePicture('Regatta', colours).replace('data:image/svg+xml,', ''))
    expect(svg).to.match(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg"/)
    expect(svg).to.contain('fill="#A3343C"').and.contain('fill="#F4EEE2"')
  })

  it('is the same for the same look and another for another', () => {
    expect(facePicture('Regatta', colours)).to.equal(facePicture('Regatta', colours))
    expect(facePicture('Dawn', colours)).not.to.equal(facePicture('Regatta', colours))
    expect(facePicture('Regatta', colours.slice(0, 1))).not.to.equal(facePicture('Regatta', colours))
  })

  it('leaves colours without a share out, and draws plain batter for none', () => {
    expect(facePicture('Plain', [{ hex: '#000000', share: 0 }])).to.equal(facePicture('Plain', []))
  })
})
