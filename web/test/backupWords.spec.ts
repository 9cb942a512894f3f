import { expect } from 'chai'
import { backupWords } from '../src/workshop/backupWords'

describe('a backup in words', () => {
  it('tells when it was kept and why, in the zone of the machine', () => {
    expect(backupWords('vendange-2027-03-08-120000-on-request.sqlite', 'Europe/Lisbon')).to.deep.equal({
      when: 'Mon 8 Mar 2027, 12:00',
      why: 'kept by hand',
    })
    expect(backupWords('vendange-2027-03-08-233000-before-restore-2.sqlite', 'Asia/Tokyo')).to.deep.equal({
      when: 'Tue 9 Mar 2027, 08:30',
      why: 'before a backup was put back',
    })
  })

  it('is its name where that tells neither', () => {
    expect(backupWords('my-copy.sqlite')).to.deep.equal({ when: 'my-copy.sqlite', why: '' })
  })
})
