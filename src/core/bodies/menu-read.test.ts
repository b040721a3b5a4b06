import { describe, expect, it } from 'vitest'
import { type MenuRow, MOST_OPTIONS, MOST_SETTINGS } from './menu-rows'
import { menuAsText, readMenuText } from './menu-text'

/** Each row in one line: where it stands, its name, its options with a star behind what is set. */
const told = (text: string) =>
  readMenuText(text).rows.map(r => {
    const options = r.options.map((o, i) => (i && i === r.preset ? `${o}*` : o)).join(' | ')
    return `${[...new Set([r.tab, r.page])].join(' > ')} > ${r.label}: ${options || '?'}`
  })
const whats = (text: string) => readMenuText(text).remarks.map(r => `${r.line} ${r.what}`)

describe('what is read is no more than a body can hold', () => {
  it('cuts names that are longer than eighty letters', () => {
    const [most, more] = ['x'.repeat(80), 'x'.repeat(81)]
    expect(told(`${most}: a, b`)).toEqual([`Menu > ${most}: a | b`])
    expect(whats(`${most}: a, b`)).toEqual([])
    expect(told(`${more}: a, b`)).toEqual([`Menu > ${'x'.repeat(79)}…: a | b`])
    expect(whats(`${more}: a, b`)).toEqual(['1 cut to 80 letters'])
    expect(whats(`Tone: a, ${most}`)).toEqual([])
    expect(whats(`Tone: a, ${more}`)).toEqual(['1 an option is cut to 80 letters'])
  })

  it('tells names apart that stand twice, however long they are', () => {
    const long = 'x'.repeat(80)
    expect(readMenuText(`${long}: a, b\n${long.toUpperCase()}: c, d`).rows.map(r => r.label)).toEqual([
      long,
      `${'X'.repeat(74)}… (2)`,
    ])
  })

  it('keeps the first options, and a star among them', () => {
    const list = (n: number, star: number) =>
      Array.from({ length: n }, (_, i) => `o${i}${i === star ? '*' : ''}`).join(', ')
    expect(whats(`Tone: ${list(MOST_OPTIONS, 249)}`)).toEqual([])
    expect(readMenuText(`Tone: ${list(MOST_OPTIONS, 249)}`).rows[0]?.preset).toBe(249)
    expect(whats(`Tone: ${list(MOST_OPTIONS + 1, 0)}`)).toEqual(['1 the first 250 of its 251 options are kept'])
    expect(readMenuText(`Tone: ${list(MOST_OPTIONS + 1, 250)}`).rows[0]?.preset).toBe(0)
  })

  it('keeps the first settings', () => {
    const many = (n: number) => Array.from({ length: n }, (_, i) => `S${i}: a, b`).join('\n')
    expect(whats(many(MOST_SETTINGS))).toEqual([])
    expect(whats(many(MOST_SETTINGS + 1))).toEqual(['401 from here on 1 settings are left out: a body holds 400'])
  })
})

describe('what should be looked at', () => {
  it('is told in the order of the lines, each with what stands there', () => {
    expect(readMenuText('Tone: a, a\nSee the chapter on lenses.').remarks).toEqual([
      { line: 1, text: 'Tone', what: 'an option stands twice; it is kept once' },
      { line: 2, text: 'See the chapter on lenses.', what: 'left out: it reads like a remark' },
    ])
    expect(readMenuText(' Setting\tOptions\nTone\ta, a\n\tx').remarks).toEqual([
      { line: 1, text: 'Setting Options', what: 'read as the heads of columns' },
      { line: 2, text: 'Tone', what: 'an option stands twice; it is kept once' },
      { line: 3, text: 'x', what: 'left out: it names no setting' },
    ])
  })

  it('is a full box of several, where it is a square one', () => {
    const boxes = '1 the boxes below it are read as what can be chosen of it'
    expect(whats('Setup\n[x] A\n[ ] B')).toEqual([boxes])
    expect(whats('Setup\n(x) A\n( ) B')).toEqual([])
    expect(whats('Setup\n  [x] A\n  [near] B')).toEqual([])
    expect(whats('Setup\n  [x] A\n  B')).toEqual([])
  })
})

