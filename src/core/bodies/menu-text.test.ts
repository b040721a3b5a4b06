import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pastes } from '../../../test/fixtures/pastes'
import { demoBodies } from '../../demo/world'
import { problemWords } from '../reading/problem'
import { bodyFromArchetype } from './archetypes'
import { UNKNOWN_OPTION, withMenuRows } from './menu-rows'
import { menuRowsOf } from './menu-table'
import { menuAsText, parseMenuText, readMenuText } from './menu-text'
import { parseBody } from './parse'

const rows = (text: string) => {
  const parsed = parseMenuText(text, 'pasted menu')
  if (!parsed.ok) throw new Error(parsed.problems.map(problemWords).join('\n'))
  return parsed.value
}
const complaints = (text: string) => {
  const parsed = parseMenuText(text, 'pasted menu')
  return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
}
const short = (text: string) => rows(text).map(r => [r.tab, r.page, r.label, r.options.join('|'), r.preset])

const PASTED = `Gaze
  Patch
    Patch: XS | S * | M, wide | L
    Trail
      none *
      from the patch
Hand
  Press
    Half press: light and gaze, light alone`

describe('a pasted menu', () => {
  it('is tabs, pages, settings and options by its indentation, or behind a colon', () => {
    expect(short(PASTED)).toEqual([
      ['Gaze', 'Patch', 'Patch', 'XS|S|M, wide|L', 1],
      ['Gaze', 'Patch', 'Trail', 'none|from the patch', 0],
      ['Hand', 'Press', 'Half press', 'light and gaze|light alone', 0],
    ])
  })

  it('may be indented by tabs, use list marks, have empty lines and be as shallow as it likes', () => {
    expect(short('- Drive\n\t- Once\n\t- On and on *\n\n\r\n- Tone: on; off (default)')).toEqual([
      ['Menu', 'Menu', 'Drive', 'Once|On and on', 1],
      ['Menu', 'Menu', 'Tone', 'on|off', 1],
    ])
  })

  it('takes brackets for options only where all of them are closed and nothing else stands between', () => {
    expect(short('Beep [On] / [Off]*')).toEqual([['Menu', 'Menu', 'Beep', 'On|Off', 1]])
    const options = (text: string) => rows(text).map(r => [r.label, r.options.join('|')])
    expect(options('Lamp [On] [Off')).not.toEqual([['Lamp', 'On|Off']])
    expect(options('Lamp [On] always [Off]')).not.toEqual([['Lamp', 'On|Off']])
    expect(options('Lamp (On, Off)')).toEqual([['Lamp', 'On|Off']])
    expect(options('Lamp On, Off)')).not.toEqual([['Lamp', 'On|Off']])
    expect(complaints('(On, Off)')).toContain('expected at least one setting')
  })

  it('takes dots that lead to one word alone for no setting with its options', () => {
    expect(rows('Beep ...... On, Off').map(r => [r.label, r.options.join('|')])).toEqual([['Beep', 'On|Off']])
    expect(rows('Beep ...... On').map(r => r.options.join('|'))).not.toEqual(['On'])
  })

  it('keeps a setting without options, to be looked at later', () => {
    const [, lonely] = rows('Tab\n  Page\n    Full: a | b\n    Lonely')
    expect(lonely?.options).toEqual([])
    const body = withMenuRows(bodyFromArchetype('compact', { id: 'x', maker: 'X', model: 'X' }), lonely ? [lonely] : [])
    expect(body.settings[0]?.options[0]?.label).toBe(UNKNOWN_OPTION)
  })

  it('is refused only where there is nothing in it', () => {
    expect(complaints('')).toContain('expected at least one setting')
    expect(complaints('\n  \n…\n')).toContain('expected at least one setting')
  })

  it.each([
    ['brackets', 'Tone [On] / [Off]*', ['Tone', 'On|Off', 1]],
    ['brackets behind a colon', 'Tone: [On] / [Off]', ['Tone', 'On|Off', 0]],
    ['dots that lead to it', 'AF drive .......... One shot, Servo*, Manual', ['AF drive', 'One shot|Servo|Manual', 1]],
    ['columns of spaces', 'AF drive     One shot / Servo', ['AF drive', 'One shot|Servo', 0]],
    ['columns of tabs', 'AF drive\tOne shot\tServo', ['AF drive', 'One shot|Servo', 0]],
    ['a row of a table', '| AF drive | One shot / Servo / Manual |', ['AF drive', 'One shot|Servo|Manual', 0]],
    ['a table with a column for each option', '| AF drive | One shot | Servo |', ['AF drive', 'One shot|Servo', 0]],
    ['a number before it', '12. AF drive: One shot | Servo', ['AF drive', 'One shot|Servo', 0]],
    ['a bullet', '• AF drive: One shot | Servo', ['AF drive', 'One shot|Servo', 0]],
    ['bold for the default', 'AF drive: One shot | **Servo**', ['AF drive', 'One shot|Servo', 1]],
    ['figures with a comma', 'Hold: 0,5 s, 1,5 s, 3 s', ['Hold', '0,5 s|1,5 s|3 s', 0]],
    ['a scale by its ends', 'Sensitivity: -2 ... +2', ['Sensitivity', '-2|-1|0|+1|+2', 0]],
    [
      'a scale by its named ends',
      'Sensitivity: 1 (locked on) ... 5 (responsive)',
      ['Sensitivity', '1 (locked on)|2|3|4|5 (responsive)', 0],
    ],
    ['marks of direction and control signs', '\u200fTone\u0007: On | Off\u200e', ['Tone', 'On|Off', 0]],
    ['another script', 'フォーカス: あ | い', ['フォーカス', 'あ|い', 0]],
    ['a slash within an option', 'Orientation: Point and area | AF/MF', ['Orientation', 'Point and area|AF/MF', 0]],
  ])('reads %s', (_, text, wanted) => {
    const [row] = rows(text)
    expect([row?.label, row?.options.join('|'), row?.preset]).toEqual(wanted)
  })

  it.each([
    ['leads on', '> AF mode\n  Single\n  Continuous\n> AF lamp\n  On\n  Off', 'AF mode: Single|Continuous'],
    [
      'leads on below a heading',
      'Focus\n> AF mode\n  Single\n  Continuous\n> AF lamp\n  On\n  Off',
      'AF mode: Single|Continuous',
    ],
    [
      'chooses, further in',
      'Focus\n  AF mode\n    Single\n  > Continuous\n  AF lamp\n  > On\n    Off',
      'AF mode: Single|Continuous*',
    ],
  ])('tells an arrow that %s', (_, text, first) => {
    const read = rows(text).map(
      r => `${r.label}: ${r.options.map((o, i) => (i && i === r.preset ? `${o}*` : o)).join('|')}`,
    )
    expect(read).toEqual([first, 'AF lamp: On|Off'])
  })

  it('knows options in brackets behind a name of two letters', () => {
    expect(readMenuText('Focus\n  AF(On, Off)').rows).toMatchObject([{ label: 'AF', options: ['On', 'Off'] }])
  })

  it('knows what a row is set to in a column behind its options, whatever stands in columns behind that', () => {
    const read = readMenuText('Focus\n  AF lamp ........ On / Off   Off   12\n  Beep ........ Loud / Soft   Soft   13')
    expect(read.rows).toMatchObject([
      { label: 'AF lamp', options: ['On', 'Off'], preset: 1 },
      { label: 'Beep', options: ['Loud', 'Soft'], preset: 1 },
    ])
  })

  it('knows paths that end with options and nothing between', () => {
    expect(readMenuText('Focus > Area > S, M, L\nFocus > Lamp > On, Off').rows).toMatchObject([
      { page: 'Focus', label: 'Area', options: ['S', 'M', 'L'] },
      { page: 'Focus', label: 'Lamp', options: ['On', 'Off'] },
    ])
  })

  it('knows records one to a line, with lines of nothing but space between', () => {
    const told = ['Tone', 'Lamp'].map(name => JSON.stringify({ name, options: ['On', 'Off'] }))
    expect(readMenuText(told.join('\n   \n')).rows.map(r => r.label)).toEqual(['Tone', 'Lamp'])
  })

  it('has options in cells of their own, some of them empty, and remarks in the order of the lines', () => {
    const read = readMenuText('Setting\tOptions\nTone\tOn\tOff\nTone\t\tWeak\tStrong\n\tx\ty')
    expect(read.rows).toMatchObject([
      { label: 'Tone', options: ['On', 'Off'] },
      { label: 'Tone (2)', options: ['Weak', 'Strong'] },
    ])
    expect(read.remarks.map(r => r.line)).toEqual([1, 3, 4])
  })

  it('knows options in brackets of their own, with and without space in them', () => {
    expect(readMenuText('Focus\n  Tone [ On ] [Off ]*').rows).toMatchObject([
      { label: 'Tone', options: ['On', 'Off'], preset: 1 },
    ])
  })

  it('says where one full box of several may be something else', () => {
    const { rows: read, remarks } = readMenuText('Setup\n[x] AF lamp\n[ ] Beep')
    expect(read).toMatchObject([{ label: 'Setup', options: ['AF lamp', 'Beep'] }])
    expect(remarks.map(r => r.what)).toEqual(['the boxes below it are read as what can be chosen of it'])
    // Two are no choice.
    expect(readMenuText('Setup\n[x] AF lamp\n[x] Beep').rows[0]).toMatchObject({ label: 'Setup', options: [] })
  })

  it.each(pastes().map(p => [p.name, p] as const))('reads a menu in the layout of %s', (_, { text, rows: wanted }) => {
    const read = rows(text).map(r => {
      const options = r.options.map((o, i) => (i === r.preset ? `${o}*` : o))
      return `${r.tab} > ${r.page} > ${r.label}: ${options.join(' | ') || '?'}`
    })
    // Where no default is told, it is the first.
    const starred = (row: string) => (/\*|\?$/.test(row) ? row : row.replace(/: .*?(?= \||$)/, '$&*'))
    expect(read).toEqual(wanted.map(starred))
  })

  it('takes headings of any kind as pages, and says where it took a name for one', () => {
    const flat = readMenuText('# AF\n## AF1\nTone: On | Off\n## AF2\nLamp: On | Off')
    expect(flat.rows.map(r => [r.tab, r.page, r.label])).toEqual([
      ['AF', 'AF1', 'Tone'],
      ['AF', 'AF2', 'Lamp'],
    ])
    expect(flat.remarks).toEqual([])
    const bare = readMenuText('AF1\nTone: On | Off\nAF2\nLamp: On | Off')
    expect(bare.rows.map(r => [r.tab, r.label])).toEqual([
      ['AF1', 'Tone'],
      ['AF2', 'Lamp'],
    ])
    expect(bare.remarks.map(r => [r.line, r.what])).toEqual([
      [1, 'read as a heading, since settings follow it'],
      [3, 'read as a heading, since settings follow it'],
    ])
  })

  it.each([
    [
      'Tab\n  Page\n    Grip: a | b\n    Grip: c | d',
      4,
      'stands on this page already; both are kept',
      ['Grip', 'Grip (2)'],
    ],
    ['Tab\n  Page\n    Grip: a | b | a', 3, 'an option stands twice; it is kept once', ['Grip']],
    [`Tab\n  Page\n    ${'x'.repeat(90)}: a | b`, 3, 'cut to 80 letters', ['x'.repeat(79) + '…']],
    ['Tone: On | Off\nSee the chapter on lenses.', 2, 'left out: it reads like a remark', ['Tone']],
    ['Tone: On | Off\n- 57 -\nLamp: On | Off', 2, 'left out: it names nothing', ['Tone', 'Lamp']],
    [
      'AF drive ......... 57\nTone: On | Off',
      1,
      'the figure behind it looks like the number of a page',
      ['AF drive', 'Tone'],
    ],
    ['Tone: On | Off\nAnother matter', 2, 'no options stand behind it; is it a setting?', ['Tone', 'Another matter']],
    ['| Setting | Options |\n|---|---|\n| Tone | On, Off |', 1, 'read as the heads of columns', ['Tone']],
    ['Setting\tOptions\nTone\tOn, Off\n\tOn', 3, 'left out: it names no setting', ['Tone']],
  ])('reads on and says what should be looked at (%#)', (text, line, what, labels) => {
    const read = readMenuText(text)
    expect(read.remarks).toContainEqual(expect.objectContaining({ line, what }))
    expect(read.rows.map(r => r.label)).toEqual(labels)
  })

  it('reads as far as it goes: many options, many settings, very many lines', () => {
    const wide = readMenuText(`Zone: ${Array.from({ length: 300 }, (_, i) => `o${i}`).join(' | ')}`)
    expect(wide.rows[0]?.options).toHaveLength(250)
    expect(wide.remarks[0]?.what).toContain('the first 250 of its 300 options')
    const long = readMenuText(Array.from({ length: 5000 }, (_, i) => `S${i}: a | b`).join('\n'))
    expect(long.rows).toHaveLength(400)
    expect(long.remarks[0]).toMatchObject({
      line: 401,
      what: expect.stringContaining('4600 settings are left out') as string,
    })
  })

  it('takes time in proportion to the text, whatever stands in it', () => {
    const bad = [
      ' '.repeat(25_000),
      `a${' '.repeat(25_000)}b`,
      `x: ${' ,'.repeat(10_000)}`,
      '['.repeat(20_000),
      '.'.repeat(25_000),
    ]
    for (const text of bad) {
      const began = performance.now()
      readMenuText(text)
      expect(performance.now() - began, text.slice(0, 5)).toBeLessThan(500)
    }
  })

  it('becomes a body that is right in itself, with everything still to be decided', () => {
    const begun = bodyFromArchetype('mirrorless', { id: 'finch', maker: 'Corvane', model: 'Finch' })
    const body = withMenuRows(begun, rows(PASTED))
    expect(parseBody(body, 'finch.json')).toMatchObject({ ok: true })
    expect(body.settings.every(s => s.undecided)).toBe(true)
    expect(body.settings[0]?.default).toBe('s')
    expect(body.menu.tabs.map(t => [t.label, t.pages])).toEqual([
      ['Gaze', ['Patch']],
      ['Hand', ['Press']],
    ])
  })

  it('reads back as it was written, for every body of the demo', () => {
    for (const body of demoBodies()) {
      const written = menuRowsOf(body)
      const read = rows(menuAsText(written))
      const plain = (list: typeof written) => list.map(r => ({ ...r, place: '' }))
      expect(plain(read), body.model).toEqual(plain(written))
    }
  })

  it('never fails on any text, and never loses a word of a well-formed one', () => {
    fc.assert(fc.property(fc.string({ unit: 'grapheme' }), text => void parseMenuText(text, 'pasted')))
  })
})

