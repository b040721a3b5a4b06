import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'
import { actorFor } from '../../src/server/actor'
import { demoStandards } from '../../src/demo/world'
import { effectiveTargets, type Standard } from '../../src/core/standards'
import { withoutTarget, withTarget } from '../../src/core/standards/edit'
import { concordanceTable } from '../../src/core/resolve'
import { addPerson } from '../../src/server/people'
import { listStandards, readStandard } from '../../src/server/catalogue'
import { readCard } from '../../src/server/cards'
import { sideBySide, twoSchools, twoSelections } from '../../src/server/comparison'
import { readConcordance, readInHand } from '../../src/server/concordance'
import { database } from '../../src/server/database'
import { readExplanation } from '../../src/server/explanation'
import { readComments, settle, writeComment } from '../../src/server/standard-comments'
import { effectOf } from '../../src/server/standard-effect'
import { importStandard } from '../../src/server/standard-import'
import {
  compareVersions,
  createStandard,
  keepLevel,
  moveVersion,
  onNewerBelow,
  openDraft,
  readStandardView,
  saveStandardDraft,
  standardHistory,
} from '../../src/server/standards'
import { standardPdf } from '../../src/server/standard-pdf'

/** What pages and routes call about standards, on the demo in a folder of its own. */
useDemoFolder()

/** Who approves. */
const LEAD = 'imelda-frost'
/** The revision of a version, as whoever looks at it sees it. */
const seen = async (id: string, version: number) => (await readStandard(`${id}@${version}`)).revision

const HOLD = { dimension: 'track.hold', value: 2, weight: 'should', reason: 'For a test.' } as const

/** A standard on top of the house baseline with one target of its own, approved. */
const approvedStandard = async (name: string): Promise<string> => {
  const { id } = await createStandard({ name, kind: 'work', below: 'house-baseline' }, by())
  const { document, revision } = await readStandard(id)
  await saveStandardDraft(id, 1, { document: withTarget(document, id, HOLD), revision, what: 'hold' }, by())
  await moveVersion(id, 1, { revision: await seen(id, 1), state: 'approved', why: 'For a test.' }, by(LEAD))
  return id
}

const edited = async (ref: string, what: string, change: (s: Standard) => Standard) => {
  const { document, revision } = await readStandard(ref)
  return saveStandardDraft(document.id, document.version, { document: change(document), revision, what }, by())
}

describe('the standards of the demo', () => {
  it('stand on each other, the version in force and the open draft told apart', async () => {
    const standards = await listStandards()
    expect(standards.map(s => s.name)).toEqual([
      'House baseline',
      'Close and tiny',
      'Evening class, first month',
      'High rope',
      'Night fire',
      'Ring action',
      'Talk on camera',
      'Through the crowd',
    ])
    expect(standards.find(s => s.id === 'ring-action')).toMatchObject({
      version: 2,
      state: 'approved',
      open: { version: 3, state: 'draft' },
      scopes: { people: ['yevgenia-moth'], scenes: ['Club passing'] },
    })
    expect((await readStandard('ring-action')).document.version).toBe(2)
    expect((await readStandard('ring-action@1')).state).toBe('retired')
    await expect(readStandard('ring-action@9')).rejects.toMatchObject({ status: 404 })
  })

  it('are read for a scene or a person where the address says so', async () => {
    const hand = await readInHand({ standard: 'ring-action', for: 'scenes:Club%20passing' })
    const wanted = async (context: typeof hand.context) =>
      (await readConcordance('ring-action', [{ id: 'sorrel' }], context)).rows.find(r => r.dimension === 'track.hold')
    expect(await wanted(hand.context)).toMatchObject({ wanted: '2 s ± 30 %', layer: 'Club passing' })
    expect(await wanted({})).toMatchObject({ wanted: '1.2 s ± 30 %', layer: 'Ring action' })
    const { over, from } = await readExplanation('ring-action', 'sorrel', 'track.hold', { context: hand.context })
    expect([from, ...over]).toEqual(['Club passing', 'Ring action: 1.2 s, a must', 'House baseline: 0.8 s, a should'])
    const card = await readCard('ring-action', 'sorrel', 'tsp-s1', { people: ['yevgenia-moth'] })
    expect(card).toMatchObject({ special: ['Yevgenia’s wrist'], standard: { version: 2, state: 'approved' } })
  })
})

