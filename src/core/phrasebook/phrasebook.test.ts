import { describe, expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import type { Body } from '../bodies'
import { DIMENSIONS } from '../vocabulary/dimensions'
import { SUBSTITUTES } from '../vocabulary/substitutes'
import { partsOf } from '../vocabulary/parts'
import { dictionaryBetween } from './dictionary'
import { falseFriendsBetween, falseFriendsOf } from './false-friends'
import { nearestWays, presenceOf } from './nearest'
import { axisOf, scalesOf, shareOnAxis } from './scales'
import { indexOf } from './search'
import { conceptsOf, isConcept, saidAbout, spokenWords, termsOf } from './terms'

const demo = (id: string): Body => demoBodies().find(b => b.id === id) as Body
const index = indexOf(demoBodies().flatMap(termsOf))
const first = (query: string) => index.search(query)[0]

describe('searching', () => {
  it.each([
    ['grip', 'track.hold'],
    ['Cling 2', 'track.hold'],
    ['firefly', 'see.lamp'],
    ['meadow', 'area.pattern'],
    ['half press', 'trigger.shutter'],
    ['metering', 'meter.pattern'],
    ['back button', 'trigger.start'],
    ['limiter', 'range.limit'],
    ['hold when blocked', 'track.hold'],
  ])('finds the concept behind “%s”', (query, concept) => {
    expect(first(query)?.concept).toBe(concept)
  })

  it.each([
    ['limiter', 'range.limit'],
    ['beep', 'see.tone'],
    ['loop', 'area.wrap'],
    ['lock-on', 'track.hold'],
    ['joystick', 'area.direct'],
    ['recognition', 'subject.class'],
  ])('finds “%s” by the vocabulary alone, before any body is known', (query, concept) => {
    const vocabulary = indexOf([])
    expect(vocabulary.search(query, 4).map(m => m.concept)).toContain(concept)
    expect(vocabulary.search('quince')).toEqual([])
  })

  it.each([
    ['buzzer', 'see.tone'],
    ['loupe', 'see.magnify'],
    ['passers-by', 'track.hold'],
    ['frames per second', 'release.rate'],
    ['silent shutter', 'release.shutter'],
    ['finder as exposed', 'see.exposure'],
    ['brightness correction', 'meter.bias'],
    ['cannot find focus', 'track.search'],
    ['camera upright', 'area.orientation'],
    ['servo', 'mode.drive'],
  ])('finds “%s” as menus at large call it, and nobody’s body is named for it', (query, concept) => {
    const found = indexOf([]).search(query, 3)
    expect(found.map(m => m.concept)).toContain(concept)
    expect(found.flatMap(m => m.matches).flatMap(m => m.bodies)).toEqual([])
  })

  it.each([
    ['meadw', 'area.pattern'],
    ['fierfly', 'see.lamp'],
    ['patiense', 'video.shift'],
    ['stagerr', 'track.response'],
    ['spyglas', 'see.magnify'],
  ])('forgives “%s”', (query, concept) => {
    expect(first(query)?.concept).toBe(concept)
  })

  it('groups by concept where a word means several things, and says on which bodies', () => {
    const [a, b] = index.search('nerve')
    expect([a?.concept, b?.concept].sort()).toEqual(['track.response', 'track.switch'])
    const bodies = [a, b].map(c => [...new Set(c?.matches.flatMap(m => m.bodies))].sort())
    expect(bodies.flat()).toEqual(expect.arrayContaining(['sorrel', 'tollgate']))
    expect(bodies[0]?.some(id => bodies[1]?.includes(id))).toBe(false)
  })

  it('finds a word while it is still being typed', () => {
    for (const query of ['fir', 'fire', 'firef', 'firefl'])
      expect(index.search(query).map(c => c.concept)).toContain('see.lamp')
  })

  it('finds nothing for nothing, and fails on no input', () => {
    expect(index.search('   ')).toEqual([])
    for (const odd of ['"', '((', 'zzzzqqq', '焦点', 'a'.repeat(500)]) expect(() => index.search(odd)).not.toThrow()
  })
})

describe('false friends', () => {
  const word = (a: string, b: string, w: string) => falseFriendsBetween(demo(a), demo(b)).find(f => f.word === w)

  it.each([
    ['nerve', 'sorrel', 'track.response', 'tollgate', 'track.switch'],
    ['trail', 'sorrel', 'area.follow', 'pebble', 'track.hold'],
    ['anchor', 'tollgate', 'mode.drive', 'pebble', 'trigger.stop'],
    ['roam', 'linnet', 'mode.drive', 'wicket', 'area.pattern'],
  ])('are found for “%s”, which the demo planted', (w, a, meansA, b, meansB) => {
    const found = word(a, b, w)
    expect(found?.here.concepts).toEqual([meansA])
    expect(found?.there.concepts).toEqual([meansB])
    expect(found?.exact).toBe(true)
  })

  it('are also one word for areas of another size, or for another figure', () => {
    expect(word('linnet', 'tollgate', 'block')?.here.meaning).toBe('Area')
    expect(word('dunlin', 'linnet', 'chirp')?.here.meaning).toBe('Frame rate')
  })

  it('are none where both bodies use the word alike', () => {
    expect(word('sorrel', 'yarrow', 'meadow')).toBeUndefined()
    expect(word('sorrel', 'teasel', 'patch')).toBeUndefined()
  })

  it('are none for ordinary words', () => {
    const words = falseFriendsOf(demoBodies()).map(f => f.word)
    for (const ordinary of ['off', 'yes', 'middle', 'first', 'none']) expect(words).not.toContain(ordinary)
  })

  it('include words that are only nearly the same', () => {
    const a = tinyBody({ tracker: [['on', { 'area.follow': 'automatic' }]] })
    const b = { ...tinyBody({ trackar: [['on', { 'see.tone': true }]] }), id: 'other' }
    expect(falseFriendsBetween(a, b)).toMatchObject([{ word: 'tracker', exact: false }])
  })
})

describe('scales side by side', () => {
  const scales = scalesOf(demoBodies(), 'track.hold')
  const of = (id: string) => scales.find(s => s.body === id)

  it('find which way each runs, and who runs against the rest', () => {
    expect(of('sorrel')).toMatchObject({ direction: 'rising', reversed: false })
    expect(of('tollgate')).toMatchObject({ direction: 'falling', reversed: true })
    expect(of('wicket')).toBeUndefined()
  })

  it('tell measured steps from declared ones', () => {
    expect(of('sorrel')?.steps[4]?.measured).toMatchObject({ trials: 9, low: 1.05, high: 1.5 })
    expect(of('tollgate')?.steps.every(s => s.measured === undefined)).toBe(true)
  })

  it('share an axis on which a factor is a length', () => {
    const axis = axisOf('track.hold', scales)
    const length = (a: number, b: number) => shareOnAxis(axis, b) - shareOnAxis(axis, a)
    expect(length(0.5, 1)).toBeCloseTo(length(2, 4), 12)
    for (const s of scales.flatMap(x => x.steps)) {
      expect(shareOnAxis(axis, s.at)).toBeGreaterThan(0)
      expect(shareOnAxis(axis, s.at)).toBeLessThan(1)
    }
  })

  it('put areas by the share of the frame they cover', () => {
    const patch = scalesOf([demo('sorrel')], 'area.pattern')[0]
    expect(patch?.direction).toBe('rising')
    expect(patch?.steps[2]?.at).toBeCloseTo(0.15 * 0.16, 12)
  })
})

describe('from one body to another', () => {
  const entries = dictionaryBetween(demo('sorrel'), demo('tollgate'))
  const about = (concept: string) => entries.find(e => e.concept === concept)

  it('puts first what misleads: a false friend on a scale that runs the other way', () => {
    expect(entries[0]?.concept).toBe('track.response')
    expect(entries[0]?.why.join()).toContain('“nerve” is there too, but Tollgate means switching point by it')
    expect(entries[0]?.why).toContain('the scale runs the other way')
  })

  it('gives the nearest for every option, with how far it is off', () => {
    expect(about('track.hold')?.pairs[4]).toMatchObject({ from: 'Grip 5 of 7', to: 'Stick 0', grade: 'near' })
    expect(about('mode.drive')?.pairs.map(p => [p.from, p.to])).toContainEqual(['Quest: Pursue', 'Drive B'])
  })

  it('says what is not there, and what is new', () => {
    expect(about('subject.eye')).toMatchObject({
      why: ['Tollgate has no such setting'],
      pairs: [{ to: undefined }, {}, {}],
    })
    expect(about('range.offset')?.why.join()).toContain('new to you: Sorrel has no such setting')
  })

  it('is no surprise at all from a body to itself', () => {
    for (const e of dictionaryBetween(demo('pebble'), demo('pebble'))) {
      expect(e.surprise, e.label).toBe(0)
      expect(e.pairs.every(p => p.distance === 0)).toBe(true)
    }
  })

  it('covers every concept that either body speaks of, each once', () => {
    const spoken = new Set(
      [demo('sorrel'), demo('tollgate')].flatMap(b =>
        b.settings.flatMap(s => s.options.flatMap(o => conceptsOf(o.means))),
      ),
    )
    // Who picks the target comes along with the areas.
    expect(entries.map(e => e.concept).sort()).toEqual([...spoken, 'area.chooser'].sort())
  })
})

describe('no such thing', () => {
  it('offers the nearest way on this body, in its words, and what it costs', () => {
    const [way] = nearestWays(demo('wicket'), 'trigger.stop')
    expect(way?.how).toContain('letting go holds focus')
    expect(way?.choices.map(c => c.words)).toEqual(['Half-press: brightness', 'Rear dial press: Run from here'])
    expect(way?.changes).toBe(2)
    expect(way?.costs).toContain('The thumb is pressed')
  })

  it('says what a way takes away', () => {
    const [way] = nearestWays(demo('wicket'), 'area.follow')
    expect(way?.blocks).toContain('Ring at Stand')
  })

  it('closes ways that the body cannot go', () => {
    expect(nearestWays(demo('lodge'), 'subject.eye').flatMap(w => w.choices.map(c => c.label))).not.toContain(
      'Face watch',
    )
    expect(nearestWays(demo('tollgate'), 'track.hold')).toEqual([])
  })

  it('tells apart: has a setting, always so, nothing needed, nothing at all', () => {
    const how = (id: string, concept: string) => presenceOf(demo(id), concept).how
    expect([
      how('sorrel', 'track.hold'),
      how('tollgate', 'see.exposure'),
      how('wicket', 'area.follow'),
      how('wicket', 'track.hold'),
    ]).toEqual(['set', 'fixed', 'implied', 'none'])
  })

  it('speaks the vocabulary: every substitute can be a target', () => {
    for (const [id, ways] of Object.entries(SUBSTITUTES)) {
      expect(isConcept(id), id).toBe(true)
      for (const use of ways.flatMap(w => w.uses)) expect(partsOf(use.dimension, use.value).length).toBeGreaterThan(0)
    }
    const without = DIMENSIONS.filter(d => isConcept(d.id) && d.without === undefined && !SUBSTITUTES[d.id]).map(
      d => d.id,
    )
    expect(without.filter(id => !/^see\.(area|review|colour|depth)$|instant|chooser/.test(id))).toEqual([])
  })
})

it('finds following and choosing where an area brings them along', () => {
  expect(saidAbout(demo('pebble'), 'area.follow').map(s => s.option.label)).toContain('Move + Chase')
  expect(saidAbout(demo('linnet'), 'area.chooser').map(s => s.value)).toContain('camera')
})

describe('what has to be known beside the words', () => {
  const told = tinyBody({
    stick: [['long', { 'track.hold': 3 }], 'plain'],
    drive: [['once', { 'mode.drive': 'single' }]],
  })
  const body: Body = {
    ...told,
    settings: told.settings.map(s =>
      s.id === 'stick'
        ? { ...s, counts: 'film' as const, options: s.options.map(o => ({ ...o, guessed: ['track.hold'] })) }
        : s,
    ),
  }

  it('is where a row counts, and that its amount is guessed', () => {
    expect(saidAbout(body, 'track.hold').map(s => spokenWords(s, 'track.hold'))).toEqual([
      'stick: long (only while filming, a guess)',
    ])
    expect(saidAbout(body, 'mode.drive').map(s => spokenWords(s, 'mode.drive'))).toEqual(['drive: once'])
    expect(scalesOf([body], 'track.hold')[0]?.steps[0]?.words).toBe('stick: long (only while filming, a guess)')
  })

  it('is that nobody has looked, which is not that it lacks', () => {
    expect(presenceOf(body, 'see.lamp').how).toBe('implied')
    const begun: Body = { ...body, lacking: [] }
    expect(presenceOf(begun, 'see.lamp')).toEqual({ how: 'not-looked-for' })
    expect(nearestWays(begun, 'see.lamp')).toEqual([])
    const lamp = tinyBody({ lamp: [['on', { 'see.lamp': true }]] })
    expect(dictionaryBetween(lamp, begun).find(e => e.concept === 'see.lamp')?.why).toContain(
      'nobody has looked for it on Body',
    )
  })
})
