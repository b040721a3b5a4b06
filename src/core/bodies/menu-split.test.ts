import { describe, expect, it } from 'vitest'
import { asSetting, explained, isProse, nameIn, splitLine } from './menu-split'

/** A line as it was understood: its name, its options, and a star behind what it is set to. */
const read = (text: string): string | undefined => {
  const split = splitLine(text)
  return split && `${split.label}: ${split.options.map((o, i) => (i === split.preset ? `${o}*` : o)).join(' | ')}`
}

describe('a name and its options in one line', () => {
  it.each([
    ['Mode: Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode:Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode = Single, Continuous*', 'Mode: Single | Continuous*'],
    ['Mode=Single', 'Mode: Single'],
    ['Mode => Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode – Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode — Single / Continuous', 'Mode: Single | Continuous'],
    ['Mode - Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode (Single, Continuous)', 'Mode: Single | Continuous'],
    ['Mode {Single, Continuous}', 'Mode: Single | Continuous'],
    ['Mode [Single, Continuous]', 'Mode: Single | Continuous'],
    ['Mode (Single (one), Continuous)', 'Mode: Single (one) | Continuous'],
    ['Mode (Single, Continuous) (p. 47)', 'Mode: Single | Continuous'],
    ['Mode [x] Single [ ] Continuous', 'Mode: Single* | Continuous'],
    ['Mode: [ ] Single [x] Continuous', 'Mode: Single | Continuous*'],
    ['Mode .... Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode . . . . Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode … Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode\tSingle\tContinuous', 'Mode: Single | Continuous'],
    ['Mode   Single, Continuous', 'Mode: Single | Continuous'],
    ['| Mode | Single | Continuous |', 'Mode: Single | Continuous'],
    ['| Mode | Single, Continuous |', 'Mode: Single | Continuous'],
    ['| Mode | 4 | Single, Continuous |', 'Mode: Single | Continuous'],
    ['|  | Mode | Single* |', 'Mode: Single*'],
    ['| Mode | On/Off |', 'Mode: On | Off'],
    ['Mode [a] [ ]', 'Mode: a'],
    ['Mode: a / b    –', 'Mode: a | b'],
  ])('%s', (text, told) => {
    expect(read(text)).toBe(told)
  })

  it.each([
    ['Mode can be set to Single or Continuous', 'Mode: Single | Continuous'],
    ['Mode can be Single or Continuous', 'Mode: Single | Continuous'],
    ['Mode may be Single, Zone or Continuous', 'Mode: Single | Zone | Continuous'],
    ['Mode is either Single or Continuous', 'Mode: Single | Continuous'],
    ['Mode? Single or Continuous', 'Mode: Single | Continuous'],
    ['Mode, either Single or Continuous', 'Mode: Single | Continuous'],
    ['Mode, one of Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode: choose from Single, Continuous', 'Mode: Single | Continuous'],
    ['Mode: choose Single or Continuous', 'Mode: Single | Continuous'],
    ['Mode (one of Single, Continuous)', 'Mode: Single | Continuous'],
    ['Q: Mode? Single or Continuous', 'Mode: Single | Continuous'],
    ['Mode (enum): Single, Continuous', 'Mode: Single | Continuous'],
  ])('%s, said in words', (text, told) => {
    expect(read(text)).toBe(told)
  })

  it.each([
    ['beep on/off', 'beep: on | off'],
    ['lamp, on or off', 'lamp: on | off'],
    ['lamp: on or off', 'lamp: on | off'],
    ['lamp low/mid*/high', 'lamp: low | mid* | high'],
    ['beep on / off', 'beep: on | off'],
  ])('%s, told by the words alone', (text, told) => {
    expect(read(text)).toBe(told)
  })

  it.each([
    ['Mode: high ; low, medium, high', 'Mode: low | medium | high*'],
    ['Mode: high (low, medium, high)', 'Mode: low | medium | high*'],
    ['Mode: high [low, medium, high]', 'Mode: low | medium | high*'],
    ['Mode ..... low, medium, high   high', 'Mode: low | medium | high*'],
    ['Mode\tlow, high\t high', 'Mode: low | high*'],
    ['Mode\tlow\tlow', 'Mode: low*'],
    ['Mode: low, medium; default medium', 'Mode: low | medium*'],
    ['Mode: low, Medium; default medium', 'Mode: low | Medium*'],
    ['Mode: low, medium; default high', 'Mode: low, medium | default high'],
    ['Mode, default medium: low, medium', 'Mode: low | medium*'],
    ['Mode (default: medium): low*, medium', 'Mode: low | medium*'],
    ['Mode [factory low]: low, medium*', 'Mode: low* | medium'],
    ['Mode (default high): low, medium*', 'Mode: low | medium*'],
  ])('%s, with what it is set to', (text, told) => {
    expect(read(text)).toBe(told)
  })

  it.each([
    ['Assist: magnifier: On, Off', 'Assist: magnifier: On | Off'],
    ['Assist: Continuous (Single, Continuous)', 'Assist: Single | Continuous*'],
    ['Watch: near, far: yes', 'Watch: near | far: yes'],
    ['Form: 16:9, 3:2', 'Form: 16:9 | 3:2'],
    ['Clock: none –  some, other', 'Clock: none: some | other'],
    ['Mode   A   –   B', 'Mode: A | B'],
    ['Watch: near, far: yes, no', 'Watch: near | far: yes | no'],
    ['Watch: on: a, on: b', 'Watch: on: a | on: b'],
    ['Tone (loud: soft) (a, b)', 'Tone (loud: soft): a | b'],
    ['Tone (a: b, c)', 'Tone: a: b | c'],
    ['Tone [x] a: b [ ] c', 'Tone: a: b* | c'],
    ['Tone: loud .... a, b', 'Tone: loud: a | b'],
    ['Tone – loud = a, b', 'Tone – loud: a | b'],
  ])('%s, with a sign more', (text, told) => {
    expect(read(text)).toBe(told)
  })

  it.each([
    'Mode',
    'Single, Continuous',
    '16:9',
    '(Single, Continuous)',
    'A(Single, Continuous)x',
    'Chapter 2: Focus',
    'Mode – one thing that is said of it',
    'Mode (what it does, and how it is done when people walk)',
    'Mode (one)',
    '|---|---|',
    '| Mode |',
    '||',
    'Mode:',
    ': Single, Continuous',
    'Mode   what it does when several people walk',
    'Mode on/elsewhere',
    'on/off',
    'Mode either way',
    'https://a, b',
    'ratio 16:9 crop',
    '[x] Single [ ] Continuous',
    'Mode [x] Single',
    '… Single, Continuous',
    '| Tone a, b',
    'Tone a, b |',
  ])('%s is none', text => {
    expect(read(text)).toBeUndefined()
  })
})

