import { describe, expect, it } from 'vitest'
import { type Deed, DEEDS, mayNot } from './may'

const ALL = Object.keys(DEEDS) as Deed[]

describe('who may do what', () => {
  it('is everybody, everything, once they say who they are', () => {
    for (const deed of ALL) expect([deed, mayNot({ person: 'imelda-frost' }, deed)]).toEqual([deed, undefined])
  })

  it('asks for a name where something stays for good under it, and nowhere else', () => {
    const needed = ALL.filter(deed => mayNot({ person: undefined }, deed))
    expect(needed).toEqual(['sign-cards', 'approve-standards', 'practise', 'teach'])
    for (const deed of needed) {
      const refused = mayNot({ person: undefined }, deed)
      expect(refused).toMatchObject({ kind: 'needs-name' })
      expect(refused?.words).toContain('Say who you are at the top of the page')
    }
  })
})