describe('brackets behind a name', () => {
  it('hold an option each, with signs of their own, and a star behind what is set', () => {
    expect(short('Watch [near: far] [other]*')).toEqual([['Menu', 'Menu', 'Watch', 'near: far|other', 1]])
  })

  it('are no page of a manual, which may stand behind them', () => {
    expect(short('Tone [a, b] (page 3)')).toEqual([['Menu', 'Menu', 'Tone', 'a|b', 0]])
  })

  it('belong to what stands behind a colon', () => {
    expect(short('Tone: loud [a] [b]')).toEqual([['Menu', 'Menu', 'Tone', 'loud [a] [b]', 0]])
  })

  it('are looked at where they name nothing', () => {
    expect(readMenuText('[near] [far]').remarks.map(r => r.what)).toEqual([
      'no options stand behind it; is it a setting?',
    ])
  })
})

it('speaks of heads of columns only where there are some', () => {
  const records = readMenuText('Setting: Tone\nOptions: a | b\n\nSetting: Lamp\nOptions: on | off')
  expect(records.rows.map(r => r.label)).toEqual(['Tone', 'Lamp'])
  expect(records.remarks).toEqual([])
})

describe('a menu as JSON', () => {
  const tone = ['Tone', 'a|b', 0]
  const lamp = ['Lamp', 'on|off', 1]
  const named = (text: string) => short(text).map(r => r.slice(2))

  it('is names with lists under names, also in a list of its own', () => {
    expect(named('  {"Tone": ["a", "b"], "Card": {"Size": ["S", "L"]}}')).toEqual([tone, ['Size', 'S|L', 0]])
    expect(named('[{"Tone": ["a", "b"]}, {"Size": ["S", "L"]}]')).toEqual([tone, ['Size', 'S|L', 0]])
  })

  it('is records, with what else they tell left alone', () => {
    const records = [
      { id: 3, name: 'Tone', options: ['a', 'b'] },
      { id: 4, name: 'Lamp', values: 'on, off', default: 'off' },
    ]
    expect(named(JSON.stringify(records))).toEqual([tone, lamp])
    expect(short(JSON.stringify(records.map(r => ({ menu: 'AF', page: 'One', ...r }))))).toEqual([
      ['AF', 'One', ...tone],
      ['AF', 'One', ...lamp],
    ])
    const inside = { tabs: [{ name: 'AF', pages: [{ name: 'One', settings: records }] }] }
    expect(short(JSON.stringify(inside))).toEqual([
      ['AF', 'One', ...tone],
      ['AF', 'One', ...lamp],
    ])
  })

  it.each([
    ['[{"title":"Tone","choices":["a","b"]},{"title":"Size","choices":["S","L"]}]'],
    [
      '[{"id":"t","label":"Tone","options":[{"label":"a","value":1},{"label":"b","value":2}]},{"id":"s","label":"Size","options":[{"label":"S","value":1},{"label":"L","value":2}]}]',
    ],
    ['{"name":"Tone","options":["a","b"]}\n{"name":"Size","options":["S","L"]}'],
    ['[["Tone",["a","b"]],["Size",["S","L"]]]'],
    ['[{"name":"Tone","values":{"0":"a","1":"b"}},{"name":"Size","values":{"0":"S","1":"L"}}]'],
    ['{"Tone":{"options":["a","b"],"current":"a"},"Size":{"options":["S","L"],"current":"S"}}'],
    [
      '{"tree":[{"caption":"Card","in":[{"caption":"Tone","in":[{"caption":"a"},{"caption":"b"}]},{"caption":"Size","in":[{"caption":"S"},{"caption":"L"}]}]}]}',
    ],
    ['```json\n{"Tone": ["a", "b"], "Size": ["S", "L"]}\n```'],
  ])('tells names by where they stand, whatever the keys are called (%#)', text => {
    expect(named(text)).toEqual([tone, ['Size', 'S|L', 0]])
  })

  it('is no menu where it is deeper than any', () => {
    const deep = `${'['.repeat(60_000)}"a"${']'.repeat(60_000)}`
    expect(readMenuText(deep).rows.length).toBeLessThan(2)
  })

  it('is a text like any other where it is none', () => {
    expect(named('[AF] Tone: a, b')).toHaveLength(1)
    expect(named('{Tone: a, b')).toHaveLength(1)
  })
})

