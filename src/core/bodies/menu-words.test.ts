import { describe, expect, it } from 'vitest'
import { behindName } from './menu-options'
import { nameIn } from './menu-split'
import { readMenuText } from './menu-text'

describe('what stands behind a name', () => {
  it('is parted at slashes where every part is something short', () => {
    const long = 'x'.repeat(41)
    expect(behindName('On/Off')).toEqual(['On', 'Off'])
    expect(behindName(`On/${long}`)).toEqual(['On', long])
    expect(behindName(`On/${long}x`)).toEqual([`On/${long}x`])
    expect(behindName('On/Off/')).toEqual(['On/Off/'])
    expect(behindName('1/3')).toEqual(['1/3'])
    expect(behindName('1/2/3')).toEqual(['1', '2', '3'])
    expect(behindName(' On ')).toEqual(['On'])
  })

  it('is without what is said of it', () => {
    expect(behindName('Spot, Zone or Wide (we use Zone)')).toEqual(['Spot', 'Zone', 'Wide'])
    expect(behindName('Spot, Zone or Wide (Zone)')).toEqual(['Spot', 'Zone', 'Wide (Zone)'])
    expect(behindName('Spot, Zone or Wide (we use Field)')).toEqual(['Spot', 'Zone', 'Wide (we use Field)'])
  })

  it('is a scale where figures are told one by one, and one figure is none', () => {
    expect(behindName('1 (locked on) 2 3 (responsive)')).toEqual(['1 (locked on)', '2', '3 (responsive)'])
    expect(behindName('5')).toEqual(['5'])
    expect(behindName('')).toEqual([''])
  })
})

it('has names without the page of a manual behind them, and nothing is a page alone', () => {
  expect(nameIn('Beep (p. 47)')).toBe('Beep')
  expect(nameIn('Beep [p. 47]  ')).toBe('Beep')
  expect(nameIn('(p. 47)')).toBe('(p. 47)')
  expect(nameIn('Beep (loud)')).toBe('Beep (loud)')
})

it('takes the name of a part for a setting only where options stand behind it', () => {
  expect(readMenuText('Page 2: Focus\nTone: A, B').rows.map(r => r.label)).toEqual(['Tone'])
  expect(readMenuText('Page 2: On, Off\nTone: A, B').rows.map(r => r.label)).toEqual(['Page 2', 'Tone'])
})

it('leaves out sentences, and keeps what has six words', () => {
  const six = readMenuText('Tone: A, B\nThis here is about six words.\nLamp: A, B').remarks
  const seven = readMenuText('Tone: A, B\nThis here says it in seven words.\nLamp: A, B').remarks
  expect(seven).toMatchObject([{ line: 2, what: 'left out: it reads like an explanation' }])
  expect(six.map(r => r.what)).not.toContain('left out: it reads like an explanation')
})
