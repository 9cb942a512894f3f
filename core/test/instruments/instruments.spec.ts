import { expect } from 'chai'
import fc from 'fast-check'
import type { Command, ProbeState, Reading, ScaleState } from '../../src/instruments'
import {
  commandProbe,
  commandScale,
  emptyScale,
  hungProbe,
  parseCommand,
  parseReading,
  passProbeTime,
  passTime,
  readProbe,
  readScale,
  writeReading,
} from '../../src/instruments'

const put = (massG: number): Command => ({ kind: 'put', massG })
/** Lets time pass in fifths of a second, without a tremble. */
const wait = (state: ScaleState, ms: number): ScaleState =>
  Array.from({ length: ms / 200 }).reduce((now: ScaleState) => passTime(now, 200, 0), state)
const dipFor = (state: ProbeState, ms: number): ProbeState =>
  Array.from({ length: ms / 200 }).reduce((now: ProbeState) => passProbeTime(now, 200), state)

describe('the stand-in for a scale', () => {
  it('moves, then settles on what lies on it', () => {
    const loaded = commandScale(emptyScale, put(350))
    expect(readScale(wait(loaded, 400))).to.include({ isSettled: false })
    expect(readScale(wait(loaded, 5000))).to.deep.equal({
      kind: 'mass',
      massG: 350,
      isSettled: true,
      isTared: false,
    })
  })

  it('trembles while it moves, and not when it stands', () => {
    const moving = passTime(commandScale(emptyScale, put(350)), 200, 0)
    expect(passTime(moving, 200, 1).sensedG - passTime(moving, 200, -1).sensedG).to.equal(2)
    const still = wait(commandScale(emptyScale, put(350)), 5000)
    expect(passTime(still, 200, 1).sensedG).to.equal(passTime(still, 200, -1).sensedG)
  })

  it('shows zero for a vessel that was tared, and a negative mass once it is lifted', () => {
    const tared = commandScale(wait(commandScale(emptyScale, put(212)), 5000), { kind: 'tare' })
    expect(readScale(wait(tared, 1000))).to.include({ massG: 0, isTared: true })
    expect(readScale(wait(commandScale(tared, put(381)), 5000))).to.include({ massG: 381 })
    expect(readScale(wait(commandScale(tared, { kind: 'empty' }), 5000))).to.include({ massG: -212 })
  })

  it('goes over when more lies on it than it can weigh, and comes back', () => {
    const over = wait(commandScale(emptyScale, put(6100)), 5000)
    expect(readScale(over)).to.deep.equal({ kind: 'over' })
    expect(readScale(wait(commandScale(over, put(-5000)), 5000))).to.include({ kind: 'mass', massG: 1100 })
  })

  it('creeps under a load over hours', () => {
    const loaded = wait(commandScale(emptyScale, put(5000)), 5000)
    const later = wait(passTime(loaded, 3_600_000, 0), 5000)
    // 5000 g · 0.0004 an hour.
    expect(readScale(later)).to.include({ massG: 5002 })
  })

  it('takes nothing off that is not on it', () => {
    expect(commandScale(commandScale(emptyScale, put(50)), put(-80)).loadG).to.equal(0)
    expect(commandScale(emptyScale, { kind: 'dip', temperatureC: 40 })).to.equal(emptyScale)
  })
})

describe('the stand-in for a probe', () => {
  it('shows nothing in the air, and comes to what it is dipped in', () => {
    expect(readProbe(hungProbe)).to.deep.equal({ kind: 'off' })
    const dipped = commandProbe(hungProbe, { kind: 'dip', temperatureC: 43 })
    expect(readProbe(dipFor(dipped, 1000))).to.include({ isSettled: false })
    expect(readProbe(dipFor(dipped, 20_000))).to.deep.equal({
      kind: 'temperature',
      temperatureC: 43,
      isSettled: true,
    })
    expect(readProbe(commandProbe(dipped, { kind: 'lift' }))).to.deep.equal({ kind: 'off' })
    expect(passProbeTime(hungProbe, 1000)).to.equal(hungProbe)
    expect(commandProbe(hungProbe, { kind: 'tare' })).to.equal(hungProbe)
  })
})

describe('the lines of the stream', () => {
  it('are written as documented', () => {
    expect(writeReading({ kind: 'mass', massG: 350.5, isSettled: true, isTared: true })).to.equal(
      'mass 350.5 g settled tared',
    )
    expect(writeReading({ kind: 'mass', massG: -0, isSettled: false, isTared: false })).to.equal('mass 0 g moving')
    expect(writeReading({ kind: 'temperature', temperatureC: 43.2, isSettled: false })).to.equal(
      'temperature 43.2 C moving',
    )
    expect(writeReading({ kind: 'over' })).to.equal('over')
  })

  it('are read back as they were written', () => {
    const tenths = fc.integer({ min: -60_000, max: 60_000 }).map((value) => value / 10)
    const reading: fc.Arbitrary<Reading> = fc.oneof(
      fc.record({
        kind: fc.constant('mass' as const),
        massG: tenths,
        isSettled: fc.boolean(),
        isTared: fc.boolean(),
      }),
      fc.record({ kind: fc.constant('temperature' as const), temperatureC: tenths, isSettled: fc.boolean() }),
      fc.constantFrom({ kind: 'over' as const }, { kind: 'off' as const }),
    )
    fc.assert(
      fc.property(reading, (one) => {
        const back = parseReading(`${writeReading(one)}\r\n`)
        expect(writeReading(back ?? { kind: 'off' })).to.equal(writeReading(one))
      }),
    )
  })

  it('are passed over when torn or foreign', () => {
    for (const line of ['', 'mass', 'mass 35', '5 g settled', 'mass 1e9 g settled', 'mass 12 kg settled', 'hello'])
      expect(parseReading(line), line).to.equal(undefined)
    fc.assert(fc.property(fc.string(), (line) => void parseReading(line)))
  })

  it('carry what a hand does', () => {
    expect(parseCommand('tare')).to.deep.equal({ kind: 'tare' })
    expect(parseCommand('put -12.5 g')).to.deep.equal({ kind: 'put', massG: -12.5 })
    expect(parseCommand('dip 43 C')).to.deep.equal({ kind: 'dip', temperatureC: 43 })
    for (const line of ['put', 'put 5', 'dip hot', 'drop table']) expect(parseCommand(line), line).to.equal(undefined)
  })
})