describe('a draft', () => {
  it('is stored once, merged by whoever comes second, and told in the history with its author', async () => {
    const anna = await addPerson('Anna Draft', by())
    const { id } = await createStandard({ name: 'Drafted', kind: 'work', below: 'house-baseline' }, by(anna.id))
    const { document, revision } = await readStandard(id)
    const mine = withTarget(document, id, HOLD)
    const saved = await saveStandardDraft(id, 1, { document: mine, revision, what: 'hold: 2 s' }, by(anna.id))
    expect(saved).toEqual({ revision: 2, problems: [] })
    await expect(saveStandardDraft(id, 1, { document, revision, what: 'older' }, by())).rejects.toMatchObject({
      status: 409,
      more: { revision: 2, document: mine },
    })
    const [newest] = await standardHistory(id)
    expect(newest).toMatchObject({ what: 'version 1: hold: 2 s', person: 'Anna Draft' })
  })

  it('may hold what cannot be approved yet, and says what has to be mended', async () => {
    const { id } = await createStandard({ name: 'Loose', kind: 'work', below: 'house-baseline' }, by())
    const loose = { dimension: 'trigger.shutter', value: 'meters-only', weight: 'must', reason: 'Thumb.' } as const
    const { problems } = await edited(id, 'thumb', s => withTarget(s, id, loose))
    expect(problems.join()).toContain('expected a written reason why it may give way')
    await expect(
      moveVersion(id, 1, { revision: await seen(id, 1), state: 'approved', why: 'Now.' }, by(LEAD)),
    ).rejects.toMatchObject({
      status: 422,
    })
    await edited(id, 'reason', s => withTarget(s, id, { ...loose, relaxes: 'They know the thumb.' }))
    await moveVersion(id, 1, { revision: await seen(id, 1), state: 'in-review', why: '' }, by())
    await moveVersion(id, 1, { revision: await seen(id, 1), state: 'approved', why: 'Now.' }, by(LEAD))
    expect((await readStandard(id)).state).toBe('approved')
  })

  it('refuses nonsense and changes nothing by it', async () => {
    const { id } = await createStandard({ name: 'Steady', kind: 'work' }, by())
    const { document, revision } = await readStandard(id)
    const wrong = { ...document, layers: [{ ...document.layers[0], targets: [{ ...HOLD, value: 'long' }] }] }
    await expect(saveStandardDraft(id, 1, { document: wrong, revision, what: 'x' }, by())).rejects.toMatchObject({
      status: 422,
    })
    await expect(saveStandardDraft(id, 2, { document, revision, what: 'x' }, by())).rejects.toMatchObject({
      status: 422,
    })
    expect(await readStandard(id)).toMatchObject({ document, revision })
  })
})

