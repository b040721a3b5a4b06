import { describe, expect, it } from 'vitest'
import { indented } from './menu-layouts'
import { linesOf } from './menu-lines'

/** The lines of a text in whatever layout, further in by two spaces for each step. */
const steps = (text: string): readonly string[] => {
  const lines = indented(linesOf(text))
  const levels = [...new Set(lines.map(l => l.indent))].toSorted((a, b) => a - b)
  return lines.map(l => `${'  '.repeat(levels.indexOf(l.indent))}${l.text}`)
}

describe('a path in every line', () => {
  it('is written once for what stands under it', () => {
    expect(steps('AF > Area > Size: S, M\nAF > Area > Form: a, b\nAF > Lamp: on, off')).toEqual([
      'AF',
      '  Area',
      '    Size: S, M',
      '    Form: a, b',
      '  Lamp: on, off',
    ])
    expect(steps('AF » Size: S, M\nMF » Size: S, M')).toEqual(['AF', '  Size: S, M', 'MF', '  Size: S, M'])
    expect(steps('AF > Area > Size: S, M\nMF > Area > Form: a, b')).toEqual([
      'AF',
      '  Area',
      '    Size: S, M',
      'MF',
      '  Area',
      '    Form: a, b',
    ])
  })

  it('may name what others stand under in a line of its own', () => {
    expect(steps('AF > Area\nAF > Area > Size: S, M\nAF > Area > Form: a, b')).toEqual([
      'AF',
      '  Area',
      '    Size: S, M',
      '    Form: a, b',
    ])
    expect(steps('AF > Tone > a, b\nAF > Tone\nAF > Lamp > on, off')).toEqual([
      'AF',
      '  Tone',
      '    a, b',
      '  Tone',
      '  Lamp',
      '    on, off',
    ])
    expect(steps('AF  >  Tone: a, b\nAF >  Lamp: on, off')).toEqual(['AF', '  Tone: a, b', '  Lamp: on, off'])
  })

  it('is one where half of the lines have it, and several do', () => {
    expect(steps('AF > Tone: a, b\nLamp: on, off')).toEqual(['AF > Tone: a, b', 'Lamp: on, off'])
    expect(steps('AF > Tone: a, b\nAF > Lamp: on, off\nx\ny')).toEqual([
      'AF',
      '  Tone: a, b',
      '  Lamp: on, off',
      'x',
      'y',
    ])
    expect(steps('AF > Tone: a, b\nAF > Lamp: on, off\nx\ny\nz')).toContain('AF > Tone: a, b')
  })

  it('that stands alone is where the page was found, and is left out', () => {
    expect(steps('Home > Help > Focus\nTone: a, b\nLamp: on, off')).toEqual(['Tone: a, b', 'Lamp: on, off'])
    expect(steps('Help > Focus\nTone: a, b\nLamp: on, off')).toEqual(['Help > Focus', 'Tone: a, b', 'Lamp: on, off'])
  })

  it('is no list behind a colon', () => {
    expect(steps('Tone: a → b\nLamp: on → off')).toEqual(['Tone: a → b', 'Lamp: on → off'])
    expect(steps('AF: all > x > Tone: a, b\nAF: all > x > Lamp: c, d')).toContain('    Tone: a, b')
    expect(steps('AF: Area > S, M\nAF: Form > a, b')).toEqual(['AF: Area', '  S, M', 'AF: Form', '  a, b'])
    expect(steps('AF: all > Tone: a, b\nAF: all > Lamp: on, off')).toEqual([
      'AF: all',
      '  Tone: a, b',
      '  Lamp: on, off',
    ])
  })
})

describe('numbered chapters', () => {
  it('stand in each other by their numbers', () => {
    expect(steps('1 AF\n1.1 Tone: a, b\n1.2 Area\n1.2.1 Size: S, M\n2 MF\n2.1 Ring: l, r')).toEqual([
      'AF',
      '  Tone: a, b',
      '  Area',
      '    Size: S, M',
      'MF',
      '  Ring: l, r',
    ])
    expect(steps('1-1 Tone: a, b\n1-2 Lamp: on, off')).toEqual(['Tone: a, b', 'Lamp: on, off'])
  })

  it('hold the lines without a number below them', () => {
    expect(steps('1.1 Tone\na\nb\n1.2 Lamp\non\noff')).toEqual(['Tone', '  a', '  b', 'Lamp', '  on', '  off'])
    expect(steps('1 AF\n1.1 Tone\na\nb\n1.2 Lamp\non\noff')).toEqual([
      'AF',
      '  Tone',
      '    a',
      '    b',
      '  Lamp',
      '    on',
      '    off',
    ])
    // What has its options has nothing below it.
    expect(steps('1.1 Tone: a, b\nLamp\n1.2 Beep: on, off\nx')).toEqual(['Tone: a, b', 'Lamp', 'Beep: on, off', 'x'])
  })

  it('count in each other from one', () => {
    expect(steps('1.1 AF\n1.1.1 Tone: a, b\n1.2 MF\n1.2.1 Ring: l, r')).toEqual([
      'AF',
      '  Tone: a, b',
      'MF',
      '  Ring: l, r',
    ])
    expect(steps('1 AF\n1.4 Tone\n2 MF\n2.6 Ring\n3 Card\n3.3 Date')[1]).toBe('1.4 Tone')
    // What has its options has no chapter below it.
    expect(steps('1.1 Tone: a, b\n1.1.1 Lamp: on, off\n1.1.2 Beep: x, y')).toEqual([
      'Tone: a, b',
      'Lamp: on, off',
      'Beep: x, y',
    ])
  })

  it('are none where they do not count on', () => {
    expect(steps('1.5 s\n2.5 s\n9.1 s')).toEqual(['1.5 s', '2.5 s', '9.1 s'])
    expect(steps('1.1 Tone\n1.3 Lamp\n1.7 Beep')).toEqual(['1.1 Tone', '1.3 Lamp', '1.7 Beep'])
    expect(steps('1.1 Tone')).toEqual(['1.1 Tone'])
    expect(steps('1 Tone\n2 Lamp')).toEqual(['1 Tone', '2 Lamp'])
  })

  it('may begin anywhere, and skip one of five', () => {
    expect(steps('4.7 Tone\n4.8 Lamp\n4.9 Beep\n4.10 Ring\n4.12 Date')).toEqual([
      'Tone',
      'Lamp',
      'Beep',
      'Ring',
      'Date',
    ])
    expect(steps('4.7 Tone\n4.8 Lamp\n4.9 Beep\n4.11 Ring')[0]).toBe('4.7 Tone')
  })
})