describe('options below a name', () => {
  const soft = 'a: this makes the picture very soft'
  const hard = 'b – this makes it very hard and dark'

  it('may each have a sentence that says what it does', () => {
    expect(told(`Tone\n  ${soft}\n  ${hard}`)).toEqual(['Menu > Tone: a | b'])
    expect(told(`Tone\n  ${soft}\n  ${hard}\n  c\n  d *`)).toEqual(['Menu > Tone: a | b | c | d*'])
    expect(told(`Tone\n  ${soft}\n  b: hard`)).toEqual(['Menu > Tone: a | b'])
    expect(told(`Tone\n  ${soft}\n  b: hard\n  c: dark`)).not.toContain('Menu > Tone: a | b | c')
    // One of four is said nothing of.
    expect(told(`Tone\n  ${soft}\n  c\n  d\n  e`)).toEqual([`Menu > Tone: ${soft} | c | d | e`])
  })

  it('are settings of a page where one of them has options', () => {
    expect(told(`Tone\n  ${soft}\n  b: on, off`)).toContain('Tone > b: on | off')
    expect(told('Tone\n  a: on, off\n  b: x, y')).toEqual(['Tone > a: on | off', 'Tone > b: x | y'])
    expect(told('Tone\n  a: on, off\n  b')).toEqual(['Tone > a: on | off', 'Tone > b: ?'])
  })

  it('are what can be chosen though there are colons in them', () => {
    expect(told('Form\n  16:9\n  3:2')).toEqual(['Menu > Form: 16:9 | 3:2'])
    expect(told('Form\n  wide: 16\n  square')).toEqual(['Menu > Form: wide: 16 | square'])
    expect(told('Form\n  wide: 16\n  wide: 9')).toEqual(['Menu > Form: wide: 16 | wide: 9'])
    expect(told('Form\n  wide: 16\n  square: 9')).toEqual(['Form > wide: 16', 'Form > square: 9'])
  })

  it('may stand in one line', () => {
    expect(told('Tone\n  a, b*')).toEqual(['Menu > Tone: a | b*'])
    expect(told('Tone\n  a, b\n  c, d')).toEqual(['Menu > Tone: a, b | c, d'])
  })

  it('may be told by fields, of which the one that says the default counts more than a star', () => {
    expect(told('Tone\n  Options: a, b*\n  Default: a')).toEqual(['Menu > Tone: a | b'])
    expect(told('Tone\n  Options: a, b*')).toEqual(['Menu > Tone: a | b*'])
    expect(told('Tone:\n  Options: a, b\n  Default: B')).toEqual(['Menu > Tone: a | b*'])
    expect(told('Tone\n  Options:\n    a\n    b *')).toEqual(['Menu > Tone: a | b*'])
  })
})

describe('a name alone', () => {
  it('leads the settings behind it', () => {
    expect(told('AF\nTone: a, b\nMF\nRing: l, r')).toEqual(['AF > Tone: a | b', 'MF > Ring: l | r'])
    expect(told('AF\nTone\n  a\n  b')).toEqual(['AF > Tone: a | b'])
    expect(told('AF\n  One\n  Tone: a, b\n  Two\n  Lamp: on, off')).toEqual([
      'AF > One > Tone: a | b',
      'AF > Two > Lamp: on | off',
    ])
  })

  it('is a setting where none follows, further in, or behind settings that have their options below them', () => {
    expect(told('Tone: a, b\nLamp')).toEqual(['Menu > Tone: a | b', 'Menu > Lamp: ?'])
    expect(told('AF\n  One\n    Tone\n    Lamp: on, off')).toEqual(['AF > One > Tone: ?', 'AF > One > Lamp: on | off'])
    expect(told('Tone\n  a\n  b\nMF\nRing\n  l\n  r')).toEqual([
      'Menu > Tone: a | b',
      'Menu > MF: ?',
      'Menu > Ring: l | r',
    ])
  })

  it('that has something below it leads nothing else', () => {
    expect(told('AF\n  Tone: a, b\nLamp: on, off')).toEqual(['AF > Tone: a | b', 'Menu > Lamp: on | off'])
  })

  it('is without a colon and a mark behind it', () => {
    expect(told('AF:\n  One *\n    Tone:\n      a\n      b')).toEqual(['AF > One > Tone: a | b'])
  })
})

it('writes each tab and page once, for all that stands on it', () => {
  const row = (tab: string, page: string, label: string): MenuRow => ({
    tab,
    page,
    label,
    options: ['a', 'b'],
    preset: 1,
    place: '',
  })
  const rows = [row('A', 'P', 'One'), row('A', 'P', 'Two'), row('A', 'Q', 'Three'), row('B', 'Q', 'Four')]
  expect(menuAsText(rows).split('\n')).toEqual([
    'A',
    '  P',
    ...['    One', '      a', '      b *', '    Two', '      a', '      b *'],
    '  Q',
    ...['    Three', '      a', '      b *'],
    'B',
    '  Q',
    ...['    Four', '      a', '      b *'],
  ])
})
