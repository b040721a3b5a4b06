import { describe, it } from 'vitest'
import { expectBook, sure } from '../../../test/fixtures/book'
import { demoBodies, demoStandards } from '../../demo/world'
import type { Body } from '../bodies'
import { effectiveTargets, type Standard } from '../standards'
import { buildConcordance, concordanceTable } from './concordance'
import {
  alternativeWords,
  askedOf,
  conflictWords,
  explain,
  listedBy,
  outcomeWords,
  partWords,
  resolve,
  whyLostWords,
  whyWords,
} from './index'
import { pinsOn } from './pins'
import { problemOf } from './problem'
import { purposeOf } from './purpose'

/** What the bodies of the demo get from its standards, in the words in which it is said to those who ask. */

const bodies = demoBodies()
const standards = demoStandards()
const standard = (id: string): Standard => sure(standards.find(s => s.id === id))
const body = (id: string): Body => sure(bodies.find(b => b.id === id))

const share = (x: number): string => x.toFixed(3)

describe('the book of the Concordance', () => {
  it('says what every body does about one standard, and why', () =>
    expectBook(
      'concordance',
      bodies.flatMap(b => {
        const r = resolve(b, standard('ring-action'))
        return [
          `# ${b.model} ${r.firmware}: agreement ${share(r.agreement)}, musts ${r.mustsHeld}, weighs ${listedBy(r).join(', ')}`,
          `asked of: ${askedOf(b, r).join(', ')}`,
          ...r.outcomes.map(
            o =>
              `${o.grade}${o.held ? '' : ', broken'} ${share(o.distance)} ${o.target.dimension}: ${outcomeWords(b, o)} | ${whyWords(b, o)}`,
          ),
          ...r.conflicts.map(conflictWords),
          ...pinsOn(b, standard('ring-action')).map(p => JSON.stringify(p)),
          '',
        ]
      }),
    ))

  it('says of every other option why it lost', () =>
    expectBook(
      'why-not',
      [body('linnet'), body('tollgate'), body('pebble')].flatMap(b =>
        effectiveTargets(standard('ring-action'))
          .map(t => t.dimension)
          .flatMap(d => {
            const { outcome, alternatives } = explain(b, standard('ring-action'), d)
            return [
              `# ${b.model}, ${d}`,
              ...partWords(outcome).map(
                p => `${p.label}: ${p.wanted}, got ${p.got}, ${share(p.weight)} x ${share(p.distance)}, ${p.how}`,
              ),
              ...alternatives.map(
                a => `  ${a.grade} ${share(a.distance)} ${alternativeWords(b, a)}: ${whyLostWords(a.lost)}`,
              ),
            ]
          }),
      ),
    ))

  it('sums up over all bodies, with and without a firmware of before', () =>
    expectBook(
      'fleet',
      [standard('ring-action'), standard('high-rope')].flatMap(s =>
        [true, false].flatMap(newest => {
          const resolved = bodies.slice(0, 6).map(b => {
            const firmware = newest ? undefined : b.firmware.from
            return { body: b, units: 1, resolution: resolve(b, s, { firmware }) }
          })
          const c = buildConcordance(s, resolved, [])
          return [
            `# ${s.name}, ${newest ? 'newest' : 'first'} firmware`,
            JSON.stringify({ ...c.summary, spreads: undefined }),
            ...c.summary.spreads.map(x => `  ${JSON.stringify(x)}`),
            ...concordanceTable(c).map(row => row.join(' · ')),
          ]
        }),
      ),
    ))

  it('says what each setting is for', () =>
    expectBook(
      'purposes',
      bodies.flatMap(b => {
        const r = resolve(b, standard('ring-action'))
        const problem = problemOf(b, standard('ring-action'))
        return [
          `# ${b.model}`,
          ...b.settings.flatMap(s => {
            const option = r.state[s.id]
            if (option === undefined || option === s.default) return []
            return [`${s.label}: ${JSON.stringify(purposeOf(problem, r, s.id, s.default))}`]
          }),
        ]
      }),
    ))
})
