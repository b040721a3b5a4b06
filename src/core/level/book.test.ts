import { describe, it } from 'vitest'
import { expectBook, sure } from '../../../test/fixtures/book'
import { demoBodies, demoStandards } from '../../demo/world'
import {
  asLevel,
  brokenMusts,
  costOfEach,
  type FleetBody,
  fleetProblem,
  insteadOf,
  levelFleet,
  levelReport,
  withoutOne,
} from './index'

/** What levelling the fleet of the demo comes to, body by body. */

const fleet: readonly FleetBody[] = demoBodies()
  .slice(0, 6)
  .map(body => ({ body, firmware: body.firmware.to }))
const rounded = (value: unknown): string =>
  JSON.stringify(value, (_, x: unknown) => (typeof x === 'number' ? Number(x.toPrecision(6)) : x))

describe('the book of levels', () => {
  it('says what each body gives up, gains and holds back', () =>
    expectBook(
      'levels',
      ['ring-action', 'high-rope'].flatMap(id => {
        const problem = fleetProblem(fleet, sure(demoStandards().find(s => s.id === id)))
        const best = levelFleet(problem, 0)
        return [100, 900].flatMap(lambda => {
          const levelled = levelFleet(problem, lambda)
          const report = levelReport(problem, best, levelled)
          return [
            `# ${id}, ${lambda}`,
            rounded({ ...report, bodies: undefined, spreads: undefined }),
            ...report.spreads.map(rounded),
            ...report.bodies.map(rounded),
            rounded(asLevel(problem, levelled)),
            rounded(costOfEach(problem, levelled)),
            ...fleet.flatMap((_, b) => [
              brokenMusts(problem, levelled, b).join(', '),
              rounded(withoutOne(problem, levelled, b)),
            ]),
            rounded(insteadOf(problem, 5, levelled, 0, 5, { kind: 'replace', by: sure(fleet[5]).body.id })),
          ]
        })
      }),
    ))
})