describe('an approved version', () => {
  it('never changes, whoever tries, and retires when the next one is approved', async () => {
    const id = await approvedStandard('Fixed')
    const { document, revision } = await readStandard(id)
    const other = withTarget(document, id, { ...HOLD, value: 4 })
    await expect(saveStandardDraft(id, 1, { document: other, revision, what: 'x' }, by())).rejects.toMatchObject({
      status: 422,
    })
    const db = await database()
    await expect(
      db('standard_versions')
        .where({ standard_id: id, version: 1 })
        .update({ document: JSON.stringify(other) }),
    ).rejects.toThrow('an approved version never changes')
    const draft = await openDraft(id, by())
    expect(draft).toEqual({ id, version: 2, isNew: true })
    expect(await openDraft(id, by())).toEqual({ id, version: 2, isNew: false })
    await edited(`${id}@2`, 'longer', s => withTarget(s, id, { ...HOLD, value: 4 }))
    expect((await readStandard(id)).document.version).toBe(1)
    await expect(
      moveVersion(id, 2, { revision: await seen(id, 2), state: 'approved', why: ' ' }, by(LEAD)),
    ).rejects.toMatchObject({
      title: 'Say why',
    })
    await moveVersion(id, 2, { revision: await seen(id, 2), state: 'approved', why: 'Tried.' }, by(LEAD))
    const view = await readStandardView(id)
    expect(view.versions.map(v => [v.version, v.state, v.why])).toEqual([
      [2, 'approved', 'Tried.'],
      [1, 'retired', 'For a test.'],
    ])
    await expect(
      moveVersion(id, 1, { revision: await seen(id, 1), state: 'approved', why: 'Back.' }, by(LEAD)),
    ).rejects.toMatchObject({
      status: 422,
    })
    // A card that was made from the former version goes on saying so.
    expect((await readCard(`${id}@1`, 'sorrel', undefined)).standard).toMatchObject({ version: 1, state: 'retired' })
  })

  it('says before it is approved which units change, in how many steps, and what is lost', async () => {
    const effect = await effectOf('ring-action@3')
    expect(effect).toMatchObject({ against: 2, noticed: 3 })
    const tollgate = effect.bodies.find(b => b.body === 'tollgate')
    expect(tollgate).toMatchObject({ units: ['TSP-T1', 'TSP-T2', 'TSP-T3'], mustsLost: ['Hold when blocked'] })
    expect(effect.steps).toBe(effect.bodies.reduce((sum, b) => sum + b.steps * b.units.length, 0))
    expect(effect.agreementAfter).not.toBe(effect.agreementBefore)
    // Nothing changes against itself, and a first version is set from factory defaults.
    expect(await effectOf('ring-action@2')).toMatchObject({ units: 0, steps: 0, noticed: 0 })
    const { id } = await createStandard({ name: 'First of all', kind: 'work', below: 'house-baseline' }, by())
    expect((await effectOf(id)).against).toBeUndefined()
  })

  it('is compared with another by meaning', async () => {
    const { targets, layers } = await compareVersions('ring-action@2', 'ring-action@3', {})
    expect(targets.map(t => t.dimension)).toEqual(['area.pattern', 'track.hold', 'release.rate'])
    expect(layers).toEqual([])
  })
})

it('tells which lower layer has a newer version, and shows the standard on it', async () => {
  const below = await approvedStandard('Ground')
  const { id } = await createStandard({ name: 'Upper', kind: 'scene', below }, by())
  expect((await readStandardView(id)).newerBelow).toEqual([])
  await openDraft(below, by())
  await edited(`${below}@2`, 'longer', s => withTarget(s, below, { ...HOLD, value: 5 }))
  await moveVersion(below, 2, { revision: await seen(below, 2), state: 'approved', why: 'Longer.' }, by(LEAD))
  expect((await readStandardView(id)).newerBelow).toEqual([{ standard: below, name: 'Ground', has: 1, newest: 2 }])
  const moved = await onNewerBelow(id, below)
  expect(effectiveTargets(moved).find(t => t.dimension === 'track.hold')?.value).toBe(5)
})

describe('a file', () => {
  const ring = () => demoStandards().find(s => s.id === 'ring-action') as Standard

  it('goes out and comes in again without a difference', async () => {
    const before = await readStandard('ring-action')
    const again = JSON.parse(JSON.stringify(before.document)) as unknown
    expect(await importStandard(again, 'ring.json', by())).toMatchObject({
      isNew: false,
      version: undefined,
      differences: [],
    })
  })

  it('shows what it would change before it does, and changes nothing by showing', async () => {
    const changed = withoutTarget(
      withTarget(ring(), 'ring-action', { ...HOLD, relaxes: 'x' }),
      'ring-action',
      'see.lamp',
    )
    const preview = await importStandard(changed, 'ring.json', by(), { preview: true })
    expect(preview.version).toBe(4)
    expect(preview.differences.join('\n')).toContain('Hold when blocked: 2 s, a should; it was 1.2 s ± 30 %, a must')
    expect((await readStandardView('ring-action')).versions).toHaveLength(3)
    // With a draft open it is not taken over the head of whoever drafts.
    await expect(importStandard(changed, 'ring.json', by())).rejects.toMatchObject({ status: 409 })
  })

  it('becomes a draft; what is in force stays in force', async () => {
    const id = await approvedStandard('Carried')
    const { document } = await readStandard(id)
    const taken = await importStandard(withTarget(document, id, { ...HOLD, value: 3 }), 'c.json', by())
    expect(taken).toMatchObject({ isNew: false, version: 2 })
    expect((await listStandards()).find(s => s.id === id)).toMatchObject({
      version: 1,
      open: { version: 2, state: 'draft' },
    })
    const stranger = { ...document, id: 'stranger', name: 'Stranger' }
    expect(await importStandard(stranger, 's.json', by())).toMatchObject({ isNew: true, version: 1 })
    expect((await readStandard('stranger')).state).toBe('draft')
  })

  it('that relaxes a must without a reason is refused, and the place is named', async () => {
    const loose = {
      ...ring(),
      id: 'loose-file',
      layers: ring().layers.map(l => ({ ...l, targets: l.targets.map(({ relaxes, ...t }) => t) })),
    }
    await expect(importStandard(loose, 'loose.json', by())).rejects.toMatchObject({ status: 422 })
    await expect(importStandard(loose, 'loose.json', by())).rejects.toThrow(
      /loose\.json, layers\.1\.targets\.\d+\.relaxes/,
    )
    expect((await listStandards()).some(s => s.id === 'loose-file')).toBe(false)
  })
})

