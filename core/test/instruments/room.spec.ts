import { expect } from 'chai'
import {
  commandRoom,
  parseCommand,
  parseReading,
  passRoomTime,
  quietRoom,
  readRoom,
  writeReading,
} from '../../src/instruments'

describe('the stand-in for a room sensor', () => {
  it('shows air that goes up and down in a day, and says it in lines', () => {
    const first = readRoom(quietRoom)
    expect(first).to.deep.equal({ kind: 'room', temperatureC: 20.5, humidity: 0.54 })
    const later = readRoom(passRoomTime(quietRoom, 30_000))
    expect(later.temperatureC).to.be.above(first.temperatureC)
    expect(later.humidity).to.be.below(first.humidity)
    expect(writeReading(later)).to.equal('room 21.3 C 51 %')
    expect(parseReading(writeReading(later))).to.deep.equal(later)
    expect(parseReading('room warm')).to.equal(undefined)
  })

  it('takes other air in by a command', () => {
    const air = parseCommand('air 26 C 70 %')!
    expect(air).to.deep.equal({ kind: 'air', temperatureC: 26, humidity: 0.7 })
    expect(readRoom(commandRoom(quietRoom, air))).to.deep.include({ temperatureC: 26, humidity: 0.7 })
    expect(commandRoom(quietRoom, { kind: 'tare' })).to.equal(quietRoom)
  })
})
