import { describe, expect, it } from 'vitest'
import { behindName, boxed, bracketed, optionsIn, stripped, unmarked, withDefault } from './menu-options'

const plain = (text: string) => ({ text, isDefault: false })
const set = (text: string) => ({ text, isDefault: true })

describe('an option', () => {
  it.each([
    ['On (default)', set('On')],
    ['On [FACTORY]', set('On')],
    ['On - standard setting', set('On')],
    ['On*', set('On')],
    ['On *', set('On')],
    ['On ✓', set('On')],
    // The mark alone is a name.
    ['*', plain('*')],
    [' (default)', plain('(default)')],
    ['**On**', set('On')],
    ['*On*', set('On')],
    ['****', set('***')],
    ['Wide (Standard)', set('Wide (Standard)')],
    ['Wide', plain('Wide')],
    // Some way behind is no part of its name.
    ['Wide  (all of it)', plain('Wide')],
    ['Wide (all of it)', plain('Wide (all of it)')],
  ])('%s is known by what is said of it', (written, told) => {
    expect(unmarked(written)).toEqual(told)
  })

  it.each([
    ['“On”', plain('On')],
    ['" On "', plain('On')],
    ['""', plain('""')],
    ['"a"', plain('a')],
    ['"On', plain('"On')],
    ['“On*”', set('On')],
  ])('%s loses the quotes around it', (written, told) => {
    expect(unmarked(written)).toEqual(told)
  })

  it.each([
    ['[x] On', set('On')],
    ['[ ] On', plain('On')],
    ['( ) On*', plain('On*')],
    ['(•) On', set('On')],
    ['☐  On ', plain('On')],
    ['On [x] again', plain('On [x] again')],
    ['On[x] again', plain('On[x] again')],
  ])('%s is full or empty where a box stands before it', (written, told) => {
    expect(unmarked(written)).toEqual(told)
  })
})

it('takes boxes for options where there are two, and nothing stands before the first', () => {
  expect(boxed('[x] One [ ] Two words ( ) Three')).toEqual(['[x] One', '[ ] Two words', '( ) Three'])
  expect(boxed('[x] One')).toBeUndefined()
  expect(boxed('Mode [x] One [ ] Two')).toBeUndefined()
})

it('takes signs off both ends and none between', () => {
  expect(stripped(', a, b;', ' ,;')).toBe('a, b')
  expect(stripped(',,', ',')).toBe('')
  expect(stripped('a', ',')).toBe('a')
  expect(stripped('a,', ',')).toBe('a')
  expect(stripped(',a', ',')).toBe('a')
})

it('parts a list from what is said of how it leaves the factory', () => {
  expect(withDefault('On, Off; default On')).toEqual({ list: 'On, Off', named: 'On' })
  expect(withDefault('On, Off (Default is: Off)')).toEqual({ list: 'On, Off', named: 'Off' })
  expect(withDefault('On, Off [initially: Off]')).toEqual({ list: 'On, Off', named: 'Off' })
  expect(withDefault('On, Off – ex works Off.')).toEqual({ list: 'On, Off', named: 'Off' })
  // Its last word counts, and names something.
  expect(withDefault('default, own; default own')).toEqual({ list: 'default, own', named: 'own' })
  expect(withDefault('On, default')).toEqual({ list: 'On, default', named: '' })
  expect(withDefault('On, Off')).toEqual({ list: 'On, Off', named: '' })
})

describe('options in brackets', () => {
  it('stand in two or more of them, with nothing but signs and small words between', () => {
    expect(bracketed('[On] [Off]')).toEqual(['On', 'Off'])
    expect(bracketed('[On] or [Off], and [Auto]')).toEqual(['On', 'Off', 'Auto'])
    expect(bracketed('[On]*[Off]')).toEqual(['On*', 'Off'])
    expect(bracketed('[On][Off]*.')).toEqual(['On', 'Off*'])
    expect(bracketed('<On> <Off>', ['<', '>'])).toEqual(['On', 'Off'])
  })

  it('are none where there is one, where words stand around them or the last is not closed', () => {
    expect(bracketed('[On]')).toBeUndefined()
    expect(bracketed('On, Off')).toBeUndefined()
    expect(bracketed('[On] then [Off]')).toBeUndefined()
    expect(bracketed('mode [On] [Off]')).toBeUndefined()
    expect(bracketed('[On] [Off] mode')).toBeUndefined()
    expect(bracketed('[On] [Off')).toBeUndefined()
  })
})

