import { describe, expect, it } from 'vitest'
import { tinyStandard } from '../../../test/fixtures/tiny-body'
import {
  allLookedFor,
  type Body,
  bodyFromArchetype,
  checkBody,
  hasNone,
  meansNothing,
  menuPath,
  startLooking,
  withMenuRows,
} from '../bodies'
import { cellWords, resolve, whyWords } from '../resolve'
import { effectiveTargets } from '../standards'
import type { NeutralValue } from '../vocabulary/values'
import { knowledgeOf } from './knowledge'
import { acceptReading, proposeFor } from './propose'
import {
  alwaysSo,
  askedAgain,
  nextOpen,
  questionsOf,
  readingsForAnswer,
  takeAnswer,
  undecidedKey,
  withAnsweredRow,
  withKeys,
  withoutFurtherWork,
} from './questions'

const blank = startLooking(bodyFromArchetype('mirrorless', { id: 'stilt', maker: 'Marl', model: 'Stilt' }))

const target = (dimension: string, value: NeutralValue, weight: 'must' | 'should' | 'nice' = 'must') => ({
  dimension,
  value,
  weight,
})
const standard = tinyStandard(
  target('see.tone', false, 'nice'),
  target('trigger.second', { place: 'thumb-centre' }, 'should'),
  target('trigger.start', { place: 'thumb-upper-right' }),
  target('mode.drive', 'continuous'),
  target('trigger.touch', 'off'),
)
const asked = effectiveTargets(standard)

const answered = (body: Body, dimension: string, label: string, options: readonly string[]): Body => {
  const named = withAnsweredRow(body, { label, options })
  const row = named.settings.find(s => s.label === label)
  if (!row) throw new Error(`${label} is not there`)
  const [first] = readingsForAnswer(named, row, dimension, proposeFor(named, row, knowledgeOf([])))
  return first ? acceptReading(named, row.id, first) : named
}

const outcome = (body: Body, dimension: string) => {
  const found = resolve(body, standard).outcomes.find(o => o.target.dimension === dimension)
  if (!found) throw new Error(`nothing about ${dimension}`)
  return { words: cellWords(body, found), why: whyWords(body, found), ...found }
}

describe('what a standard asks of a body', () => {
  it('comes musts first, and keys once', () => {
    expect(questionsOf(blank, asked).map(q => [q.id, q.weight, q.standing])).toEqual([
      ['trigger.start', 'must', 'open'],
      ['trigger.touch', 'must', 'open'],
      ['mode.drive', 'must', 'open'],
      ['see.tone', 'nice', 'open'],
    ])
    expect(questionsOf(blank, asked)[0]?.dimensions).toEqual(['trigger.start', 'trigger.second'])
  })

  it('is asked until it is told, has none, or is put off', () => {
    const told = answered(blank, 'mode.drive', 'How AF works', ['Once', 'Keeps following', 'By hand'])
    const none = hasNone(told, ['trigger.touch'])
    const questions = questionsOf(none, asked)
    expect(questions.map(q => q.standing)).toEqual(['open', 'none', 'told', 'open'])
    expect(nextOpen(questions, 'trigger.start', new Set())?.id).toBe('see.tone')
    expect(nextOpen(questions, 'see.tone', new Set())?.id).toBe('trigger.start')
    expect(nextOpen(questions, 'see.tone', new Set(['trigger.start', 'see.tone']))).toBeUndefined()
    const again = questions.flatMap(q => (q.standing === 'open' ? [] : [q])).reduce(askedAgain, none)
    expect(questionsOf(again, asked).map(q => q.standing)).toEqual(['open', 'open', 'open', 'open'])
    expect(again.settings[0]?.options.map(o => o.label)).toEqual(['Once', 'Keeps following', 'By hand'])
  })

  it('reads a row in words of its own as what was asked', () => {
    const told = answered(blank, 'see.tone', 'Chirrup', ['Off', 'On'])
    expect(told.settings[0]?.options.map(o => o.means)).toEqual([{ 'see.tone': false }, { 'see.tone': true }])
    expect(outcome(told, 'see.tone').words.main).toBe('Off')
  })

  it('takes what is always so without a row', () => {
    const always = alwaysSo(blank, 'see.tone', false)
    expect(outcome(always, 'see.tone')).toMatchObject({ held: true, words: { main: 'always so' } })
    expect(questionsOf(always, asked).find(q => q.id === 'see.tone')?.standing).toBe('told')
  })

  it('makes each key a row, takes away what is not there, and knows what no key takes', () => {
    const work = ['AF start', 'AE lock', 'Not set']
    const told = withKeys(
      blank,
      [
        { control: 'upper-thumb-key', label: 'Nub', work },
        { control: 'thumb-stick', label: 'Post', work: ['AE lock', 'Not set'] },
      ],
      ['trigger.start', 'trigger.second'],
    )
    expect(told.controls.map(c => c.label)).toEqual(['Shutter', 'Nub', 'Post'])
    expect(told.settings.map(s => [s.label, s.undecided])).toEqual([
      ['Nub', undefined],
      ['Post', undefined],
    ])
    expect(outcome(told, 'trigger.start').words.main).toBe('AF start')
    expect(told.lacking).toEqual(['trigger.second'])
    expect(outcome(told, 'trigger.second').words.main).toBe('no such setting')
    expect(checkBody(told, 'Stilt')).toEqual([])
  })
})

describe('an answer in words that are understood in part', () => {
  it('leaves the rest open, and says of none that it is about nothing', () => {
    const named = withAnsweredRow(blank, { label: 'Noise when sharp', options: ['Gurgle', 'Mute'] })
    const [row] = named.settings
    const [first] = row ? readingsForAnswer(named, row, 'see.tone', proposeFor(named, row, knowledgeOf([]))) : []
    const taken = row && first ? takeAnswer(named, row.id, first) : named
    expect(taken.settings[0]?.options.map(o => o.means)).toEqual([{}, { 'see.tone': false }])
    expect(taken.settings[0]?.undecided).toBe(true)
  })
})