describe('a menu quoted in a mail', () => {
  const quoted = ['> Focus', '>   Tone', '>     a', '>     b']
  const named = (answered: number) =>
    readMenuText([...quoted, ...Array.from({ length: answered }, (_, i) => `from me ${i}`)].join('\n')).rows[0]

  it('is read as it was written where it is half of the text or more', () => {
    expect(named(4)).toMatchObject({ page: 'Focus', label: 'Tone', options: ['a', 'b'] })
    expect(named(5)?.options).toEqual([])
  })
})

it('reads what is told below a name, in its line or further below', () => {
  expect(short('Tone\n  Options:\n    a\n    b\n  Default: b\nLamp\n  Options: on, off\n  Default: on')).toEqual([
    ['Menu', 'Menu', 'Tone', 'a|b', 1],
    ['Menu', 'Menu', 'Lamp', 'on|off', 0],
  ])
})

it('believes what is said to be the default before a star', () => {
  expect(short('Tone (default: a): a, b*')[0]?.slice(2)).toEqual(['Tone', 'a|b', 0])
  expect(short('Tone (default: b): a*, b')[0]?.slice(2)).toEqual(['Tone', 'a|b', 1])
})

it('takes a name and its options from the last parts of a path', () => {
  expect(short('Focus > Area > Size > S, M, L\nFocus > Area > Form > round, square')).toEqual([
    ['Focus', 'Area', 'Size', 'S|M|L', 0],
    ['Focus', 'Area', 'Form', 'round|square', 0],
  ])
})

it('counts a scale told by its ends, with signs where there are some on either side of nought', () => {
  const steps = (text: string) => short(`Tone: ${text}`)[0]?.[3]
  expect(steps('+2 to -2')).toBe('+2|+1|0|-1|-2')
  expect(steps('-2 to 1')).toBe('-2|-1|0|1')
  expect(steps('-2 to 2')).toBe('-2|-1|0|+1|2')
  expect(steps('3 to 0')).toBe('3|2|1|0')
})
