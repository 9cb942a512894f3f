import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { readPourPlan } from '../src/pourPlanFile'
import { plainReading, sayFor } from '@vendange/words'

const say = sayFor(plainReading)

const document = readFileSync(fileURLToPath(new URL('../../docs/formats/pour-plan.md', import.meta.url)), 'utf8')
const example = /```json\n([\s\S]*?)```/.exec(document)?.[1] ?? ''

describe('readPourPlan', () => {
  it('reads the example of its document', () => {
    const read = readPourPlan(example)
    expect(read.ok && read.plan.moves.map(({ kind }) => kind)).to.deep.equal(['level', 'drop', 'level', 'hanger'])
  })

  it('says in words what is wrong with another file', () => {
    const messageOf = (text: string): string => {
      const read = readPourPlan(text)
      return read.ok ? '' : say(read.problem)
    }
    expect(messageOf('no plan')).to.equal('That file is no pour plan: it is not JSON.')
    expect(messageOf('{}')).to.match(/^That file is no pour plan that can be read: /)
    expect(messageOf('null')).to.match(/^That file is no pour plan that can be read: /)
    const plan = JSON.parse(example) as { moves: unknown[] }
    const many = JSON.stringify({ ...plan, moves: new Array(201).fill({ kind: 'spray' }) })
    expect(messageOf(many)).to.contain('At most 200 moves fit a pour.')
    expect(messageOf(JSON.stringify({ ...plan, moves: [{ kind: 'explode' }] }))).to.contain('moves[0].kind')
  })
})
