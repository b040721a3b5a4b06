import { describe, expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { bodyFromArchetype } from './archetypes'
import { checkMenuRows, type MenuRow, MOST_OPTIONS, MOST_SETTINGS, UNKNOWN_OPTION, withMenuRows } from './menu-rows'

const row = (label: string, options: readonly string[], more: Partial<MenuRow> = {}): MenuRow => ({
  tab: 'Tab',
  page: 'Page',
  label,
  options,
  preset: 0,
  place: '',
  ...more,
})
const told = (body: ReturnType<typeof tinyBody>) =>
  body.settings.map(s => {
    const tab = body.menu.tabs.find(t => t.id === s.at.tab)
    return `${tab?.label} > ${tab?.pages[s.at.page - 1]} ${s.at.row}: ${s.label} = ${s.options.map(o => o.label).join(', ')}`
  })

describe('rows put into the menu of a body', () => {
  const body = tinyBody({
    drive: [
      ['one', { 'mode.drive': 'single' }],
      ['all', { 'mode.drive': 'continuous' }],
    ],
    tone: ['on', 'off'],
  })

  it('that are there already stay what they were found to be, however they are spelled, and move behind the others', () => {
    const again = withMenuRows(body, [row('DRIVE', ['One', 'All', 'None'])])
    expect(told(again)).toEqual(['Tab > Page 2: tone = on, off', 'Tab > Page 3: DRIVE = one, all, None'])
    const drive = again.settings.find(s => s.id === 'drive')
    expect(drive?.options.map(o => o.means)).toEqual([{ 'mode.drive': 'single' }, { 'mode.drive': 'continuous' }, {}])
    expect(drive?.undecided).toBe(true)
    expect(withMenuRows(body, [row('drive', ['one', 'all'])]).settings.find(s => s.id === 'drive')?.undecided).toBe(
      undefined,
    )
  })

  it('are others where they stand on another page, or in another tab', () => {
    const elsewhere = withMenuRows(body, [
      row('drive', ['a', 'b'], { page: 'Other' }),
      row('tone', ['a', 'b'], { tab: 'Second' }),
    ])
    expect(elsewhere.settings).toHaveLength(4)
    expect(told(elsewhere)).toEqual(
      expect.arrayContaining([
        'Tab > Page 1: drive = one, all',
        'Tab > Other 1: drive = a, b',
        'Tab > Page 2: tone = on, off',
        'Second > Page 1: tone = a, b',
      ]),
    )
    expect(new Set(elsewhere.settings.map(s => s.id)).size).toBe(4)
  })

  it('take over where a star says they begin, and nothing else says it', () => {
    const starts = (preset: number) =>
      withMenuRows(body, [row('tone', ['on', 'off'], { preset })]).settings.find(s => s.id === 'tone')?.default
    expect([starts(0), starts(1)]).toEqual(['on', 'off'])
  })

  it('leave the pages of a menu as they are, but one that was for what had no place and is empty now', () => {
    const [tab] = body.menu.tabs
    if (!tab) throw new Error('no tab')
    const waiting = {
      ...body,
      menu: { ...body.menu, tabs: [{ ...tab, pages: ['First', 'Second', 'Not placed yet'] }] },
      settings: body.settings.map((s, i) => ({ ...s, at: { ...s.at, page: i === 0 ? 1 : 3, row: 1 } })),
    }
    const pages = (label: string) =>
      withMenuRows(waiting, [row(label, ['on', 'off'], { tab: tab.label, page: 'First' })]).menu.tabs.map(t => t.pages)
    expect(pages('tone')).toEqual([['First', 'Second']])
    expect(pages('new')).toEqual([['First', 'Second', 'Not placed yet']])
  })

  it('keep what a setting can be at that they do not tell, behind what they tell', () => {
    const fewer = withMenuRows(body, [row('drive', ['all'])]).settings.find(s => s.id === 'drive')
    expect(fewer?.options.map(o => o.label)).toEqual(['all', 'one'])
    expect(fewer?.default).toBe('one')
  })
})

it('makes a menu of its own from rows alone, each setting below the one before', () => {
  const empty = bodyFromArchetype('mirrorless', { id: 'finch', maker: 'Corvane', model: 'Finch' })
  const begun = withMenuRows(empty, [
    row('Tone', ['a', 'b'], { preset: 1 }),
    row('Tone', ['c'], { page: 'Other' }),
    row('Lamp', []),
    row('Lamp', ['on'], { tab: 'Second' }),
    row('Beep', ['on', 'off'], { preset: 7 }),
  ])
  expect(begun.menu.tabs.map(t => [t.label, t.pages])).toEqual([
    ['Tab', ['Page', 'Other']],
    ['Second', ['Page']],
  ])
  expect(told(begun)).toEqual([
    'Tab > Page 1: Tone = a, b',
    'Tab > Other 1: Tone = c',
    `Tab > Page 2: Lamp = ${UNKNOWN_OPTION}`,
    'Second > Page 1: Lamp = on',
    'Tab > Page 3: Beep = on, off',
  ])
  expect(new Set(begun.settings.map(s => s.id)).size).toBe(5)
  expect(begun.settings.map(s => s.options.find(o => o.id === s.default)?.label)).toEqual([
    'b',
    'c',
    UNKNOWN_OPTION,
    'on',
    'on',
  ])
  expect(begun.settings.every(s => s.undecided && s.options.every(o => Object.keys(o.means).length === 0))).toBe(true)
})

it('takes the second of two rows that say the same for another setting', () => {
  const twice = withMenuRows(tinyBody({ tone: ['on', 'off'] }), [row('tone', ['on', 'off']), row(' Tone ', ['x', 'y'])])
  expect(told(twice)).toEqual(['Tab > Page 1: tone = on, off', 'Tab > Page 2:  Tone  = x, y'])
})

describe('rows that no body can hold', () => {
  const wrong = (...rows: readonly MenuRow[]) =>
    checkMenuRows(rows, 'x').map(p => `${p.path} ${p.value}: ${p.expected}`)

  it('are more than four hundred', () => {
    const many = (n: number) => Array.from({ length: n }, (_, i) => row(`S${i}`, ['a', 'b']))
    expect(wrong(...many(MOST_SETTINGS))).toEqual([])
    expect(wrong(...many(MOST_SETTINGS + 1))).toEqual([' 401 settings: expected at most 400 settings for one body'])
  })

  it('stand on a page already, say an option twice or are longer than eighty letters', () => {
    expect(wrong(row('Tone', ['a'], { place: 'row 2' }), row('TONE', ['a'], { place: 'row 3' }))).toEqual([
      'row 3 TONE: expected each setting once on a page; it stands on Page already, row 2',
    ])
    expect(wrong(row('Tone', ['a']), row('Tone', ['a'], { page: 'Other' }))).toEqual([])
    expect(wrong(row('Tone', ['a', 'b', 'a'], { place: 'row 2' }))).toEqual([
      'row 2 a: expected each option of Tone once',
    ])
    const [most, more] = ['x'.repeat(80), 'x'.repeat(81)]
    expect(wrong(row(most, [most], { tab: most, page: most }))).toEqual([])
    const tooLong = ` ${'x'.repeat(40)}…: expected at most 80 letters`
    expect(wrong(row(more, ['a']))).toEqual([tooLong])
    expect(wrong(row('Tone', ['a', more], { tab: more, page: more }))).toEqual([tooLong, tooLong, tooLong])
  })

  it('are told fifty at a time', () => {
    expect(wrong(...Array.from({ length: 60 }, () => row('Tone', ['a'])))).toHaveLength(50)
  })
})

it('has as many options as a row may have, and no more', () => {
  const options = (n: number) => Array.from({ length: n }, (_, i) => `Level ${i}`)
  expect(checkMenuRows([row('Level', options(MOST_OPTIONS))], 'x')).toEqual([])
  expect(checkMenuRows([row('Level', options(MOST_OPTIONS + 1))], 'x')).toMatchObject([
    { value: '251 options', expected: 'expected at most 250 options' },
  ])
})

it('asks for at least one row', () => {
  expect(checkMenuRows([], 'x')).toMatchObject([
    { file: 'x', expected: 'expected at least one setting with its options' },
  ])
})