it('moves a version once: of two who retire and approve it at the same moment, one is told', async () => {
  const { id } = await createStandard({ name: 'Torn', kind: 'work', below: 'house-baseline' }, by())
  const { document, revision } = await readStandard(id)
  const saved = await saveStandardDraft(
    id,
    1,
    { document: withTarget(document, id, HOLD), revision, what: 'hold' },
    by(),
  )
  const both = await Promise.allSettled([
    moveVersion(id, 1, { revision: await seen(id, 1), state: 'retired', why: '' }, by()),
    moveVersion(id, 1, { revision: await seen(id, 1), state: 'approved', why: 'Tried.' }, by(LEAD)),
  ])
  expect(both.map(b => b.status).sort()).toEqual(['fulfilled', 'rejected'])
  const refused = both.find(b => b.status === 'rejected')
  expect(refused?.reason).toMatchObject({ status: expect.toBeOneOf([409, 422]) as number })
  const won = both[0].status === 'fulfilled' ? 'retired' : 'approved'
  expect((await readStandard(`${id}@1`)).state).toBe(won)
  expect(saved.revision).toBeGreaterThan(revision)
})

it('approves what was looked at: not a draft that was edited since, and not without a name', async () => {
  const { id } = await createStandard({ name: 'Looked at', kind: 'work', below: 'house-baseline' }, by())
  const { document, revision } = await readStandard(id)
  await saveStandardDraft(id, 1, { document: withTarget(document, id, HOLD), revision, what: 'hold' }, by())
  const approve = async ({ person, ...more }: { person?: string; revision?: number }) =>
    moveVersion(
      id,
      1,
      { revision: await seen(id, 1), state: 'approved', why: 'Tried.', ...more },
      await actorFor('approve-standards', person),
    )
  await expect(approve({ person: LEAD, revision })).rejects.toMatchObject({ status: 409 })
  await expect(approve({})).rejects.toMatchObject({ status: 422, title: 'Who approves?' })
  await expect(approve({ person: 'nobody-here' })).rejects.toMatchObject({ status: 422, title: 'No such person' })
  expect((await readStandard(id)).state).toBe('draft')
  await approve({ person: LEAD, revision: revision + 1 })
  expect((await readStandard(id)).state).toBe('approved')
})

it('keeps what people say about a target, and who settled it', async () => {
  const anna = await addPerson('Anna Talk', by())
  await writeComment(
    'ring-action',
    {
      version: 3,
      dimension: 'track.hold',
      text: 'Longer than the silks need?',
    },
    by(anna.id),
  )
  const comment = (await readComments('ring-action')).at(-1)
  expect(comment).toMatchObject({ version: 3, dimension: 'track.hold', person: 'Anna Talk', settled_at: null })
  await settle('ring-action', comment?.id ?? 0, true, by(anna.id))
  expect((await readComments('ring-action')).at(-1)).toMatchObject({ settler: 'Anna Talk' })
  await expect(settle('high-rope', comment?.id ?? 0, true, by())).rejects.toMatchObject({ status: 404 })
})