it('says where it understood more than is written', () => {
  expect(splitLine('Mode .... 57')).toEqual({
    label: 'Mode',
    options: [],
    preset: -1,
    remark: 'the figure behind it looks like the number of a page',
  })
  expect(splitLine('Mode    57')).toMatchObject({ options: ['57'] })
  expect(splitLine('Mode    Single')).toEqual({
    label: 'Mode',
    options: ['Single'],
    preset: -1,
    remark: 'only what it is set to stands behind it',
  })
  expect(splitLine('Mode\tSingle')).toMatchObject({ options: ['Single'] })
  expect(splitLine('Mode .... Single')).toBeUndefined()
  expect(splitLine('Mode: Single, Continuous')).not.toHaveProperty('remark')
})

it('says where only the words told the options', () => {
  expect(splitLine('beep on/off')).toMatchObject({ byWords: true })
  expect(splitLine('beep: on/off')).not.toHaveProperty('byWords')
})

it('reads a very long line as it reads a short one', () => {
  const many = Array.from({ length: 200 }, (_, i) => `o${i}`)
  expect(splitLine(`Mode: ${many.join(', ')}`)?.options).toEqual(many)
})

describe('a name', () => {
  it.each([
    ['AF mode (see page 12)', 'AF mode'],
    ['AF mode (pp. 12–14)', 'AF mode'],
    ['AF mode [12]', 'AF mode'],
    ['AF mode (12)', 'AF mode (12)'],
    ['AF mode (boolean)', 'AF mode'],
    ['Q: AF mode?', 'AF mode'],
    ['AF mode?', 'AF mode?'],
    [' AF mode ', 'AF mode'],
  ])('%s is without what goes with it', (text, name) => {
    expect(nameIn(text)).toBe(name)
  })
})

it('takes what is said to be the default, whatever its case, and a star where nothing is said', () => {
  expect(asSetting('Mode', 'low, high; default HIGH')).toEqual({ label: 'Mode', options: ['low', 'high'], preset: 1 })
  expect(asSetting('Mode', 'low, high*')).toEqual({ label: 'Mode', options: ['low', 'high'], preset: 1 })
  expect(asSetting('Mode', 'low, high')).toEqual({ label: 'Mode', options: ['low', 'high'], preset: -1 })
  expect(asSetting('Mode *', 'low, high').label).toBe('Mode')
})

it('tells what explains from what lists', () => {
  expect(isProse('Keeps the lens still.')).toBe(true)
  expect(isProse('Two words.')).toBe(false)
  expect(isProse('one two three four')).toBe(false)
  expect(isProse('one two three four five')).toBe(true)
  // Figures and signs are no words; “a” and “I” are.
  expect(isProse('one 2 two 3 three - four')).toBe(false)
  expect(isProse('a one two three four')).toBe(true)
  expect(isProse('b one two three four')).toBe(false)
  // Of two parts one may be long enough to explain, of three all together.
  expect(isProse('On, what is seen at first sight here')).toBe(true)
  expect(isProse('On, Off, what is seen at first sight here')).toBe(false)
  expect(isProse('one two three four, one two three, one two three four five')).toBe(false)
  expect(isProse('what is seen at first, what is seen at last, what is seen between the two of them')).toBe(true)
})

it('parts an option from what is said of it, at the first sign there is', () => {
  expect(explained('Single: once')).toEqual({ option: 'Single', by: 'once' })
  expect(explained('Single – once: again')).toEqual({ option: 'Single – once', by: 'again' })
  expect(explained('Single — once')).toEqual({ option: 'Single', by: 'once' })
  expect(explained('Single :  once ')).toEqual({ option: 'Single', by: 'once' })
  expect(explained('Single-shot')).toBeUndefined()
  expect(explained(': once')).toBeUndefined()
})
