import { describe, it } from 'vitest'
import { expectBook, sure } from '../../../test/fixtures/book'
import { tinyBody, rule } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { problemWords } from '../reading/problem'
import {
  addOption,
  addRule,
  addSetting,
  addTab,
  ARCHETYPES,
  askAgain,
  availability,
  type Body,
  bodyAt,
  bodyFromArchetype,
  canFocus,
  checkBody,
  confirmGuesses,
  coverageOf,
  describeChanges,
  differencesBetween,
  type DraftCondition,
  editControl,
  editTab,
  factoryState,
  formChangesBetween,
  gapsOf,
  gapWords,
  inMenuOrder,
  meansIn,
  meansNothing,
  meansUnnamed,
  menuPath,
  moveOption,
  moveSettings,
  nudgeSettings,
  removeControl,
  removeOption,
  removePage,
  removeSettings,
  restSaysNothing,
  rulesOf,
  ruleWords,
  setCounts,
  setMeaning,
  turnedRound,
  versionsOf,
  withPin,
  withUpdate,
  withUsualControls,
} from './index'
import { withEvidence } from './evidence'
import { menuAsTable } from './menu-table'
import { readMenuText } from './menu-text'
import { onlyRate, withRate } from './rates'

/** What is said of profiles, of what is wrong in them, and of what is done to them. */

const bodies = demoBodies()
const body = (id: string): Body => sure(bodies.find(b => b.id === id))
const linnet = body('linnet')

const menuOf = (b: Body): readonly string[] =>
  inMenuOrder(b).map(
    s =>
      `${menuPath(b, s).join(' > ')}: ${s.label}${s.undecided ? ' (open)' : ''}${s.unnamed ? ' (unnamed)' : ''} = ${s.options
        .map(
          o => `${o.id === s.default ? '*' : ''}${o.label}${o.guessed ? '?' : ''}${o.counts ? ` [${o.counts}]` : ''}`,
        )
        .join(' | ')}`,
  )

