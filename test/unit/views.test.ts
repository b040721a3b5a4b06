import { describe, expect, it } from 'vitest'
import { linesOf, nextUndecided, optionKey, settingKey } from '../../src/app/name/bodies/[id]/edit/menu/lines'
import { meaningWords, settingWords } from '../../src/app/name/bodies/[id]/edit/meaning-words'
import { draftOf, lensOf, readDistance } from '../../src/app/name/lenses/form/lens-draft'
import { apertureWords, focalWords, turnWords } from '../../src/app/name/lenses/lens-words'
import { linkTo } from '../../src/ui/address'
import { STAGES } from '../../src/ui/shell/stages'
import { type Body, editSetting } from '../../src/core/bodies'
import type { Lens } from '../../src/core/lenses/schema'
import { lookOver } from '../../src/workers/completeness'
import { demoBodies, demoLenses, demoStandards } from '../../src/demo/world'

/** What views compute before they draw. */

const body = (id: string) => demoBodies().find(b => b.id === id) as Body
const lens = (id: string) => demoLenses().find(l => l.id === id) as Lens
const undecided = (b: Body, ...ids: string[]): Body =>
  ids.reduce((now, id) => editSetting(now, id, s => ({ ...s, undecided: true as const })), b)

describe('the tree of a menu', () => {
  const wicket = body('wicket')

  it('has tabs, pages, settings in their order, and the options of what is open', () => {
    const closed = linesOf(wicket, new Set())
    expect(closed.slice(0, 4).map(l => [l.kind, l.label])).toEqual([
      ['tab', 'Page 1'],
      ['page', 'Garden'],
      ['setting', 'Sharpening'],
      ['setting', 'Ring at Stand'],
    ])
    const open = linesOf(wicket, new Set(['turn']))
    expect(open.slice(2, 7).map(l => l.key)).toEqual([
      settingKey('turn'),
      optionKey('turn', 'stand'),
      optionKey('turn', 'run'),
      optionKey('turn', 'your-ring'),
      settingKey('stand-ring'),
    ])
    expect(open.length).toBe(closed.length + 3)
  })

  it('has a key of its own for every line', () => {
    for (const b of demoBodies()) {
      const keys = linesOf(b, new Set(b.settings.map(s => s.id))).map(l => l.key)
      expect(new Set(keys).size, b.model).toBe(keys.length)
    }
  })

  it('leads from one undecided setting to the next, and round again', () => {
    const some = undecided(wicket, 'stand-ring', 'peep')
    expect(nextUndecided(some, 'turn')).toBe('stand-ring')
    expect(nextUndecided(some, 'stand-ring')).toBe('peep')
    expect(nextUndecided(some, 'peep')).toBe('stand-ring')
    expect(nextUndecided(wicket, 'turn')).toBeUndefined()
  })
})

describe('meanings in words', () => {
  it('use the names of the body’s own controls', () => {
    const linnet = body('linnet')
    const flight = linnet.settings.find(s => s.id === 'key-knurl')?.options[0]
    expect(meaningWords(linnet, flight?.means ?? {})).toBe('AF start: Knurl: while held')
  })

  it('of a setting say what it is about, not about, or undecided', () => {
    const find = (b: Body, id: string) => settingWords(b.settings.find(s => s.id === id) as Body['settings'][number])
    expect(find(body('linnet'), 'temper')).toBe('hold when blocked, response to speed, switching point')
    expect(find(body('sorrel'), 'key-pad-1')).toBe('AF start, second AF start and 10 more')
    expect(find(body('wicket'), 'sleep')).toBe('nothing to do with focus')
    expect(find(undecided(body('wicket'), 'sleep'), 'sleep')).toBe('undecided')
  })
})

