import { describe, expect, it } from 'vitest'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import type { Body } from '../bodies'
import type { NeutralValue } from '../vocabulary/values'
import { dictionaryBetween } from './dictionary'
import { falseFriendsBetween, falseFriendsOf } from './false-friends'
import { nearestWays, presenceOf } from './nearest'
import { axisOf, axisValue, scalesOf, shareOnAxis } from './scales'
import { indexOf } from './search'
import { conceptsOfSetting, saidAbout, termsOf } from './terms'
import { dimension } from '../vocabulary/dimensions'

/** The phrasebook on bodies small enough to be read at a glance. */

type Means = Readonly<Record<string, NeutralValue>>
const named = (id: string, settings: Readonly<Record<string, readonly (readonly [string, Means])[]>>): Body => ({
  ...tinyBody(settings),
  id,
  maker: `Maker ${id}`,
  model: id,
})
const hold = (...seconds: number[]) => seconds.map((s, i) => [`${i + 1}`, { 'track.hold': s }] as const)

describe('scales', () => {
  it('know their direction, and who runs against the rest', () => {
    const bodies = [
      named('a', { stick: hold(0.2, 1, 4) }),
      named('b', { cling: hold(0.3, 2) }),
      named('c', { loose: hold(4, 1, 0.2) }),
      named('d', { odd: hold(1, 4, 0.5) }),
    ]
    expect(scalesOf(bodies, 'track.hold').map(s => [s.body, s.direction, s.reversed])).toEqual([
      ['a', 'rising', false],
      ['b', 'rising', false],
      ['c', 'falling', true],
      ['d', 'mixed', false],
    ])
  })

  it('leave out what has no place on an axis: never, always, zero', () => {
    const body = named('a', {
      stick: [
        ['off', { 'track.hold': 'never' }],
        ['on', { 'track.hold': 2 }],
        ['nil', { 'track.hold': 0 }],
      ],
    })
    expect(scalesOf([body], 'track.hold')[0]?.steps.map(s => s.at)).toEqual([2])
  })

  it('of words are steps of the neutral scale', () => {
    const body = named('a', {
      glint: [
        ['x', { 'see.peaking': 'off' }],
        ['y', { 'see.peaking': 'high' }],
      ],
    })
    expect(scalesOf([body], 'see.peaking')[0]?.steps.map(s => s.at)).toEqual([0, 3])
    const axis = axisOf('see.peaking', scalesOf([body], 'see.peaking'))
    expect(axis.isRatio).toBe(false)
    expect([0, 3].map(x => shareOnAxis(axis, x))).toEqual([0.125, 0.875])
  })

  it('take ranges by how near they reach, in dioptres', () => {
    expect(axisValue(dimension('range.limit'), { nearMetres: 0.5, farMetres: 'infinity' })).toBe(2)
    expect(axisValue(dimension('see.tone'), true)).toBeUndefined()
  })

  it('have an axis even where nothing stands on it', () => {
    expect(axisOf('track.hold', [])).toMatchObject({ isRatio: true, unit: 's' })
  })
})

describe('the dictionary', () => {
  const known = named('known', {
    stick: hold(0.5, 1, 2),
    tone: [
      ['loud', { 'see.tone': true }],
      ['still', { 'see.tone': false }],
    ],
    seek: [
      ['any', { 'subject.class': 'automatic' }],
      ['folk', { 'subject.class': 'people' }],
    ],
  })

  it('names the nearest on the other side, and how far it is', () => {
    const other = named('other', { stick: hold(0.5, 1.1, 8) })
    const entry = dictionaryBetween(known, other).find(e => e.concept === 'track.hold')
    expect(entry?.pairs.map(p => [p.from, p.to, p.grade])).toEqual([
      ['stick: 1', 'stick: 1', 'same'],
      ['stick: 2', 'stick: 2', 'near'],
      ['stick: 3', 'stick: 2', 'stand-in'],
    ])
    expect(entry?.why).toEqual([expect.stringContaining('what they do differs by')])
  })

  it('is surprised by what is missing more than by another name', () => {
    const other = named('other', { cling: hold(0.5, 1, 2) })
    const entries = dictionaryBetween(known, other)
    const surprise = (id: string) => entries.find(e => e.concept === id)?.surprise ?? 0
    expect(surprise('subject.class')).toBeGreaterThan(surprise('track.hold'))
    expect(entries.find(e => e.concept === 'track.hold')?.why).toEqual(['another name'])
    expect(entries.find(e => e.concept === 'subject.class')?.there.otherwise).toContain('comes to “off”')
  })

  it('says when one choice there also sets something else', () => {
    const other = named('other', {
      both: [
        ['x', { 'subject.class': 'people', 'see.tone': true }],
        ['y', { 'subject.class': 'automatic', 'see.tone': false }],
      ],
    })
    const entry = dictionaryBetween(known, other).find(e => e.concept === 'see.tone')
    expect(entry?.why.join()).toContain('one choice there also sets looks for')
  })

  it('says what is new on the other side', () => {
    const other = named('other', { glow: [['lit', { 'see.lamp': true }]] })
    const entry = dictionaryBetween(known, other).find(e => e.concept === 'see.lamp')
    expect(entry?.why).toEqual(['new to you: known has no such setting'])
    expect(entry?.pairs).toEqual([])
  })
})