describe('the book of profiles', () => {
  it('says of each body what it covers, what is missing, and what it means as it leaves the factory', () =>
    expectBook('profiles', [
      ...bodies.flatMap(b => {
        const state = factoryState(b)
        const greyed = availability(b, state)
        return [
          `# ${b.model}, ${versionsOf(b).join(', ')}; focuses: ${canFocus(b, state)}`,
          ...coverageOf(b).map(
            ({ dimension, coverage }) =>
              `${dimension.id}: ${coverage.how} ${coverage.how === 'set' ? coverage.settings.join(', ') : coverage.how === 'fixed' ? coverage.words : ''}`,
          ),
          ...gapsOf(b).map(g => Object.values(gapWords(g)).join(' / ')),
          ...b.rules.map(r => ruleWords(b, r)),
          `greyed: ${[...greyed.unavailable].map(([id, by]) => `${id} (${by.map(r => r.id).join(', ')})`).join('; ')}`,
          `broken: ${greyed.broken.map(r => r.id).join(', ')}`,
          JSON.stringify(meansIn(b, state)),
          JSON.stringify(onlyRate(b)),
        ]
      }),
      ...ARCHETYPES.flatMap(({ id }) => {
        const b = withUsualControls(bodyFromArchetype(id, { id: 'new', maker: 'Any', model: 'New' }))
        return [
          `# ${id}: ${b.controls.map(c => `${c.label} ${c.place} ${c.at.view} ${c.at.x},${c.at.y}`).join('; ')}`,
          ...gapsOf(b).map(g => Object.values(gapWords(g)).join(' / ')),
        ]
      }),
    ]))

  it('says what each firmware brings', () =>
    expectBook(
      'firmware',
      bodies.flatMap(b =>
        versionsOf(b).flatMap((version, i, all) => {
          const [before, after] = [bodyAt(b, all[i - 1] ?? version), bodyAt(b, version)]
          return [
            `# ${b.model} ${version}`,
            ...describeChanges(formChangesBetween(before, after), before, after).map(
              d => `${d.kind}${d.breaks ? ', breaks' : ''}: ${d.words}`,
            ),
          ]
        }),
      ),
    ))

  it('says what is wrong with a profile, where and what is expected', () => {
    const whole = tinyBody(
      { a: ['x', 'y', 'z'], b: ['p', 'q'], c: ['u', 'v'] },
      { rules: [rule('greys', { a: 'y' }, { effect: 'unavailable', setting: 'b' })] },
    )
    const [a, b, c] = whole.settings as [Body['settings'][0], Body['settings'][0], Body['settings'][0]]
    const [thumb] = whole.controls as [Body['controls'][0]]
    const first = (change: Partial<Body['settings'][0]['options'][0]>): Pick<Body, 'settings'> => ({
      settings: [{ ...a, options: a.options.map((o, i) => (i ? o : { ...o, ...change })) }, b, c],
    })
    const greys = (id: string, when: string, is: string, setting: string) =>
      rule(id, { [when]: is }, { effect: 'unavailable', setting })
    const wrong: Readonly<Record<string, Partial<Body>>> = {
      nothing: {},
      'an option twice': { settings: [{ ...a, options: [...a.options, sure(a.options[0])] }, b, c] },
      'a setting twice': { settings: [a, b, c, { ...a, at: { tab: 'tab', page: 1, row: 9 } }] },
      'a default that is not there': { settings: [{ ...a, default: 'w' }, b, c] },
      'a row twice': { settings: [a, { ...b, at: a.at }, c] },
      'a page that is not there': { settings: [a, { ...b, at: { tab: 'tab', page: 3, row: 1 } }, c] },
      'a tab that is not there': { settings: [a, { ...b, at: { tab: 'tub', page: 1, row: 2 } }, c] },
      'a rule about nothing': { rules: [greys('r', 'd', 'x', 'b')] },
      'a rule about an option that is not there': { rules: [greys('r', 'a', 'w', 'b')] },
      'a rule that forces what is not there': {
        rules: [rule('r', { a: 'y' }, { effect: 'forced', setting: 'b', option: 'w' })],
      },
      'a rule that excludes what is not there': {
        rules: [rule('r', { a: 'y' }, { effect: 'excludes', setting: 'b', options: ['w'] })],
      },
      'a rule that excludes everything': {
        rules: [rule('r', { a: 'y' }, { effect: 'excludes', setting: 'b', options: ['p', 'q'] })],
      },
      'a rule twice': { rules: [greys('r', 'a', 'y', 'b'), greys('r', 'a', 'z', 'b')] },
      'a circle': { rules: [greys('r', 'a', 'y', 'b'), greys('s', 'b', 'q', 'c'), greys('t', 'c', 'v', 'a')] },
      'a default that breaks a rule': {
        rules: [rule('r', { a: 'x' }, { effect: 'forced', setting: 'b', option: 'q' })],
      },
      'an option that can never be': {
        rules: [
          rule('r', { b: 'q' }, { effect: 'excludes', setting: 'a', options: ['y'] }),
          rule('s', { b: 'p' }, { effect: 'excludes', setting: 'a', options: ['y'] }),
        ],
      },
      'a default that is newer': first({ since: '2.0' }),
      'a control twice': { controls: [thumb, { ...thumb, label: 'Other' }] },
      'two controls in one spot': { controls: [thumb, { ...thumb, id: 'two', label: 'Two' }] },
      'work on a control that is not there': {
        ...first({ means: { 'trigger.start': { control: 'toe' } } }),
      },
      'work that a control does not take': {
        ...first({ means: { 'meter.lock': { control: 'thumb' } } }),
      },
      'a value of another kind': {
        ...first({ means: { 'track.hold': 'long' } }),
      },
      'a word that is none': {
        ...first({ means: { 'no.such': 1 } }),
      },
      'a guess about nothing': { ...first({ guessed: ['track.hold'] }) },
      'a pin on what is not there': { pins: [{ setting: 'd', option: 'x', reason: 'so' }] },
      'a slot that stores what is not there': { slots: { names: ['1'], stores: ['d'] } },
      'evidence of what is not there': {
        evidence: [{ setting: 'd', option: 'x', field: 'Focus', sign: 'is', value: '1' }],
      },
      'evidence of an option that is not there': {
        evidence: [{ setting: 'a', option: 'w', field: 'Focus', sign: 'at-least', value: 'many' }],
      },
      'an update that is older': { updates: [{ id: '0.9', changes: [] }] },
      'an update twice': {
        updates: [
          { id: '1.5', changes: [] },
          { id: '1.5', changes: [] },
        ],
      },
      'a fixed word that a setting says as well': {
        ...first({ means: { 'see.tone': true } }),
        fixed: [{ words: 'Never heard.', means: { 'see.tone': false } }],
      },
      'nothing to be at': {
        rules: [
          rule('r', { a: 'x' }, { effect: 'forced', setting: 'b', option: 'p' }),
          rule('s', { a: 'x' }, { effect: 'forced', setting: 'b', option: 'q' }),
          rule('t', { a: 'y' }, { effect: 'forced', setting: 'a', option: 'x' }),
          rule('u', { a: 'z' }, { effect: 'forced', setting: 'a', option: 'x' }),
        ],
      },
    }
    return expectBook(
      'wrong-profiles',
      Object.entries(wrong).flatMap(([what, change]) => [
        `# ${what}`,
        ...checkBody({ ...whole, ...change }, 'tiny.json').map(problemWords),
      ]),
    )
  })

  it('says what an edit did', () => {
    const first = sure(linnet.settings[0]).id
    const kin = 'kin'
    const page = sure(linnet.settings.find(s => s.id === 'frame')).at
    const place = { tab: page.tab, page: page.page, index: 1 }
    const edits: Readonly<Record<string, (b: Body) => Body>> = {
      'a setting is added': b => addSetting(b, place, 'Kin').body,
      'settings move': b => moveSettings(b, ['temper', 'half', kin], place),
      'settings move within their page': b => moveSettings(b, ['tail', 'frame'], { ...place, index: 3 }),
      'one row up': b => nudgeSettings(b, ['frame'], -1),
      'one row down': b => nudgeSettings(b, ['tail', 'frame'], 1),
      'past the end': b => b.settings.reduce(c => nudgeSettings(c, ['frame'], 1), b),
      'past the beginning': b => b.settings.reduce(c => nudgeSettings(c, ['frame'], -1), b),
      'settings go': b => removeSettings(b, ['way', kin, 'frame']),
      'an option is added': b => addOption(b, kin, 1, 'Off').body,
      'an option goes': b => removeOption(b, 'way', 'roam'),
      'the default goes': b => removeOption(b, kin, sure(linnet.settings.find(s => s.id === kin)).default),
      'the only option stays': b => removeOption(addSetting(b, place, 'One').body, 'one', 'on'),
      'options change places': b => moveOption(moveOption(b, kin, 'on', 1), 'way', 'roam', -1),
      'it is asked again': b => askAgain(b, kin),
      'an option is told': b => setMeaning(askAgain(b, kin), kin, 'on', { 'subject.class': 'people' }),
      'it counts for film': b => setCounts(b, kin, 'on', 'film'),
      'it counts everywhere': b => setCounts(setCounts(b, kin, 'on', 'film'), kin, 'on', undefined),
      'the rest says nothing': b => restSaysNothing(askAgain(b, kin), kin),
      'guesses are confirmed': b => confirmGuesses(b, 'own-wait'),
      'a scale turns round': b => turnedRound(b, 'temper'),
      'it is about focus': b => meansUnnamed(b, kin),
      'it is about nothing': b => meansNothing(b, kin),
      'a tab is added': b => editTab(addTab(b, 'New'), 'new', t => ({ ...t, pages: [...t.pages, 'Second'] })),
      'a page goes': b =>
        removePage(
          editTab(b, page.tab, t => ({ ...t, pages: [...t.pages, 'More'] })),
          page.tab,
          page.page,
        ),
      'an empty page goes': b =>
        removePage(
          editTab(b, page.tab, t => ({ ...t, pages: ['None', ...t.pages] })),
          page.tab,
          linnet.menu.tabs.length + 1,
        ),
      'an empty tab goes': b => removePage(addTab(b, 'New'), 'new', 1),
      'a control is moved': b => editControl(b, 'side-key', c => ({ ...c, place: 'lens' })),
      'a control goes': b => removeControl(b, sure(linnet.controls[1]).id),
      'a rule is added': b =>
        addRule(b, {
          words: sure(linnet.rules[0]).words,
          when: sure(linnet.rules[0]).when,
          then: sure(linnet.rules[0]).then,
        }),
      'a pin': b => withPin(withPin(b, first, { option: 'x', reason: 'so' }), kin, { option: 'on', reason: 'for all' }),
      'a pin goes': b => withPin(withPin(b, first, { option: 'x', reason: 'so' }), first, undefined),
      'pictures tell': b => withEvidence(b, kin, [{ option: 'on', field: 'Subject', sign: 'is', value: '1' }]),
      'a firmware': b => withUpdate(b, '9.0', 'New'),
    }
    return expectBook(
      'edits',
      Object.entries(edits).flatMap(([what, edit]) => {
        const after = edit(linnet)
        const menu = menuOf(linnet)
        return [
          `# ${what}: ${after.rules.length} rules, ${JSON.stringify([after.slots, after.pins, after.evidence?.filter(e => e.setting === kin), after.controls.length, after.menu.tabs, after.firmware])}`,
          ...differencesBetween(linnet, after).map(d => `${d.kind}${d.breaks ? ', breaks' : ''}: ${d.words}`),
          ...menuOf(after).filter(line => !menu.includes(line)),
        ]
      }),
    )
  })

  it('says a rule as it is being built', () => {
    const is = (setting: string, ...options: readonly string[]): DraftCondition => ({ setting, is: [...options] })
    const when = [
      [is('way', 'roam')],
      [is('way', 'perch', 'feather'), is('kin', 'on')],
      [{ ...is('way', 'roam'), isNot: true }],
    ]
    const effects = ['unavailable', 'only', 'forced', 'excludes'] as const
    return expectBook(
      'rules',
      when.flatMap(w =>
        effects.flatMap(effect =>
          [['tail'], ['tail', 'temper'], ['kin'], []].flatMap(targets =>
            [['a'], []].map(options => JSON.stringify(rulesOf(linnet, { when: w, effect, targets, options }))),
          ),
        ),
      ),
    )
  })

  it('says how a menu was read, and writes it down again', () =>
    expectBook('menus', [
      ...menuAsTable(linnet).map(row => row.join(' ; ')),
      ...[
        'Gaze\n  Patch\n    Patch: XS | S * | M, wide | L\n    Trail\n      none *\n      from the patch',
        '1. Focus\n1.1 Mode ..... Single / Continuous / Manual\n1.2 Beep [On] / [Off]\n1.3 Lamp On* / Off',
        '• Area\n  - Spot\n  - Wide (default)\n• Hold: 1 (short) 2 3 (long)\nPage 2\nx\n\n\n=====\nReset? y/n',
        'Setting\tOptions\nBeep\tOn\tOff\nLamp\tOn, Off\n',
        `Long ${'x'.repeat(200)}: a, b\nTwice: a, a, b\nTwice: c, d\nPriority  release   focus\n`,
        'Focus > Area > Size: S, M, L\nFocus > Area > Shape: 1,5 / 2,5\nDrive = Single; High; Low\n(see page 12)',
      ].flatMap(text => {
        const { rows, remarks } = readMenuText(text)
        return [
          '#',
          ...rows.map(r => `${r.tab} > ${r.page} > ${r.label}: ${r.options.join(' | ')} (${r.preset}, ${r.place})`),
          ...remarks.map(r => `line ${r.line}: ${r.text}: ${r.what}`),
        ]
      }),
    ]))

  it('says what a rate implies', () =>
    expectBook(
      'rates',
      bodies.flatMap(b =>
        b.frameRates.map(
          r => `${b.model} ${r.label}: ${JSON.stringify(withRate(b, { 'release.rate': r.framesPerSecond }))}`,
        ),
      ),
    ))
})
