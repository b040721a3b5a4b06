import { describe, expect, it } from 'vitest'
import { bodyFromArchetype, withMenuRows } from '../bodies'
import houseBaseline from '../standards/house-baseline.json' with { type: 'json' }
import { SCHOOL_TARGETS } from '../guide/schools'
import { dimension } from '../vocabulary/dimensions'
import { USUAL_KEY_WORK, USUAL_ROWS } from '../vocabulary/usual-rows'
import { knowledgeOf } from './knowledge'
import { proposeFor } from './propose'

const blank = bodyFromArchetype('mirrorless', { id: 'marl', maker: 'Marl', model: 'Stilt' })

const readingsOf = (label: string, options: readonly string[]) => {
  const body = withMenuRows(blank, [{ tab: 'Menu', page: 'Page', label, options, preset: 0, place: '' }])
  return body.settings.flatMap(s => proposeFor(body, s, knowledgeOf([])))
}

describe('usual rows', () => {
  const rows = [...USUAL_ROWS].flatMap(([id, each]) => each.map(row => [id, row.label, row.options] as const))

  it.each(rows)('%s: %s', (id, label, options) => {
    const [first] = readingsOf(label, options)
    expect(first?.dimensions).toContain(id)
    expect(first?.certainty).not.toBe('unsure')
    // Every option is told, but one that only says that nothing else is.
    expect(first?.means.filter(m => Object.keys(m).length === 0)).toEqual([])
  })

  it('are there for whatever the guide or the house baseline asks', () => {
    const asked = [...SCHOOL_TARGETS, ...houseBaseline.layers.flatMap(l => l.targets)]
    const ids = new Set(asked.map(t => t.dimension).filter(id => dimension(id).kind !== 'assign'))
    // Lists of areas and resting places have no row that is usual: a tick for each, or a key.
    const isRow = (id: string) => dimension(id).kind !== 'position' && dimension(id).kind !== 'areas'
    expect([...ids].filter(id => isRow(id) && !USUAL_ROWS.get(id)?.length)).toEqual([])
  })

  it('know work for keys that is read as such', () => {
    const [first] = readingsOf('Upper thumb key', USUAL_KEY_WORK)
    expect(first?.certainty).toBe('sure')
    expect(first?.means.map(m => Object.keys(m).join(' '))).toEqual([
      'trigger.start',
      'trigger.stop',
      'meter.lock',
      'meter.lock',
      'meter.lock trigger.stop',
      'trigger.manual',
      'area.recall',
      'subject.toggle',
      'subject.cycle',
      'area.cycle',
      'see.enlarge',
      '',
    ])
  })
})