describe('false friends', () => {
  it('are symmetric: whoever asks finds the same words', () => {
    const a = named('a', { wander: [['x', { 'area.follow': 'automatic' }]] })
    const b = named('b', { wander: [['x', { 'see.tone': true }]] })
    const [ab, ba] = [falseFriendsBetween(a, b), falseFriendsBetween(b, a)]
    expect(ab.map(f => [f.word, f.here.body, f.there.body])).toEqual([['wander', 'a', 'b']])
    expect(ba.map(f => [f.word, f.here.body, f.there.body])).toEqual([['wander', 'b', 'a']])
  })

  it('are none on one body alone, whatever its words do', () => {
    expect(
      falseFriendsOf([named('a', { wander: [['x', { 'see.tone': true }]], wanders: [['y', { 'see.lamp': true }]] })]),
    ).toEqual([])
  })

  it('forgive other forms of one word', () => {
    const a = named('a', { follower: [['x', { 'see.tone': true }]] })
    const b = named('b', { following: [['x', { 'see.lamp': true }]] })
    expect(falseFriendsBetween(a, b)).toEqual([])
  })

  it('are told by value where both are about the same thing', () => {
    const a = named('a', { pace: [['gallop', { 'release.rate': 4 }]] })
    const near = named('b', { pace: [['gallop', { 'release.rate': 4.5 }]] })
    const far = named('c', { pace: [['gallop', { 'release.rate': 20 }]] })
    expect(falseFriendsBetween(a, near)).toEqual([])
    expect(falseFriendsBetween(a, far).map(f => f.word)).toEqual(['gallop'])
  })
})

describe('no such thing', () => {
  it('takes the nearest way first, and the hands last', () => {
    const body: Body = {
      ...tinyBody({
        half: [
          ['af', { 'trigger.shutter': 'starts-af' }],
          ['light', { 'trigger.shutter': 'meters-only' }],
        ],
        key: [
          ['none', {}],
          ['start', { 'trigger.start': { control: 'thumb' } }],
        ],
        spot: [
          ['wide', { 'area.pattern': { pattern: 'full', width: 0.9, height: 0.9 } }],
          ['dot', { 'area.pattern': { pattern: 'point', width: 0.05, height: 0.06 } }],
        ],
      }),
    }
    const ways = nearestWays(body, 'track.hold')
    expect(ways.map(w => w.choices.map(c => c.words))).toEqual([['half: light', 'key: start'], ['spot: dot']])
    expect(ways.every((w, i) => w.distance >= (ways[i - 1]?.distance ?? 0))).toBe(true)
  })

  it('says what a way greys out', () => {
    const body = tinyBody(
      {
        drive: [
          ['once', { 'mode.drive': 'single' }],
          ['hand', { 'mode.drive': 'manual' }],
        ],
        tone: [
          ['on', { 'see.tone': true }],
          ['off', { 'see.tone': false }],
        ],
      },
      { rules: [rule('rests', { drive: 'hand' }, { effect: 'unavailable', setting: 'tone' })] },
    )
    expect(nearestWays(body, 'range.preset')[0]?.blocks).toEqual(['tone'])
  })

  it('offers nothing where there is a setting', () => {
    const body = named('a', { stick: hold(1, 2) })
    expect(presenceOf(body, 'track.hold')).toEqual({ how: 'set' })
    expect(nearestWays(body, 'track.hold')).toEqual([])
  })
})

describe('terms', () => {
  const body = named('a', {
    stick: hold(1, 2),
    grin: [
      ['yes', {}],
      ['no', {}],
    ],
  })

  it('are the settings and options of a menu with what they are about', () => {
    expect(termsOf(body).map(t => [t.kind, t.label, t.concepts])).toEqual([
      ['setting', 'stick', ['track.hold']],
      ['option', '1', ['track.hold']],
      ['option', '2', ['track.hold']],
      ['setting', 'grin', []],
      ['option', 'yes', []],
      ['option', 'no', []],
    ])
    expect(body.settings.map(conceptsOfSetting)).toEqual([['track.hold'], []])
    expect(saidAbout(body, 'track.hold').map(s => s.option.id)).toEqual(['1', '2'])
  })

  it('that are not about focus are found as well, and said to be so', () => {
    const [found] = indexOf(termsOf(body)).search('grin')
    expect(found).toMatchObject({ concept: '', label: 'Not about focus' })
    expect(found?.matches[0]).toMatchObject({ label: 'grin', bodies: ['a'] })
  })

  it('of several bodies are one entry where they are the same', () => {
    const twin = { ...body, id: 'b' }
    const [found] = indexOf([...termsOf(body), ...termsOf(twin)]).search('stick')
    expect(found?.matches.filter(m => m.label === 'stick')).toMatchObject([{ bodies: ['a', 'b'] }])
  })
})
