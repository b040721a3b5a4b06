import { describe, expect, it } from 'vitest'
import { fieldOf, headFor, inColumns, inRecords } from './menu-columns'

const told = (text: string) =>
  inColumns(text)?.rows.map(
    r =>
      `${r.line}: ${r.tab} > ${r.page} > ${r.label}: ${r.options.map((o, i) => (i === r.preset ? `${o}*` : o)).join(' | ')}`,
  )

describe('columns with heads', () => {
  it.each([
    ['Setting\tOptions\nTone\ta, b\nLamp\ton, off'],
    ['Setting   Options\nTone   a, b\nLamp   on, off'],
    ['| Setting | Options |\n|---|---|\n| Tone | a, b |\n| Lamp | on, off |'],
    ['  | Setting | Options |\n  | Tone | a, b |\n  | Lamp | on, off |'],
    ['Setting,Options\nTone,"a, b"\nLamp,"on, off"'],
    ['Setting;Options\nTone;a, b\nLamp;on, off'],
    ['Setting;Options\n\nTone;a, b\n\nLamp;on, off'],
  ])('are parted in any usual way (%#)', text => {
    expect(told(text)?.map(r => r.replace(/^\d+: /, ''))).toEqual([
      'Menu > Menu > Tone: a* | b',
      'Menu > Menu > Lamp: on* | off',
    ])
  })

  it('tell tab and page until another is told, and a new tab begins without one', () => {
    const text = [
      'Tab\tPage\tName\tValues\tDefault',
      'AF\tOne\tTone\ta, b\tB',
      '\t\tLamp\ton, off\tx',
      '\tTwo\tBeep\ton, off*\t',
      'MF\t\tRing\tleft, right\t',
      'Setup\t\t\t\t',
      '\t\tDate\td, m\t',
    ].join('\n')
    expect(told(text)).toEqual([
      '2: AF > One > Tone: a | b*',
      '3: AF > One > Lamp: on* | off',
      '4: AF > Two > Beep: on | off*',
      '5: MF > MF > Ring: left* | right',
      '7: Setup > Setup > Date: d* | m',
    ])
    expect(inColumns(text)).toMatchObject({ head: 1, leftOut: [6] })
  })

  it('tell a page without a tab', () => {
    expect(told('Page\tName\tValues\nOne\tTone\ta, b')).toEqual(['2: One > One > Tone: a* | b'])
  })

  it('believe a column of defaults before a star', () => {
    expect(told('Name\tValues\tDefault\nTone\ta, b*\ta')).toEqual(['2: Menu > Menu > Tone: a* | b'])
  })

  it('leave out no lines that are only drawn', () => {
    expect(inColumns('| Name | Values |\n|---|:--|\n| Tone | a, b |\n|  | c |')?.leftOut).toEqual([4])
  })

  it('may begin some lines down, and no further', () => {
    const after = (lines: number) => `${'My camera\n'.repeat(lines)}Name\tValues\nTone\ta, b`
    expect(told(after(4))).toEqual(['6: Menu > Menu > Tone: a* | b'])
    expect(inColumns(after(4))?.head).toBe(5)
    expect(told(after(5))).toBeUndefined()
  })

  it('have options in cells of their own where no other column follows', () => {
    expect(told('Name\tValues\nTone\ta\tb')).toEqual(['2: Menu > Menu > Tone: a* | b'])
    expect(told('Name\tValues\tNotes\nTone\ta\tb')).toEqual(['2: Menu > Menu > Tone: a*'])
    expect(told('Values\tName\na, b\tTone')).toEqual(['2: Menu > Menu > Tone: a* | b'])
  })

  it('have the functions of keys for options behind them', () => {
    expect(told('Button\tFunction\nFn1\tnear, far')).toEqual(['2: Menu > Menu > Fn1: near* | far'])
    expect(told('Function\tValues\nTone\ta, b')).toEqual(['2: Menu > Menu > Tone: a* | b'])
    expect(told('Page\tFunction\nFn1\tnear, far')).toBeUndefined()
  })

  it('are none without names or options, or with nothing below', () => {
    expect(told('Name\tPage\nTone\tOne')).toBeUndefined()
    expect(told('Values\tPage\nTone\tOne')).toBeUndefined()
    expect(told('Name\tValues')).toBeUndefined()
    expect(told('Name\tValues\n\ta')).toBeUndefined()
    expect(told('')).toBeUndefined()
  })
})

describe('records, each in lines of its own', () => {
  it('tell what they hold until the next name', () => {
    const text =
      'Page: One\nName: Tone\nOptions: a, b\nDefault: b\nOptions: c\n\nName: Lamp\nOptions: on, off\nColour: red'
    expect(inRecords(text)).toMatchObject({
      head: 0,
      leftOut: [],
      rows: [
        { label: 'Tone', options: ['a', 'b'], preset: 1, line: 2, place: 'line 2' },
        { label: 'Lamp', options: ['on', 'off'], preset: 0, line: 7 },
      ],
    })
    expect(inRecords('Name : Tone\nTab: AF\nOptions: a, b\nName: Lamp\nOptions: on, off')?.rows).toMatchObject([
      { tab: 'AF' },
      { tab: 'AF' },
    ])
  })

  it('are two or more that tell options', () => {
    expect(inRecords('Name: Tone\nOptions: a, b\nName: Lamp')).toBeUndefined()
    expect(inRecords('Name: Tone\nOptions: a, b')).toBeUndefined()
    expect(inRecords(': a\n: b')).toBeUndefined()
  })
})

it('knows what is said of a setting below it', () => {
  expect(fieldOf('Options: a, b')).toEqual({ head: 'options', told: 'a, b' })
  expect(fieldOf('  Factory default :  b ')).toEqual({ head: 'preset', told: 'b' })
  expect(fieldOf('Name: Tone')).toBeUndefined()
  expect(fieldOf('Options')).toBeUndefined()
  expect(headFor('Available values')).toBe('options')
  expect(headFor('Colour')).toBeUndefined()
})
