import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import { generateBody } from '../fixtures/generate'
import { by } from '../fixtures/by'
import { demoBodies, demoStandards } from '../../src/demo/world'
import { importDocuments } from '../../src/server/authoring'
import { firmwareOf, listBodies, readBody, units } from '../../src/server/catalogue'
import { tickStep } from '../../src/server/card-actions'
import { listCards, readCard } from '../../src/server/cards'
import { readConcordance, readInHand, readStoredResolutions } from '../../src/server/concordance'
import { readExplanation } from '../../src/server/explanation'
import { addPerson, listPeople } from '../../src/server/people'
import { RequestError } from '../../src/server/problems'
import { remember } from '../../src/server/remember'
import { resolveStateless } from '../../src/server/stateless'

/** What pages and routes call, on the demo in a folder of its own. */
useDemoFolder()

const linnet = () => demoBodies().find(b => b.id === 'linnet') as ReturnType<typeof demoBodies>[number]

describe('in hand', () => {
  it('are the named standard and bodies, else ring action and everything', async () => {
    const all = await readInHand({})
    expect([all.standard?.id, all.chosen.length, all.all]).toEqual(['ring-action', 12, true])
    const some = await readInHand({ standard: 'house-baseline', bodies: ['linnet', 'ghost'] })
    expect([some.standard?.id, some.chosen.map(b => b.id), some.all]).toEqual(['house-baseline', ['linnet'], false])
    expect((await readInHand({ bodies: ['ghost'] })).chosen).toHaveLength(12)
  })
})

describe('the Concordance', () => {
  it('has a cell for every target on every body, resolved with the oldest firmware of its units', async () => {
    const { chosen } = await readInHand({})
    const concordance = await readConcordance('ring-action', chosen)
    expect(concordance.cells).toHaveLength(concordance.rows.length)
    for (const row of concordance.cells) expect(row).toHaveLength(12)
    expect(concordance.columns.map(c => [c.id, c.firmware])).toContainEqual(['linnet', '1.3'])
    expect(concordance.columns.map(c => [c.id, c.units])).toContainEqual(['wicket', 6])
    expect(concordance.failed).toEqual([])
  })

  it('agrees with the stateless interface', async () => {
    const stored = (await readStoredResolutions('ring-action', ['linnet']))[0]
    const standard = demoStandards().find(s => s.id === 'ring-action')
    const [sent] = await resolveStateless({ standard, bodies: [linnet()], firmware: { linnet: '1.3' } })
    expect(sent).toEqual(stored)
  })

  it('follows a body that is replaced', async () => {
    const before = await readConcordance('ring-action', [{ id: 'pebble' }])
    const { document } = await readBody('pebble')
    const deaf = { ...document, settings: document.settings.filter(s => s.id !== 'horn') }
    await importDocuments(deaf, 'pebble.json', 'replace', by())
    const after = await readConcordance('ring-action', [{ id: 'pebble' }])
    const tone = before.rows.findIndex(r => r.dimension === 'see.tone')
    expect([before.cells[tone]?.[0]?.main, after.cells[tone]?.[0]?.main]).toEqual(['Quiet', '—'])
    await importDocuments(document, 'pebble.json', 'replace', by())
  })
})

it('explains a cell in words, with the layer it comes from', async () => {
  const explanation = await readExplanation('ring-action', 'tollgate', 'subject.class')
  expect(explanation).toMatchObject({
    grade: 'missing',
    from: 'Ring action',
    weight: 'should',
    gets: expect.stringContaining('blocked') as string,
  })
  expect(explanation.why).toContain('through the glass it sees no faces')
  expect(explanation.alternatives[0]).toMatchObject({ better: true, words: 'Face watch: Faces' })
  await expect(readExplanation('ring-action', 'tollgate', 'video.shift')).rejects.toThrow(RequestError)
})

