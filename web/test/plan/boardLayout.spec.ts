import { expect } from 'chai'
import fc from 'fast-check'
import type { BoardBatch } from '../../src/plan/board/boardLayout'
import {
  cureOutlines,
  inWindow,
  mouldRows,
  packCures,
  placeInMoulds,
  roomAfter,
} from '../../src/plan/board/boardLayout'

const moulds = [
  { id: 'long', name: 'Long loaf', count: 2 },
  { id: 'tall', name: 'Tall loaf', count: 1 },
]
const rows = mouldRows(moulds)
const batch = (id: string, pour: number, cut: number, mouldId = 'long', mouldCount = 1): BoardBatch => ({
  id,
  designId: id,
  name: id,
  moulds: new Map([[mouldId, mouldCount]]),
  prep: pour - 1,
  pour,
  cut,
  ready: cut + 28,
  needed: cut + 30,
  isPlanned: true,
  isPinned: false,
})

describe('the rows of the board', () => {
  it('name each mould', () =>
    expect(rows.map(({ label }) => label)).to.deep.equal(['Long loaf 1', 'Long loaf 2', 'Tall loaf']))

  it('leave each name the room up to the next pour of its mould', () => {
    const rooms = roomAfter(placeInMoulds([batch('a', 1, 3), batch('c', 6, 8), batch('t', 2, 3, 'tall')], rows))
    expect([...rooms]).to.deep.equal([['a:0', 5]])
  })

  it('give a batch the first mould that is free, and both when it fills two', () => {
    const placed = placeInMoulds(
      [batch('a', 1, 3), batch('b', 2, 4), batch('c', 3, 5), batch('d', 6, 7, 'long', 2)],
      rows,
    )
    expect(placed.map((one) => [one.batch.id, one.row, one.isFirst, one.isOver])).to.deep.equal([
      ['a', 0, true, false],
      ['b', 1, true, false],
      ['c', 0, true, false],
      ['d', 0, true, false],
      ['d', 1, false, false],
    ])
  })

  it('show a batch over another when no mould is free', () => {
    const placed = placeInMoulds([batch('a', 1, 3, 'tall'), batch('b', 2, 4, 'tall')], rows)
    expect(placed.map(({ row, isOver }) => [row, isOver])).to.deep.equal([
      [2, false],
      [2, true],
    ])
  })

  const batches = fc.array(
    fc
      .tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 3 }))
      .map(([pour, set]) => ({ pour, cut: pour + set })),
    { maxLength: 30 },
  )

  it('never put two batches into one mould at once, unless they say so', () => {
    fc.assert(
      fc.property(batches, (list) => {
        const placed = placeInMoulds(
          list.map(({ pour, cut }, index) => batch(`b${index}`, pour, cut)),
          rows,
        )
        expect(placed).to.have.length(list.length)
        for (const a of placed)
          for (const b of placed)
            if (
              a.batch.id !== b.batch.id &&
              a.row === b.row &&
              a.batch.pour < b.batch.cut &&
              b.batch.pour < a.batch.cut
            )
              expect(a.isOver || b.isOver).to.equal(true)
      }),
    )
  })

  it('pack cures without overlap', () => {
    fc.assert(
      fc.property(batches, (list) => {
        const packed = packCures(
          list.map(({ pour, cut }, index) => batch(`b${index}`, pour, cut)),
          2,
        )
        for (const a of packed)
          for (const b of packed)
            if (a.batch.id !== b.batch.id && a.row === b.row)
              expect(a.batch.cut >= b.batch.needed! || b.batch.cut >= a.batch.needed!).to.equal(true)
      }),
    )
  })

  it('draw cures as outlines, the late ones apart', () => {
    const late = { ...batch('b', 1, 3), needed: 20 }
    const at = { dayWidth: 10, rowHeight: 18, today: 5 }
    const drawn = cureOutlines(
      [
        { batch: batch('a', 0, 2), row: 0 },
        { batch: late, row: 1 },
      ],
      at,
    )
    // Cut on day 2, ready on 30: 28 days; three of them are over.
    expect(drawn.cure).to.equal('M2 5h28v7h-28z')
    expect(drawn.lateCure).to.equal('M3 23h28v7h-28z')
    expect(drawn.cured).to.equal('M2 5h3v7h-3zM3 23h2v7h-2z')
    expect(drawn.wait).to.equal('M30 8.5H32M31 26.5H20')
    // As wide at any zoom: 9 pixels are 0.9 days here.
    expect(drawn.latePennant).to.match(/^M20 34v-14h0\.9l/)
  })

  it('draw only what reaches into sight', () => {
    const placed = packCures([batch('a', 1, 3), batch('b', 50, 52)], 2)
    const ids = (from: number, to: number) =>
      inWindow(
        placed,
        { from, to },
        ({ cut }) => cut,
        ({ ready }) => ready,
      ).map((one) => one.batch.id)
    expect(ids(0, 10)).to.deep.equal(['a'])
    expect(ids(31, 60)).to.deep.equal(['a', 'b'])
    expect(ids(32, 51)).to.deep.equal([])
  })
})
