import { describe, it } from 'vitest'
import { expectBook, sure } from '../../../test/fixtures/book'
import { random } from '../../../test/fixtures/random'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, factoryState } from '../bodies'
import { askedOf, resolve } from '../resolve'
import { eventWords } from './event-words'
import { knownAfter, knownState, likeliestToDrift, type UnitEvent } from './known'
import { overruledBy, type SetEvent } from './late'
import { blockedBy, neighboursOf, proofsOf } from './proof'
import { dueAfter, readinessOf, readinessWords } from './readiness'
import { slotOfKey, slotsFrom, slotsText, storeKey } from './slots'
import { parseState, stateFileOf } from './state-file'
import {
  checkUnit,
  findModel,
  isOverdue,
  type Model,
  parseUnitTable,
  previewUnits,
  type Unit,
  unitsAsTable,
} from './units'

/** The lives of some units, as told on their pages. */

const linnet = sure(demoBodies().find(b => b.id === 'linnet'))
const ring = sure(demoStandards().find(s => s.id === 'ring-action'))
const newest = bodyAt(linnet, linnet.firmware.to)
const wanted = resolve(linnet, ring)

const DAY = 24 * 3600 * 1000
const on = (day: number): string => new Date(Date.UTC(2026, 0, 1) + day * DAY).toISOString()

/** A life that chance has made: what happens to cameras, in any order. */
const lifeOf = (seed: number): readonly UnitEvent[] => {
  const r = random(seed)
  let firmware = linnet.firmware.from
  return Array.from({ length: 12 }, (_, i): UnitEvent => {
    const happened = { at: on(i * 3), by: r.pick(['Imelda Frost', null]) }
    const setting = r.pick(newest.settings)
    const version = r.pick([ring.version, ring.version - 1])
    switch (
      r.pick([
        'set',
        'set',
        'read',
        'pictured',
        'reset',
        'firmware',
        'exchanged',
        'repaired',
        'returned',
        'stored',
        'signed',
      ] as const)
    ) {
      case 'set':
        return {
          ...happened,
          kind: 'set',
          setting: setting.id,
          option: r.pick(setting.options).id,
          how: r.pick(['card', 'person', 'file']),
        }
      case 'read':
        return { ...happened, kind: 'read', settings: wanted.state }
      case 'pictured':
        return { ...happened, kind: 'pictured', settings: { kin: 'kin-people', temper: 'temper-own' }, file: 'one.jpg' }
      case 'firmware': {
        const from = firmware
        firmware = firmware === linnet.firmware.from ? linnet.firmware.to : linnet.firmware.from
        return { ...happened, kind: 'firmware', from, to: firmware }
      }
      case 'exchanged':
        return { ...happened, kind: 'exchanged', what: r.pick(['model', 'serial']), from: 'a', to: 'b' }
      case 'stored':
        return { ...happened, kind: 'stored', slot: r.pick(['Nest A', 'Nest B']), standard: ring.id, version }
      case 'signed':
        return { ...happened, kind: 'signed', standard: ring.id, version, minutes: r.pick([null, 4.5]), steps: 12 }
      case 'reset':
        return { ...happened, kind: 'reset' }
      case 'repaired':
        return { ...happened, kind: 'repaired' }
      case 'returned':
        return { ...happened, kind: 'returned' }
    }
  })
}

