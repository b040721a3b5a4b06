import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'
import { type Body, bodyAt, editSetting, versionsOf, withFormAt, withUpdate } from '../../src/core/bodies'
import * as authoring from '../../src/server/authoring'
import { formOf, readBody, units } from '../../src/server/catalogue'
import { readCard } from '../../src/server/cards'
import { readConcordance } from '../../src/server/concordance'
import { database } from '../../src/server/database'
import { readExplanation } from '../../src/server/explanation'
import * as kit from '../../src/server/kit'
import { readConcept } from '../../src/server/phrasebook'

/** A later firmware as the team meets it: on the card of the unit that runs it, and nowhere before. */
useDemoFolder()

const runs = async (tag: string, firmware: string) => {
  const unit = (await kit.readKit()).units.find(u => u.tag === tag)
  if (!unit) throw new Error(`no unit ${tag}`)
  const { id, revision, modelName, ...fields } = unit
  expect(modelName).toContain('Linnet')
  await kit.saveUnit({ ...fields, firmware }, id, revision, by())
  return id
}

/** Linnet 3.0 renames its way and gives Roam a neighbour that follows birds only. */
const withThree = (linnet: Body): Body =>
  withFormAt(
    withUpdate(linnet, '3.0', 'Another word.'),
    '3.0',
    editSetting(bodyAt(linnet, '2.0'), 'way', s => ({ ...s, label: 'Manner of flight' })),
  )

describe('a firmware that renames a setting', () => {
  it('is stored as a change set, and the profile at each version is whole', async () => {
    const { document } = await readBody('linnet')
    const three = withThree(document)
    const { problems } = await authoring.saveBody(
      'linnet',
      { document: three, revision: 1, what: 'firmware 3.0' },
      by(),
    )
    expect(problems).toEqual([])
    const stored = await readBody('linnet')
    expect(versionsOf(stored.document)).toEqual(['1.0', '2.0', '3.0'])
    expect(formOf(stored, '1.4').settings[0]?.label).toBe('Way')
    expect(formOf(stored, '3.1').settings[0]?.label).toBe('Manner of flight')
    expect(
      formOf(stored, '3.1')
        .settings.find(s => s.id === 'kin')
        ?.options.map(o => o.label),
    ).toContain('Kin: feathered')
  })

  it('is on the card of the unit that runs it, and not on its sister’s', async () => {
    const id = await runs('TSP-L1', '3.0')
    const words = async (unit: string) => (await readCard('ring-action', 'linnet', unit)).steps.map(s => s.setting)
    expect(await words(id)).toContain('Manner of flight')
    expect(await words('tsp-l2')).toContain('Way')
    expect(await words('tsp-l2')).not.toContain('Manner of flight')
  })

  it('counts in the Concordance only once every unit runs it', async () => {
    const firmware = async () => (await readConcordance('ring-action', [{ id: 'linnet' }])).columns[0]?.firmware
    const menu = async () => (await readExplanation('ring-action', 'linnet', 'mode.drive')).delivered[0]?.label
    expect([await firmware(), await menu()]).toEqual(['1.3', 'Way'])
    for (const tag of ['TSP-L2', 'TSP-L3', 'TSP-L4']) await runs(tag, '3.0')
    expect([await firmware(), await menu()]).toEqual(['3.0', 'Manner of flight'])
  })

  it('is what the phrasebook then says', async () => {
    const { rows } = await readConcept('mode.drive', ['linnet'])
    expect(rows[0]?.settings.map(s => s.label)).toEqual(['Manner of flight'])
  })

  it('frees what the former one forbade', async () => {
    const { document } = await readBody('linnet')
    expect(bodyAt(document, '1.4').rules.map(r => r.id)).toContain('kin-no-star')
    expect(bodyAt(document, '3.0').rules.map(r => r.id)).not.toContain('kin-no-star')
  })
})

it('a unit cannot run a firmware that its profile does not reach back to', async () => {
  const unit = (await units()).find(u => u.body_id === 'yarrow')
  if (!unit) throw new Error('the demo lost a unit')
  const fields = {
    tag: unit.tag,
    kind: 'body',
    model: 'yarrow',
    serial: '',
    firmware: '0.4',
    owner: '',
    hiredUntil: '',
    notes: '',
  }
  await expect(kit.saveUnit(fields, unit.id, unit.revision, by())).rejects.toThrow(/expected 1.0 or later/)
})

it('a profile stored before there were updates is read as one without any', async () => {
  const db = await database()
  const { document } = await readBody('pebble')
  const { updates, unconfirmed, ...old } = document
  expect([updates, unconfirmed]).toEqual([[], []])
  await db('bodies')
    .where({ id: 'pebble' })
    .update({ document: JSON.stringify(old), revision: 7 })
  const read = await readBody('pebble')
  expect([read.document.updates, read.document.unconfirmed]).toEqual([[], []])
  expect((await readConcordance('ring-action', [{ id: 'pebble' }])).columns).toHaveLength(1)
})
