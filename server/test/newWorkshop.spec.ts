import { workshopSchema } from '@vendange/contract'
import { expect } from 'chai'
import { newWorkshop } from '../src/db/newWorkshop'

describe('a new workshop', () => {
  it('begins as its country measures, pays and labels', () => {
    expect(newWorkshop('America/Chicago')).to.deep.include({
      massUnit: 'oz',
      lengthUnit: 'in',
      temperatureUnit: '°F',
      currency: 'USD',
      labelStyle: 'us',
    })
    expect(newWorkshop('Europe/London')).to.deep.include({ massUnit: 'g', currency: 'GBP', labelStyle: 'eu' })
    expect(newWorkshop('Europe/Lisbon')).to.deep.include({ massUnit: 'g', currency: 'EUR', labelStyle: 'eu' })
    expect(newWorkshop('Asia/Tokyo')).to.deep.include({ massUnit: 'g', currency: 'JPY' })
  })

  it('is one that could have been typed, in whatever zone', async () => {
    for (const zone of ['UTC', 'Etc/GMT+5', ...Intl.supportedValuesOf('timeZone')])
      expect(await workshopSchema.validate(newWorkshop(zone), { strict: true })).to.have.property('timeZone', zone)
  })
})