describe('a common level', () => {
  it('is kept in the draft and used by the Concordance, the explanation and the card', async () => {
    const id = await approvedStandard('Levelled')
    const level = { lambdaHundredths: 9900, values: [{ dimension: 'track.hold', value: 0.5 }] }
    expect(await keepLevel(id, level, by())).toEqual({ id, version: 2 })
    const ref = `${id}@2`
    const hold = async (of: string) => {
      const c = await readConcordance(of, [{ id: 'sorrel' }])
      return c.cells[c.rows.findIndex(r => r.dimension === 'track.hold')]?.[0]
    }
    expect((await hold(ref))?.distance).toBeGreaterThan((await hold(id))?.distance ?? 1)
    expect((await readExplanation(ref, 'sorrel', 'track.hold')).level).toBe('0.5 s')
    // Trying a level explains it without storing it.
    const tried = await readExplanation(id, 'sorrel', 'track.hold', { level })
    expect(tried.distance).toBe((await hold(ref))?.distance)
    await moveVersion(id, 2, { revision: await seen(id, 2), state: 'approved', why: 'Alike.' }, by(LEAD))
    const card = await readCard(id, 'sorrel', 'tsp-s1')
    expect(card.standard).toMatchObject({ version: 2, lambdaHundredths: 9900 })
    expect(await keepLevel(id, null, by())).toEqual({ id, version: 3 })
    expect((await readStandard(`${id}@3`)).document.level).toBeUndefined()
  })
})

describe('comparing', () => {
  it('two standards: what differs on which body, in its own words', async () => {
    const { bodies, targets } = await sideBySide('house-baseline', 'ring-action', ['linnet', 'wicket'], undefined)
    expect(bodies.map(b => b.body)).toEqual(['linnet', 'wicket'])
    const shutter = bodies[0]?.lines.find(l => l.dimension === 'trigger.shutter')
    expect(shutter).toMatchObject({ apart: 1, before: { grade: 'same' }, after: { grade: 'same' } })
    expect(shutter?.before?.words).not.toBe(shutter?.after?.words)
    expect(targets.some(t => t.dimension === 'trigger.shutter')).toBe(true)
    expect((await sideBySide('ring-action', 'ring-action', undefined, undefined)).bodies.flatMap(b => b.lines)).toEqual(
      [],
    )
  })

  it('two schools on one topic, whatever the standard says about it', async () => {
    const { bodies, targets } = await twoSchools(
      'ring-action',
      'start',
      ['thumb start', 'thumb stop'],
      ['sorrel'],
      undefined,
    )
    expect(targets.map(t => t.dimension)).toEqual(['trigger.shutter', 'trigger.start', 'trigger.stop'])
    expect(bodies[0]?.lines.some(l => l.dimension === 'trigger.stop' && l.after?.grade === 'same')).toBe(true)
    await expect(
      twoSchools('ring-action', 'start', ['thumb start', 'no school'], undefined, undefined),
    ).rejects.toMatchObject({ status: 404 })
  })

  it('one standard on two selections of bodies', async () => {
    const { sides, lines } = await twoSelections('ring-action', ['sorrel', 'teasel'], ['wicket'], undefined)
    expect(sides.map(s => s.bodies)).toEqual([['Sorrel', 'Teasel'], ['Wicket']])
    const hold = lines.find(l => l.dimension === 'track.hold')
    expect(hold?.sides[1]?.does).toEqual([{ value: 'nothing', bodies: ['Wicket'] }])
    expect((await twoSelections('ring-action', ['sorrel'], ['sorrel'], undefined)).lines).toEqual([])
  })
})

describe('on paper and in spreadsheets', () => {
  it('a standard fits on two pages, with every target and its reason, and a third for how to shoot', async () => {
    // The longest, the shortest, one with a page more, and one of a person's own: each takes a second.
    for (const id of ['close-and-tiny', 'house-baseline', 'ring-action', 'high-rope']) {
      const { bytes, name } = await standardPdf(id)
      const text = Buffer.from(bytes).toString('latin1')
      expect(name).toMatch(/^[a-z-]+\d*-\d+\.pdf$/)
      expect(text.startsWith('%PDF-')).toBe(true)
      expect({ id, pages: text.match(/\/Type \/Page\b/g)?.length }).toEqual({
        id,
        pages: id === 'close-and-tiny' ? 3 : 2,
      })
    }
  })

  it('the Concordance is a table with what each body does and how well', async () => {
    const table = concordanceTable(await readConcordance('ring-action', [{ id: 'wicket' }]))
    expect(table[0]).toEqual(['Group', 'Target', 'Wanted', 'Weight', 'From', 'Eskard Wicket', 'Grade', 'Distance'])
    expect(table).toContainEqual([
      'stays',
      'Hold when blocked',
      '1.2 s ± 30 %',
      'must',
      'Ring action',
      'no such setting',
      'missing, breaks a must',
      '1.000',
    ])
  })
})