describe('blocks with an empty line between', () => {
  it('have a name and below it what can be chosen, under names that stand alone', () => {
    expect(steps('AF\n\nTone\na\nb\n\nLamp\non\noff')).toEqual([
      'AF',
      '  Tone',
      '    a',
      '    b',
      '  Lamp',
      '    on',
      '    off',
    ])
  })

  it('may say something first, where there is enough behind it', () => {
    const said = 'What this is good for is told here'
    expect(steps(`Tone\n${said}\na\nb\n\nLamp\non\noff`)).toEqual(['Tone', '  a', '  b', 'Lamp', '  on', '  off'])
    expect(steps(`Tone\n${said}\na\n\nLamp\non\noff`)).toContain(`  ${said}`)
    expect(steps(`${said}\nTone\na\nb\n\nLamp\non\noff`)[0]).toBe(said)
  })

  it('are none where too few hold a list, or most lines have their options', () => {
    expect(steps('AF\n\nTone\na\n\nMF')).toEqual(['AF', 'Tone', 'a', 'MF'])
    expect(steps('Tone: a, b\nx\n\nLamp: on, off\ny')).toEqual(['Tone: a, b', 'x', 'Lamp: on, off', 'y'])
    expect(steps('Tone\n  a\n    b\n\nLamp\n  on')).toEqual(['Tone', '  a', '    b', 'Lamp', '  on'])
    expect(steps('Tone\na: b\n\nLamp\non\noff')).toEqual(['Tone', '  a: b', 'Lamp', '  on', '  off'])
    expect(steps('Tone\n  a\n\nLamp\n  on')).toEqual(['Tone', '  a', 'Lamp', '  on'])
  })
})

it('puts the fields of a setting below it', () => {
  expect(steps('Tone\nOptions: a, b\nDefault: b\nLamp\nOptions: on, off')).toEqual([
    'Tone',
    '  Options: a, b',
    '  Default: b',
    'Lamp',
    '  Options: on, off',
  ])
  expect(steps('Tone\n\nOptions: a, b')).toEqual(['Tone', 'Options: a, b'])
  expect(steps('Options: a, b')).toEqual(['Options: a, b'])
  expect(steps('  Tone\nOptions: a, b')).toEqual(['  Tone', 'Options: a, b'])
})

it('puts what has a mark of a list below the name before it', () => {
  expect(steps('Tone\n- a\n- b\nLamp\n- on')).toEqual(['Tone', '  a', '  b', 'Lamp', '  on'])
  expect(steps('- a\n- b')).toEqual(['a', 'b'])
  expect(steps('Tone\n  - a\n  - b')).toEqual(['Tone', '  a', '  b'])
  expect(steps('- a\nTone\n- b')).toEqual(['a', 'Tone', '  b'])
})

it('unpacks settings that share a line', () => {
  expect(steps('Tone: a/b;  Lamp: on/off')).toEqual(['Tone: a/b', 'Lamp: on/off'])
  expect(steps('Tone: a; b')).toEqual(['Tone: a; b'])
})

describe('a slash between options that nothing parts from their name', () => {
  it('leaves as many words to the name as the shortest option needs', () => {
    expect(steps('Tone near / far\nFar lamp very on / quite off')).toEqual([
      'Tone: near / far',
      'Far lamp: very on / quite off',
    ])
    expect(steps('Tone a / b c / d\nFar lamp e / f')).toEqual(['Tone: a / b c / d', 'Far lamp: e / f'])
  })

  it('may have space around it, and leaves other settings as they are', () => {
    expect(steps('Far mode near /  far\nOwn  mode near / far')).toEqual([
      'Far mode: near / far',
      'Own mode: near / far',
    ])
    expect(steps('Far mode near / far\nTone: a / b')).toEqual(['Far mode: near / far', 'Tone: a / b'])
  })

  it('is left where there are too few of them', () => {
    expect(steps('Tone a / b')).toEqual(['Tone a / b'])
    expect(steps('Tone a / b\nLamp on / off\nx\ny')).toContain('Tone a / b')
    expect(steps('Tone a / b\nLamp on / off\nx')).toContain('Tone: a / b')
    const others = ['Tone: a, b', 'Lamp: on, off', 'Beep: x, y', 'Ring: l, r', 'Date: d, m']
    const few = ['Far mode near / far', 'Own mode near / far', ...others]
    expect(steps(few.join('\n'))).toEqual(few)
    expect(steps('Tone / b\nLamp / off')).toEqual(['Tone / b', 'Lamp / off'])
  })
})
