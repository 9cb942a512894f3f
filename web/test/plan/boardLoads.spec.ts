import { expect } from 'chai'
import type { LoadsOfBoard } from '../../src/plan/board/boardLoads'
import { loadLayout, loadOutlines } from '../../src/plan/board/boardLoads'

const loads: LoadsOfBoard = {
  today: 14,
  racks: [
    { name: 'North rack', trays: 10 },
    { name: 'Door rack', trays: 5 },
  ],
  trays: [4, 12, 16],
  hours: [2, 5, 0],
  hoursThere: [4, 4, 4],
  makers: [
    { name: 'Ilse', hours: [3, 3, 4] },
    { name: 'Bram', hours: [1, 1, 0] },
  ],
}
const layout = loadLayout(loads.racks, loads.makers)
const everything = { dayWidth: 10, window: { from: 0, to: 100 } }
/** The shapes of an outline, each with where it begins and how tall it is. */
const shapesOf = (path: string): readonly { readonly x: number; readonly y: number; readonly tall: number }[] =>
  [...path.matchAll(/M([\d.]+) ([\d.]+)v-([\d.]+)/g)].map(([, x, y, tall]) => ({
    x: Number(x),
    y: Number(y),
    tall: Number(tall),
  }))

describe('loadLayout', () => {
  it('gives every rack, the hours and every maker a row of their own, in this order', () => {
    const rows = [...layout.racks, layout.hours, ...layout.makers]
    expect(rows.map(({ name }) => name)).to.deep.equal(['North rack', 'Door rack', 'Planned', 'Ilse', 'Bram'])
    rows.reduce((before, row) => {
      expect(row.top).to.be.at.least(before.top + before.height)
      return row
    })
    const last = rows.at(-1)!
    expect(layout.height).to.be.at.least(last.top + last.height)
  })
})

describe('loadOutlines', () => {
  it('fills the racks one after the other, and says when all are too few', () => {
    const { trays, traysOver } = loadOutlines(loads, layout, everything)
    const [north, door] = layout.racks
    // 4 of 10, then 10 of 10 and 2 of 5; 16 are one more than there are.
    expect(shapesOf(trays)).to.deep.equal([
      { x: 14, y: north!.top + north!.height, tall: 0.4 * north!.height },
      { x: 15, y: north!.top + north!.height, tall: north!.height },
      { x: 15, y: door!.top + door!.height, tall: 0.4 * door!.height },
    ])
    expect(shapesOf(traysOver).map(({ x, tall }) => [x, tall])).to.deep.equal([
      [16, north!.height],
      [16, door!.height],
    ])
  })

  it('tells days with more hours planned than there are from the others', () => {
    const { asked, askedOver, there, makers } = loadOutlines(loads, layout, everything)
    expect(shapesOf(asked)).to.have.length(1)
    // 5 h planned is the most of all days: the full height.
    expect(shapesOf(askedOver).map(({ tall }) => tall)).to.deep.equal([layout.hours.height])
    expect(shapesOf(there).map(({ tall }) => tall)).to.deep.equal([40, 40, 40])
    // Bram has no hours on the third day.
    expect(shapesOf(makers)).to.have.length(5)
  })

  it('draws nothing outside of the window', () => {
    const { asked, racks } = loadOutlines(loads, layout, { dayWidth: 10, window: { from: 30, to: 60 } })
    expect([asked, racks]).to.deep.equal(['', ''])
    expect(shapesOf(loadOutlines(loads, layout, { dayWidth: 10, window: { from: 0, to: 14 } }).there)).to.have.length(1)
  })
})