describe('options in one text', () => {
  it.each([
    ['[1] Single [2] Continuous', ['Single', 'Continuous']],
    ['(1) Single, (2) Continuous', ['Single', 'Continuous']],
    ['0=Off 1=On', ['Off', 'On']],
    ['0 = Off, 1 = On', ['Off', 'On']],
    ['3 = Low; 4 = High', ['Low', 'High']],
  ])('%s are numbered', (text, options) => {
    expect(optionsIn(text)).toEqual(options)
  })

  it.each([
    ['0=Off', ['0=Off']],
    ['1=On 3=Off', ['1=On 3=Off']],
    ['2=On 1=Off', ['2=On 1=Off']],
    ['On 1=Off 2=Auto', ['On 1=Off 2=Auto']],
  ])('%s are not, since they do not count up from the beginning', (text, options) => {
    expect(optionsIn(text)).toEqual(options)
  })

  it.each([
    ['1 to 3', ['1', '2', '3']],
    ['1-3', ['1', '2', '3']],
    ['1 – 3', ['1', '2', '3']],
    ['1…3*', ['1', '2', '3']],
    ['−1 to +1', ['−1', '0', '+1']],
    ['±0 to 2', ['±0', '1', '2']],
    ['1 (weak) … 3 (strong)', ['1 (weak)', '2', '3 (strong)']],
    ['1 to 2', ['1', '2']],
    ['1 to 25', Array.from({ length: 25 }, (_, i) => `${i + 1}`)],
  ])('%s is a scale told by its ends', (text, options) => {
    expect(optionsIn(text)).toEqual(options)
  })

  it.each([['1 to 26'], ['3 to 3'], ['near to far'], ['1 to far'], ['near to 3'], ['1 to 2 to 3'], ['1 (a) b to 3']])(
    '%s is none',
    text => {
      expect(optionsIn(text)).toEqual([text])
    },
  )

  it.each([
    ['1 2 3', ['1', '2', '3']],
    ['-1 0 +1', ['-1', '0', '+1']],
    ['0.5 1,5* 3 (long)', ['0.5', '1,5*', '3 (long)']],
  ])('%s is a scale told figure by figure', (text, options) => {
    expect(optionsIn(text)).toEqual(options)
  })

  it.each([['1 2 three'], ['1 2x'], ['1000 2000']])('%s is none', text => {
    expect(optionsIn(text)).toEqual([text])
  })

  it.each([
    ['On | Off', ['On', 'Off']],
    ['On; Off', ['On', 'Off']],
    ['On / Off', ['On', 'Off']],
    ['On/ Off', ['On', 'Off']],
    ['On → Off', ['On', 'Off']],
    ['On  Off', ['On', 'Off']],
    ['On\tOff', ['On', 'Off']],
    ['On, Off', ['On', 'Off']],
    ['On, Off or Auto', ['On', 'Off', 'Auto']],
    ['On, Off, or Auto', ['On', 'Off', 'Auto']],
    ['On, , Off,', ['On', 'Off']],
    ['0,5 s, 1,5 s', ['0,5 s', '1,5 s']],
    // The first sign in this order parts them, the others belong to names.
    ['Dog, cat | Car', ['Dog, cat', 'Car']],
    ['On | Off or Auto | A or B', ['On', 'Off or Auto', 'A', 'B']],
    ['orange, or', ['orange', 'or']],
    ['Single', ['Single']],
  ])('%s are parted by what stands between', (text, options) => {
    expect(optionsIn(text)).toEqual(options)
  })
})

describe('what stands behind a name', () => {
  it.each([
    ['[On, Off]', ['On', 'Off']],
    ['{On, Off}', ['On', 'Off']],
    ['[On], Off', ['[On]', 'Off']],
    ['On, Off.', ['On', 'Off']],
    ['Loud, soft vol.', ['Loud', 'soft vol.']],
    ['On or Off', ['On', 'Off']],
    ['Near part or far part', ['Near part', 'far part']],
    ['What is near or far', ['What is near or far']],
    ['On/Off', ['On', 'Off']],
    ['AF/MF, Off', ['AF/MF', 'Off']],
    ['1/2', ['1/2']],
    ['1/s', ['1/s']],
  ])('%s is read on its own', (text, options) => {
    expect(behindName(text)).toEqual(options)
  })
})
