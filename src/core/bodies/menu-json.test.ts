import { describe, expect, it } from 'vitest'
import { asLines } from './menu-json'

/** The lines as they would be written, two spaces for each step in. */
const lines = (told: unknown) =>
  asLines(typeof told === 'string' ? told : JSON.stringify(told))?.map(l => `${'  '.repeat(l.indent)}${l.text}`)

describe('JSON as the lines of a menu', () => {
  it('has names over what is under them', () => {
    expect(lines({ AF: { Tone: ['a', 2, true], Lamp: 'on' } })).toEqual([
      'AF',
      '  Tone',
      '    a',
      '    2',
      '    true',
      '  Lamp',
      '    on',
    ])
    expect(lines({ AF: null })).toEqual(['AF'])
    expect(asLines('{"AF": 1}')).toEqual([
      { text: 'AF', indent: 0, number: 1, block: 0 },
      { text: '1', indent: 1, number: 1, block: 0 },
    ])
  })

  it('has a name and a list in a list', () => {
    expect(lines([['Tone', ['a', 'b']]])).toEqual(['Tone', '  a', '  b'])
    expect(lines(['Tone', ['a', 'b']])).toEqual(['Tone', '  a', '  b'])
    expect(lines(['Tone', 'a'])).toEqual(['Tone', 'a'])
    expect(lines(['Tone', ['a'], 'x'])).toEqual(['Tone', 'a', 'x'])
    expect(lines([1, ['a']])).toEqual(['1', 'a'])
  })

  it('has things that say what they are called, where they stand and what they can be', () => {
    expect(lines({ tab: 'AF', page: 'One', name: 'Tone', options: ['a'], default: 'a', note: 'x' })).toEqual([
      'AF',
      '  One',
      '    Tone',
      '      options:',
      '        a',
      '      default:',
      '        a',
    ])
    expect(lines({ name: 'Tone', values: { 0: 'a', 1: 'b' } })).toEqual(['Tone', '  values:', '    a', '    b'])
    expect(lines({ name: 'Tone', values: { 0: 'a', 1: { Lamp: 'b' } } })).toEqual([
      'Tone',
      '  0',
      '    a',
      '  1',
      '    Lamp',
      '      b',
    ])
    expect(lines({ name: 'Tone', values: 'a, b' })).toEqual(['Tone', '  values:', '    a, b'])
    // Nothing in it, or more than words: no list of what can be chosen.
    expect(lines({ name: 'Tone', values: '' })).toEqual(['Tone'])
    expect(lines({ name: 'Tone', values: { a: { name: 'Lamp' } } })).toEqual(['Tone', '  a', '    Lamp'])
    expect(lines({ name: 'Card', in: [{ name: 'Tone', options: ['a'] }] })).toEqual([
      'Card',
      '  Tone',
      '    options:',
      '      a',
    ])
  })

  it('takes the name that is shown before the one that programs use', () => {
    expect(lines({ name: 'tone_id', label: 'Tone', options: ['a'] })).toEqual(['Tone', '  options:', '    a'])
    expect(lines([{ key: 'Tone', choices: ['a'] }])).toEqual(['Tone', '  choices:', '    a'])
  })

  it('takes what things that are alike say first for their names', () => {
    const alike = [
      { what: 'Tone', options: ['a'] },
      { what: 'Lamp', options: ['b'] },
    ]
    expect(lines(alike)).toEqual(['Tone', '  options:', '    a', 'Lamp', '  options:', '    b'])
    expect(lines(alike.slice(0, 1))).not.toContain('Tone')
    expect(lines([{ what: 'Tone' }, { other: 'Lamp' }])).toEqual(['what', '  Tone', 'other', '  Lamp'])
    expect(lines([{}, {}])).toEqual([])
    expect(
      lines([
        { what: '', now: 'Tone' },
        { what: '', now: 'Lamp' },
      ]),
    ).toEqual(['Tone', 'Lamp'])
    expect(
      lines([
        { what: 3, now: 'Tone' },
        { what: 4, now: 'Lamp' },
      ]),
    ).toEqual(['Tone', 'Lamp'])
  })

  it('knows settings by what is told of them under their names', () => {
    expect(lines({ Tone: { options: ['a'], default: 'a' } })).toEqual([
      'Tone',
      '  options:',
      '    a',
      '  default:',
      '    a',
    ])
    expect(lines({ Tone: { colour: ['a'] } })).toEqual(['Tone', '  colour', '    a'])
  })

  it('knows what only holds others', () => {
    expect(lines({ settings: [{ name: 'Tone', options: ['a'] }] })).toEqual(['Tone', '  options:', '    a'])
    expect(lines({ other: [{ name: 'Tone', options: ['a'] }] })).toEqual(['other', '  Tone', '    options:', '      a'])
    expect(lines({ settings: [{ name: 'Tone', options: ['a'] }, 'b'] })?.[0]).toBe('settings')
    expect(lines({ settings: ['a'] })).toEqual(['settings', '  a'])
  })

  it('may be one whole or one in each line, with a fence around it', () => {
    expect(lines('{"Tone": "a"}\n\n  \n{"Lamp": "b"}')).toEqual(['Tone', '  a', 'Lamp', '  b'])
    expect(lines('```json\n{"Tone":\n"a"}\n```')).toEqual(['Tone', '  a'])
  })

  it('is none where it cannot be read, or begins otherwise', () => {
    expect(lines(`${'['.repeat(60_000)}1${']'.repeat(60_000)}`)).toBeUndefined()
    for (const text of ['', 'Tone', '"Tone"', '[Tone]', '{"Tone": "a"}\n{Lamp}', 'x {"Tone": "a"}'])
      expect(lines(text), text).toBeUndefined()
  })
})
