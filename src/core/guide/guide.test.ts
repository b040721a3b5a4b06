import { describe, expect, it } from 'vitest'
import { CASES } from '../../../test/fixtures/guide/cases'
import { judge } from '../../../test/fixtures/guide/judge'

describe('situations', () => {
  const judged = CASES.map(c => ({ name: c.name, ...judge(c) }))
  it('are answered', () => {
    for (const j of judged) {
      const all = [
        ...j.settings,
        ...j.schools,
        ...j.advice.map(a => `advice ${a}`),
        ...j.rescues.map(a => `rescue ${a}`),
      ]
      if (all.length) console.log(j.name + '\n    ' + all.join('\n    '))
    }
    for (const kind of ['settings', 'schools', 'advice', 'rescues'] as const) {
      const full = judged.filter(j => j[kind].length === 0).length
      const missed = judged.reduce((n, j) => n + j[kind].length, 0)
      const of = judged.reduce((n, j) => n + j.expected[kind], 0)
      console.log(kind, 'full', full, 'of', judged.length, 'missed', missed, 'of', of)
    }
  })
})
