import { expect } from 'chai'
import { ref } from 'vue'
import { changing, fieldOf, useRows } from '../../src/parts/useRows'

const racks = () => [
  { name: 'North', trays: 14 },
  { name: 'Door', trays: 10 },
]

describe('useRows', () => {
  it('replaces the list at each change and leaves the one that was handed out as it is', () => {
    const handedOut = racks()
    const rows = ref(handedOut)
    const { set, add, remove } = useRows(rows)
    set(1, { trays: 12 })
    add({ name: 'Window', trays: 4 })
    remove(0)
    expect(rows.value).to.deep.equal([
      { name: 'Door', trays: 12 },
      { name: 'Window', trays: 4 },
    ])
    expect(handedOut).to.deep.equal(racks())
  })

  it('works on a field of a model, which is replaced too', () => {
    const before = { bufferDays: 3, racks: racks() }
    const model = ref(before)
    useRows(fieldOf(model, 'racks')).remove(0)
    changing(model)({ bufferDays: 5 })
    expect(model.value).to.deep.equal({ bufferDays: 5, racks: [{ name: 'Door', trays: 10 }] })
    expect(before).to.deep.equal({ bufferDays: 3, racks: racks() })
  })
})