describe('cards', () => {
  it('are one for each unit, with its own firmware', async () => {
    const { cards } = await listCards('ring-action', undefined)
    expect(cards).toHaveLength(24)
    expect((await readCard('ring-action', 'linnet', 'tsp-l1')).firmware).toBe('1.4')
    expect((await readCard('ring-action', 'linnet', 'tsp-l3')).firmware).toBe('1.3')
  })

  it('count their ticks, and forget those of steps that are no longer asked for', async () => {
    const { steps } = await readCard('ring-action', 'sorrel', 'tsp-s1')
    const [step] = steps
    await tickStep(
      {
        standard: 'ring-action',
        body: 'sorrel',
        unit: 'tsp-s1',
        step: step?.key ?? '',
        ticked: true,
      },
      by('rufus-quill'),
    )
    const done = async () => (await listCards('ring-action', ['sorrel'])).cards.map(c => [c.tag, c.done])
    expect(await done()).toEqual([
      ['TSP-S1', 1],
      ['TSP-S2', 0],
    ])
    await expect(
      tickStep({ standard: 'ring-action', body: 'sorrel', unit: 'tsp-s1', step: 'gone=away', ticked: true }, by()),
    ).rejects.toThrow('Reload the card')
    expect(await done()).toEqual([
      ['TSP-S1', 1],
      ['TSP-S2', 0],
    ])
  })

  it('say every caution once: with the step it belongs to, or below the steps', async () => {
    const card = await readCard('ring-action', 'tollgate', undefined)
    const said = [...card.steps.flatMap(s => s.cautions), ...card.cautions].map(c => c.id)
    expect(new Set(said).size).toBe(said.length)
    expect(card.steps.find(s => s.setting === 'Drive')?.cautions[0]?.words).toContain('side lever only')
    expect(card.steps.find(s => s.setting === 'Rear key A')?.cautions[0]?.title).toBe('Your thumb')
  })

  it('give every step a reason', async () => {
    for (const body of await listBodies())
      for (const step of (await readCard('ring-action', body.id, undefined)).steps)
        expect(step.why, step.key).not.toBe('')
  })

  it('of a unit that is not there are not found', async () => {
    await expect(readCard('ring-action', 'linnet', 'tsp-s1')).rejects.toMatchObject({ status: 404 })
  })
})

it('takes the oldest firmware of a body’s units, or the newest of its profile', async () => {
  expect(firmwareOf(linnet(), await units())).toBe('1.3')
  expect(firmwareOf(linnet(), [])).toBe('2.0')
})

it('adds a person once, whoever asks', async () => {
  const first = await addPerson('Odalys Brandt', by())
  expect(await addPerson('Odalys Brandt', by())).toEqual(first)
  expect((await listPeople()).filter(p => p.name === 'Odalys Brandt')).toHaveLength(1)
})

it('refuses a profile that contradicts itself and keeps the one it has', async () => {
  const { stamp } = await readBody('linnet')
  const rules = [
    {
      id: 'self',
      words: 'It bites its tail.',
      when: [{ setting: 'kin', is: ['kin-off'] }],
      then: { effect: 'unavailable', setting: 'kin' },
    },
  ]
  await expect(importDocuments({ ...linnet(), rules }, 'linnet.json', 'replace', by())).rejects.toThrow(
    'It bites its tail.',
  )
  expect((await readBody('linnet')).stamp).toBe(stamp)
})

it('resolves two hundred bodies in one request, and no more', async () => {
  const standard = (await import('../../src/core/standards/house-baseline.json')).default
  const bodies = Array.from({ length: 201 }, (_, i) => generateBody(i, { settings: 3, rules: 0 }))
  await expect(resolveStateless({ standard, bodies })).rejects.toThrow(/bodies/)
  expect(await resolveStateless({ standard, bodies: bodies.slice(0, 20) })).toHaveLength(20)
})

describe('memory', () => {
  it('lets go of what was not used for longest', () => {
    const memory = remember<number>('for a test', 2)
    memory.getOr('a', () => 1)
    memory.getOr('b', () => 2)
    memory.get('a')
    memory.getOr('c', () => 3)
    expect([memory.get('a'), memory.get('b'), memory.get('c')]).toEqual([1, undefined, 3])
  })

  it('is shared by everybody who uses its name', () => {
    remember<number>('shared in a test', 2).getOr('a', () => 1)
    expect(remember<number>('shared in a test', 2).get('a')).toBe(1)
  })
})
