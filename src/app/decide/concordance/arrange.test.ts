import { describe, expect, it } from 'vitest'
import type { Grade } from '@/core/vocabulary/grade'
import type { Concordance } from '@/core/resolve/concordance'
import { arrange, type Look } from './arrange'

const ALL: Look = { onlyDiffering: false, byAgreement: false, folded: new Set() }

const cell = (grade: Grade) => ({ main: grade, sub: '', grade, distance: 0, held: true })
const column = (id: string, agreement: number) => ({
  id,
  maker: 'M',
  model: id,
  units: 1,
  undecided: 0,
  firmware: '1.0',
  agreement,
  mustsHeld: 1,
})
const row = (dimension: string, group: 'how' | 'stays') =>
  ({ dimension, label: dimension, group, wanted: '', weight: 'must', layer: 'S' }) as const

const concordance: Concordance = {
  standard: { id: 's', name: 'S', about: '', lambdaHundredths: 0, version: 1 },
  columns: [column('low', 0.5), column('high', 0.9)],
  rows: [row('trigger.touch', 'how'), row('track.hold', 'stays'), row('track.response', 'stays')],
  cells: [
    [cell('same'), cell('same')],
    [cell('near'), cell('same')],
    [cell('missing'), cell('missing')],
  ],
  summary: {
    alike: 1,
    agreement: 0.7,
    mustsHeldEverywhere: 1,
    musts: 1,
    brokenMusts: [],
    spreads: [],
    withoutEach: [],
  },
  failed: [],
}

const shown = (look: Partial<Look>) =>
  arrange(concordance, { ...ALL, ...look }).lines.map(l => (l.kind === 'group' ? `[${l.id}]` : l.row.dimension))

describe('lines', () => {
  it('stand under their groups, in the order of the house', () => {
    expect(shown({})).toEqual(['[how]', 'trigger.touch', '[stays]', 'track.hold', 'track.response'])
  })

  it('leave out what is the same everywhere, and groups that are empty then', () => {
    expect(shown({ onlyDiffering: true })).toEqual(['[stays]', 'track.hold', 'track.response'])
  })

  it('fold away under their group, which still counts them', () => {
    expect(shown({ folded: new Set(['stays'] as const) })).toEqual(['[how]', 'trigger.touch', '[stays]'])
    const { lines } = arrange(concordance, { ...ALL, folded: new Set(['stays'] as const) })
    expect(lines.at(-1)).toMatchObject({ targets: 2, folded: true })
  })
})

describe('columns', () => {
  it('keep the order they come in, or put the best first, and remember whose cells are whose', () => {
    expect(arrange(concordance, ALL).columns.map(c => c.column.id)).toEqual(['low', 'high'])
    expect(arrange(concordance, { ...ALL, byAgreement: true }).columns.map(c => [c.column.id, c.index])).toEqual([
      ['high', 1],
      ['low', 0],
    ])
  })
})