describe('a lens as it is typed', () => {
  it('is the same lens again when nothing was changed', () => {
    for (const l of demoLenses()) {
      const made = lensOf(draftOf(l), l.id)
      if (!('lens' in made)) throw new Error(`${l.id}: ${JSON.stringify(made.wrong)}`)
      const { limiter, ...rest } = made.lens
      const { limiter: wanted, ...others } = l
      expect(rest).toEqual(others)
      expect(limiter.map(({ label, near, far }) => ({ label, near, far }))).toEqual(
        wanted.map(({ label, near, far }) => ({ label, near, far })),
      )
    }
  })

  it('says at every field what is expected there, all at once', () => {
    const made = lensOf(draftOf(undefined), '')
    expect('wrong' in made && Object.keys(made.wrong)).toEqual([
      'maker',
      'model',
      'focalFrom',
      'apertureFrom',
      'closest',
    ])
  })

  it.each([
    [{ focalFrom: '200', focalTo: '70' }, 'focalTo', 'expected the long end'],
    [{ apertureFrom: 'wide' }, 'apertureFrom', 'expected an f-number such as 2.8'],
    [{ closest: { metric: 'near', imperial: '' } }, 'closest', 'expected a distance such as 0.96 m, 96 cm or infinity'],
    [
      { closest: { metric: '', imperial: 'a foot' } },
      'closest',
      `expected a distance such as 3.15 ft, 11.02 in or 3' 2"`,
    ],
    [{ best: 'sharp' }, 'best', 'expected an f-number such as 5.6'],
    [{ offsets: [{ id: 'tollgate', steps: 'some', on: '' }] }, 'offsets.0', 'expected a number of steps'],
    [
      { limiter: [{ label: '', near: { metric: '3', imperial: '' }, far: { metric: 'infinity', imperial: '' } }] },
      'limiter.0',
      'expected what the switch calls it',
    ],
  ])('says what is wrong (%#)', (change, field, words) => {
    const made = lensOf({ ...draftOf(lens('sorrel-85')), ...change }, 'x')
    expect('wrong' in made && made.wrong[field]).toBe(words)
  })

  it('takes commas, either system, and a fixed length without a long end', () => {
    const made = lensOf(
      {
        ...draftOf(lens('sorrel-85')),
        focalFrom: '85',
        focalTo: '',
        apertureFrom: '1,8',
        closest: { metric: '', imperial: `2' 7"` },
      },
      'x',
    )
    expect('lens' in made && [made.lens.focalMm, made.lens.maxAperture, made.lens.closest]).toEqual([
      { from: 85, to: 85 },
      { from: 1.8, to: 1.8 },
      { metres: 0.7874, feet: 2.5833 },
    ])
  })

  it('keeps both figures where both were typed', () => {
    expect(readDistance({ metric: '0.96 m', imperial: '3.15 ft' })).toEqual({ metres: 0.96, feet: 3.15 })
    expect(readDistance({ metric: 'infinity', imperial: '' })).toEqual({ metres: 'infinity' })
    expect(readDistance({ metric: '', imperial: '' })).toBe('expected a distance in metres or in feet')
  })

  it('is named as people name lenses', () => {
    expect([focalWords(lens('tollgate-70-300')), apertureWords(lens('tollgate-70-300'))]).toEqual([
      '70–300 mm',
      'f/4.5–5.6',
    ])
    expect(focalWords(lens('sorrel-85'))).toBe('85 mm')
    expect(turnWords(lens('tollgate-500'))).toBe('turns anticlockwise toward infinity, seen from behind the camera')
  })
})

describe('looking a profile over', () => {
  const baseline = demoStandards().find(s => s.id === 'house-baseline')

  it('tries it against the standard as it is now', () => {
    const { trial, contradictions, gaps } = lookOver(body('sorrel'), baseline)
    expect(contradictions).toEqual([])
    expect(gaps).toEqual([])
    expect(trial).toMatchObject({ name: 'House baseline', mustsHeld: 8, musts: 8 })
    expect(trial?.lines.find(l => l.dimension === 'mode.drive')?.main).toBeTruthy()
  })

  it('names what contradicts and tries nothing then', () => {
    const wicket = body('wicket')
    const torn: Body = {
      ...wicket,
      rules: [
        {
          id: 'torn',
          words: 'Torn.',
          when: [{ setting: 'turn', is: ['stand', 'run', 'your-ring'] }],
          then: { effect: 'forced', setting: 'box', option: 'small-box' },
        },
      ],
    }
    const { trial, contradictions } = lookOver(torn, baseline)
    expect(contradictions.join('\n')).toContain('Box')
    expect(trial).toBeUndefined()
  })

  it('does without a standard', () => {
    expect(lookOver(body('wicket'), undefined).trial).toBeUndefined()
  })
})

describe('links', () => {
  it('keep what is in hand, and nothing else', () => {
    const now = new URLSearchParams('standard=ring-action&bodies=linnet&cell=linnet:track.hold')
    expect(linkTo('/name/phrasebook', now)).toBe('/name/phrasebook?standard=ring-action&bodies=linnet')
    expect(linkTo('/x', now, { bodies: 'sorrel' })).toBe('/x?bodies=sorrel&standard=ring-action')
    expect(linkTo('/x', new URLSearchParams())).toBe('/x')
  })

  it('lead to every view from its stage, each stage with a letter of its own', () => {
    expect(new Set(STAGES.map(s => s.key)).size).toBe(STAGES.length)
    expect(STAGES.flatMap(s => s.views.map(v => v.label))).toEqual([
      'Phrasebook',
      'Bodies',
      'Lenses',
      'Standards',
      'Concordance',
      'Optics desk',
      'Compare',
      'Reasoning',
      'Cards',
      'Controls',
      'Bench',
      'Trials',
      'Audit',
      'Rehearsal',
      'Drills',
      'Class',
      'Jobs',
      'Now',
      'Rescues',
      'Film',
      'Readiness',
      'Kit',
    ])
  })
})