describe('the book of units', () => {
  it('tells what happened, what is known by it, and whether the unit is ready', () =>
    expectBook(
      'lives',
      Array.from({ length: 24 }, (_, i) => i + 1).flatMap(seed => {
        const events = lifeOf(seed)
        return [
          `# ${seed}`,
          ...events.flatMap((e, i) => {
            const known = knownAfter(linnet, linnet.firmware.to, events.slice(0, i + 1))
            const late: SetEvent = {
              kind: 'set',
              setting: 'kin',
              option: 'kin-people',
              how: 'card',
              at: on(5),
              by: null,
            }
            const readiness = (weeks: number, steps: number) =>
              readinessWords(
                readinessOf(known, {
                  standard: ring.id,
                  version: ring.version,
                  steps,
                  settings: seed % 2 ? ['kin', 'temper'] : askedOf(newest, wanted),
                  recheckWeeks: weeks,
                  now: on(60),
                }),
                known,
              )
            const facts = [...known.facts].map(([id, f]) => `${id} ${f.option} ${f.how}`)
            return [
              `${eventWords(e, newest, () => ring.name)}: ${known.facts.size} known, ${known.lost.size} lost; signed ${known.signed?.at ?? 'never'}, touched ${known.touched?.kind ?? 'never'}, slots ${[...known.slots.keys()].join(', ')}; ${readiness(4, 0)}; ${readiness(12, 0)}; ${readiness(12, 3)}; late: ${overruledBy(linnet, linnet.firmware.to, events.slice(0, i + 1), late, on(50))?.kind}`,
              ...(facts.length < 6 ? facts : []),
              ...(i === 11
                ? [
                    likeliestToDrift(
                      known,
                      new Map([
                        ['kin', 2],
                        ['temper', 4],
                        ['half', 1],
                        ['tail', 0],
                      ]),
                      on(40),
                    ).join(', '),
                  ]
                : []),
            ]
          }),
        ]
      }),
    ))

  it('says how to prove a body, what stands beside a row, and what keeps a row from being changed', () =>
    expectBook(
      'proofs',
      demoBodies().flatMap((b: Body) => {
        const form = bodyAt(b, b.firmware.to)
        const { state } = resolve(b, ring)
        return [
          `# ${b.model}`,
          ...proofsOf(form, state).map(p => `${p.id}: ${p.words}`),
          neighboursOf(form, sure(form.settings[2]).id)
            .map(n => `${n.row} ${n.label}${n.isIt ? ' *' : ''}`)
            .join(', '),
          ...form.settings.flatMap(s =>
            [new Set<string>(), new Set(form.settings.map(x => x.id))].flatMap((unseen, i) =>
              blockedBy(form, factoryState(form), s.id, unseen).map(
                x =>
                  `${s.label}${i ? ' unseen' : ''}: ${x.rule} First ${x.first.join(', ')}; ${JSON.stringify(x.frees)}`,
              ),
            ),
          ),
        ]
      }),
    ))

  it('reads and writes lists of units, states and slots', () => {
    const models: readonly Model[] = [
      { id: 'linnet', kind: 'body', maker: linnet.maker, model: linnet.model, firmware: linnet.firmware },
      { id: 'reed', kind: 'lens', maker: 'Any', model: 'Reed 40' },
    ]
    const unit: Unit = {
      tag: 'A-1',
      kind: 'body',
      model: 'linnet',
      serial: '1',
      firmware: '2.0',
      owner: 'House',
      hiredUntil: '',
      notes: '',
    }
    const sheet = {
      problems: [],
      rows: [
        ['Asset tag', 'Type', 'Model', 'Serial', 'Version', 'Owner', 'Hired until', 'Condition'],
        ['A-1', 'body', 'linnet', '7', '2.0', 'House', '', ''],
        ['A-2', 'Body', `${linnet.maker} LINNET`, '', '0.1', '', '', ''],
        ['a-1', 'body', 'Linnet', '', '', '', '', ''],
        ['A-3', 'lens', 'Reed 40', '', '', '', '2026-13-01', 'dented'],
        ['A-4', 'tripod', 'Reed 40', '', '', '', '', ''],
        ['', 'lens', 'any reed 40', '', '', '', '2026-03-01', ''],
        ['A-5', 'lens', 'Nobody 50', '', '', '', '', ''],
      ],
    }
    const good = {
      ...sheet,
      rows: [sure(sheet.rows[0]), sure(sheet.rows[1]), ['B-1', 'lens', 'Reed 40', '', '', '', '2026-03-01', '']],
    }
    const known = knownAfter(linnet, '2.0', [{ kind: 'read', settings: { kin: 'kin-off' }, at: on(0), by: null }])
    const of = { body: newest, firmware: '2.0', tag: 'A-1' }
    const file = stateFileOf(of, known)
    const wishes = [
      { slot: 'Nest A', standard: 'ring-action' },
      { slot: 'Nest:B,1', standard: 'high-rope' },
    ]
    return expectBook(
      'lists',
      [
        parseUnitTable(sheet, models, 'units.csv'),
        parseUnitTable(good, models, 'units.csv'),
        unitsAsTable([unit, { ...unit, model: 'gone' }], models),
        previewUnits([unit], [unit, { ...unit, tag: 'a-1', serial: '2', notes: 'x' }, { ...unit, tag: 'C' }]),
        ['0.1', '1.0', '9.0'].map(firmware => checkUnit({ ...unit, firmware }, models)),
        checkUnit({ ...unit, model: 'gone' }, models),
        [findModel(models, 'body', ' LINNET '), findModel(models, 'lens', 'linnet')],
        ['', '2026-01-01', '2026-01-02', '2026-01-03'].map(hiredUntil => isOverdue({ hiredUntil }, '2026-01-02')),
        file,
        stateFileOf(of, knownAfter(linnet, '2.0', [])),
        knownState(known),
        ...[
          file,
          { ...file, unit: 'A-2' },
          { ...file, body: 'sorrel' },
          { ...file, firmware: '1.0' },
          { ...file, settings: { kin: 'none', tin: 'x' } },
          { ...file, unit: undefined },
        ].map(f => parseState(JSON.parse(JSON.stringify(f)), 'state.json', of)),
        slotsText(wishes),
        slotsFrom(slotsText(wishes), ['Nest A', 'Nest:B,1'], 6),
        slotsFrom(`${slotsText(wishes)},Nest A:other,x:y,Nest A,%:%`, ['Nest A', 'Nest:B,1'], 1),
        [slotsFrom(undefined, ['Nest A'], 6), storeKey('Nest A'), slotOfKey(storeKey('Nest A')), slotOfKey('kin=on')],
        dueAfter(on(0), 6),
      ].map(x => JSON.stringify(x)),
    )
  })
})
