import { describe, expect, it } from 'vitest'
import { factoryState } from '../core/bodies'
import { compareVersions } from '../core/bodies/firmware'
import { isOrdinary } from '../core/language/language'
import { cameraFigures, lensFigures } from '../core/optics/figures'
import { standingOf } from '../core/optics/kept'
import { resolve } from '../core/resolve'
import { demoBodies, demoLenses, demoPeople, demoStandards, demoUnits } from './world'

/** Words that two makers share on purpose, with different meanings. */
const FALSE_FRIENDS = ['nerve', 'trail', 'patch', 'roam', 'anchor', 'block', 'run']

/** Beyond the ordinary words: the language of sizes and figures that every menu has. */
const SHARED_BY_ALL = new Set('size kind both fast sleeps'.split(' '))

const wordsOf = (text: string): readonly string[] => text.toLowerCase().match(/[a-z]{3,}/g) ?? []

const dialects = () => {
  const makersOf = new Map<string, Set<string>>()
  for (const b of demoBodies()) {
    const labels = [
      ...b.settings.flatMap(s => [s.label, ...s.options.map(o => o.label)]),
      ...b.controls.map(c => c.label),
      ...b.menu.tabs.flatMap(t => [t.label, ...t.pages]),
      ...b.slots.names,
      ...b.frameRates.map(r => r.label),
    ]
    for (const word of labels.flatMap(wordsOf))
      makersOf.set(word, (makersOf.get(word) ?? new Set<string>()).add(b.maker))
  }
  return makersOf
}

describe('dialects', () => {
  it('share no coined word by accident', () => {
    const shared = [...dialects()]
      .filter(([word, makers]) => makers.size > 1 && !isOrdinary(word) && !SHARED_BY_ALL.has(word))
      .map(([word]) => word)
    expect(shared.filter(word => !FALSE_FRIENDS.includes(word))).toEqual([])
  })

  it('share at least four words on purpose', () => {
    const makersOf = dialects()
    expect(FALSE_FRIENDS.filter(word => (makersOf.get(word)?.size ?? 0) > 1).length).toBeGreaterThanOrEqual(4)
  })

  it.each([
    ['nerve', 'sorrel', 'track.response', 'tollgate', 'track.switch'],
    ['trail', 'sorrel', 'area.follow', 'pebble', 'track.hold'],
    ['anchor', 'tollgate', 'mode.drive', 'pebble', 'trigger.stop'],
    ['roam', 'linnet', 'mode.drive', 'wicket', 'area.pattern'],
  ])('mean different things by “%s”', (word, a, meansA, b, meansB) => {
    const meanings = (id: string): readonly string[] =>
      demoBodies()
        .filter(x => x.id === id)
        .flatMap(x => x.settings)
        .flatMap(s =>
          s.options.filter(o => wordsOf(`${s.label} ${o.label}`).includes(word)).flatMap(o => Object.keys(o.means)),
        )
    expect(meanings(a)).toContain(meansA)
    expect(meanings(b)).toContain(meansB)
    expect(meanings(a)).not.toContain(meansB)
  })

  it('use one word for areas of different size', () => {
    const size = (id: string, option: string) => {
      const area = demoBodies()
        .find(b => b.id === id)
        ?.settings.flatMap(s => s.options)
        .find(o => o.id === option)?.means['area.pattern']
      return area as { width: number; height: number }
    }
    const [small, large] = [size('tollgate', 'block-9'), size('linnet', 'block')]
    expect(large.width * large.height).toBeGreaterThan(4 * small.width * small.height)
  })
})

it.each(demoBodies().map(b => [b.model, b] as const))('%s has a full profile of at least 40 settings', (_, b) => {
  expect(b.settings.length).toBeGreaterThanOrEqual(40)
  expect(b.rules.length).toBeGreaterThan(0)
  expect(Object.keys(factoryState(b))).toHaveLength(b.settings.length)
})

it('has units of bodies that exist, within the firmware of their profiles', () => {
  const tags = demoUnits().map(u => u.tag)
  expect(new Set(tags).size).toBe(tags.length)
  for (const unit of demoUnits()) {
    const model = demoBodies().find(b => b.id === unit.body) ?? demoLenses().find(l => l.id === unit.lens)
    expect(model, unit.tag).toBeDefined()
    if (!unit.body || !model || !('firmware' in model)) continue
    expect(compareVersions(unit.firmware ?? '', model.firmware.from)).toBeGreaterThanOrEqual(0)
    expect(compareVersions(unit.firmware ?? '', model.firmware.to)).toBeLessThanOrEqual(0)
  }
  expect([demoBodies().length, demoLenses().length]).toEqual([12, 15])
  expect(demoPeople()).toHaveLength(11)
})

it('leaves optical finders with the mirror down for the house baseline', () => {
  const [baseline] = demoStandards().filter(s => s.id === 'house-baseline')
  const optical = demoBodies().filter(b => b.viewfinder === 'optical')
  if (!baseline) throw new Error('the demo lost a standard')
  expect(optical.map(b => b.model)).toEqual(['Lodge', 'Tollgate', 'Turnpike'])
  for (const b of optical) expect(resolve(b, baseline).state['view'], b.model).toBe('through-the-glass')
})

describe('what the Optics desk worked out for the demo', () => {
  it('still is what it says, of bodies and lenses as they are', () => {
    const kept = demoStandards().flatMap(s => s.layers.flatMap(l => l.calculations ?? []))
    expect(kept.length).toBeGreaterThan(2)
    for (const c of kept) {
      const body = demoBodies().find(b => b.id === c.scene['body'])
      const lens = demoLenses().find(l => l.id === c.scene['lens'])
      const standing = standingOf(c, body && cameraFigures(body), lens && lensFigures(lens), 'metric')
      expect([standing.changed, standing.now?.short, standing.now?.verdict]).toEqual([[], c.short, c.words])
    }
  })
})