describe('a profile that is whole', () => {
  const whole = allLookedFor(answered(blank, 'see.tone', 'Beep', ['Off', 'On']))

  it('stays so: what it does not speak of is not there, and asking again about one thing leaves the rest known', () => {
    expect(questionsOf(whole, asked).map(q => q.standing)).toEqual(['none', 'none', 'none', 'told'])
    expect(startLooking(whole)).toBe(whole)
    expect(hasNone(whole, ['mode.drive'])).toBe(whole)
    const [, , drive] = questionsOf(whole, asked)
    const again = drive && askedAgain(whole, drive)
    expect(again && questionsOf(again, asked).map(q => q.standing)).toEqual(['none', 'none', 'open', 'told'])
  })
})

describe('a row that is named', () => {
  it('is the one of that name where there is one, wherever it stands, and is asked about anew', () => {
    const rows = [{ tab: 'AF', page: 'AF1', label: 'Beep', options: ['Off', 'On'], preset: 0, place: '' }]
    const pasted = withMenuRows(blank, rows)
    const named = withAnsweredRow(pasted, { label: 'BEEP', options: ['Off', 'On'] })
    expect(named.settings.map(s => [s.id, s.undecided, menuPath(named, s)[1]])).toEqual([['beep', true, 'AF1']])
  })
})

describe('work of keys in words nobody knows', () => {
  it('is asked about row by row before anything is called lacking', () => {
    const keys = [{ control: 'upper-thumb-key', label: 'Nub', work: ['Whistle', 'Hum'] }]
    const told = withKeys(blank, keys, ['trigger.start'])
    expect(undecidedKey(told)?.label).toBe('Nub')
    expect(told.lacking).toEqual([])
    const [nub] = told.settings
    const decided = nub ? withoutFurtherWork(meansNothing(told, nub.id), ['trigger.start']) : told
    expect(decided.lacking).toEqual(['trigger.start'])
  })
})

describe('what nobody has looked for', () => {
  it('is not known yet, and not lacking, until somebody says so', () => {
    expect(outcome(blank, 'mode.drive').missing).toEqual({ why: 'not-looked-for' })
    expect(outcome(blank, 'mode.drive').words.main).toBe('not known yet')
    expect(outcome(blank, 'trigger.touch').words.sub).toBe('counts as off until somebody looks')
    expect(outcome(blank, 'trigger.touch').why).toMatch(/^Nobody has looked yet/)
    expect(outcome(hasNone(blank, ['mode.drive']), 'mode.drive').missing).toEqual({ why: 'no-setting' })
    expect(outcome(allLookedFor(blank), 'mode.drive').missing).toEqual({ why: 'no-setting' })
    expect(outcome(allLookedFor(blank), 'trigger.touch').words.sub).toBe('counts as off')
  })
})

describe('the rest of the menu, pasted later', () => {
  const row = (label: string, options: readonly string[], preset = 0) => ({
    tab: 'AF',
    page: 'AF1',
    label,
    options,
    preset,
    place: 'line 1',
  })

  it('joins what was answered row by row: meanings stay, and each row goes where it is said to stand', () => {
    const told = answered(blank, 'see.tone', 'Beep', ['Off', 'On'])
    const id = told.settings[0]?.id
    const whole = withMenuRows(told, [row('BEEP', ['On', 'Off'], 1), row('Focus mode', ['AF-S', 'AF-C'])])
    expect(whole.settings.map(s => [s.id, s.label, menuPath(whole, s)])).toEqual([
      [id, 'BEEP', ['AF', 'AF1', 1]],
      ['focus-mode', 'Focus mode', ['AF', 'AF1', 2]],
    ])
    expect(whole.settings[0]?.options.map(o => o.means)).toEqual([{ 'see.tone': true }, { 'see.tone': false }])
    expect(whole.settings[0]?.undecided).toBeUndefined()
    expect(whole.settings[0]?.default).toBe('off')
    // The page they waited on is gone.
    expect(whole.menu.tabs.map(t => t.pages)).toEqual([['AF1']])
  })

  it('asks again about a row that turns out to have more options, and keeps what was said of the others', () => {
    const told = answered(blank, 'see.tone', 'Beep', ['Off', 'On'])
    const [beep] = withMenuRows(told, [row('Beep', ['Off', 'Shutter only', 'On'])]).settings
    expect(beep?.undecided).toBe(true)
    expect(beep?.options.map(o => [o.label, o.means])).toEqual([
      ['Off', { 'see.tone': false }],
      ['Shutter only', {}],
      ['On', { 'see.tone': true }],
    ])
  })

  it('keeps the default that is known where the row marks none, and never makes one of two rows', () => {
    const first = withMenuRows(blank, [row('Area', ['A', 'B'], 1)])
    const twice = withMenuRows(first, [row('Area', ['A', 'B']), row('Area', ['A', 'B'])])
    expect(twice.settings.map(s => [s.id, s.default])).toEqual([
      ['area', 'b'],
      ['area-2', 'a'],
    ])
    expect(checkBody(twice, 'Stilt')).toEqual([])
  })

  it('leaves apart two rows of one name on different pages', () => {
    const first = withMenuRows(blank, [row('Area', ['A', 'B'])])
    const both = withMenuRows(first, [{ ...row('Area', ['A', 'C']), page: 'AF2' }])
    expect(both.settings.map(s => menuPath(both, s)[1])).toEqual(['AF1', 'AF2'])
  })
})
