import { describe, expect, it } from 'vitest'
import { linesOf } from './menu-lines'

const read = (text: string) => linesOf(text).map(l => `${l.number}: ${l.indent} ${l.text}${l.isMarked ? ' •' : ''}`)
const texts = (text: string) => linesOf(text).map(l => l.text)

describe('the lines of a menu', () => {
  it('know their number, how far in they stand, and with which others', () => {
    expect(linesOf('Tone\n  \n  a\n\tb\n')).toEqual([
      { text: 'Tone', indent: 0, number: 1, block: 0 },
      { text: 'a', indent: 2, number: 3, block: 1 },
      { text: 'b', indent: 4, number: 4, block: 1 },
    ])
  })

  it.each([
    ['- a', 'a •'],
    ['• a', 'a •'],
    ['+ a', 'a •'],
    ['3. a', 'a •'],
    ['(3) a', 'a •'],
    ['-a', '-a'],
    ['+ 3', '+ 3'],
    ['; Tone: a', 'Tone: a •'],
    ['; a', '; a'],
  ])('%s has a mark of a list or has none', (text, told) => {
    expect(read(text)).toEqual([`1: 0 ${told}`])
  })

  it('are lettered where several are, from the first letter on', () => {
    expect(read('A. Tone\nB. Lamp')).toEqual(['1: 0 Tone •', '2: 0 Lamp •'])
    expect(read('(a) Tone\n(b) Lamp')).toEqual(['1: 0 Tone •', '2: 0 Lamp •'])
    expect(read('i. Tone\nii. Lamp')).toEqual(['1: 0 Tone •', '2: 0 Lamp •'])
    expect(read('  A. Tone\n  B. Lamp')).toEqual(['1: 2 Tone •', '2: 2 Lamp •'])
    expect(read('A. Tone\nLamp')).toEqual(['1: 0 A. Tone', '2: 0 Lamp'])
    expect(read('B. Tone\nC. Lamp')).toEqual(['1: 0 B. Tone', '2: 0 C. Lamp'])
    expect(read('A. - Tone\nB. Lamp')[0]).toBe('1: 0 Tone •')
  })

  it('have a star before a footnote, and several before a list', () => {
    expect(texts('Tone\n* what it is')).toEqual(['Tone', '* what it is'])
    expect(texts('* Tone\n* Lamp')).toEqual(['Tone', 'Lamp'])
  })

  it('know the number of a chapter', () => {
    expect(linesOf('1.2 Tone')[0]).toMatchObject({ text: '1.2 Tone', chapter: '1.2' })
    expect(linesOf('4-1 Tone')[0]?.chapter).toBe('4-1')
    expect(linesOf('Tone')[0]).not.toHaveProperty('chapter')
    expect(linesOf('1.2 3')[0]).not.toHaveProperty('chapter')
  })

  it('are without what was noted behind them, and without the sign that they lead on', () => {
    expect(texts('Tone: a // at night\nLamp # off\nColour #3')).toEqual(['Tone: a', 'Lamp', 'Colour #3'])
    expect(texts('Tone >  \nLamp ▸')).toEqual(['Tone', 'Lamp'])
    expect(texts('Tone>')).toEqual(['Tone>'])
    expect(texts('  // all of it')).toEqual([])
  })

  it('have headings, each kind further out than the next', () => {
    const [first, second, bracket, drawn, words] = linesOf('# AF\n## One\n[Setup]\n== Card ==\nUnder Focus you find:')
    expect([first?.text, second?.text, bracket?.text, drawn?.text, words?.text]).toEqual([
      'AF',
      'One',
      'Setup',
      'Card',
      'Focus',
    ])
    const indents = [first?.indent ?? 0, second?.indent ?? 0]
    expect(indents[0]).toBeLessThan(indents[1] ?? 0)
    expect(indents[1]).toBeLessThan(0)
    expect(bracket?.indent).toBeLessThan(0)
    expect([first, second, bracket, drawn, words].map(l => l?.number)).toEqual([1, 2, 3, 4, 5])
    expect(bracket?.indent).toBe(linesOf('### Setup')[0]?.indent)
    expect(texts('[ Setup ]  ')).toEqual(['Setup'])
    expect(texts('#AF\n####### AF')).toEqual(['#AF', '####### AF'])
    expect(texts('In the Focus menu:\nIn Focus menu there are:\nIn Focus')).toEqual(['Focus', 'Focus', 'In Focus'])
    expect(texts('[ab]\n[a]')).toEqual(['ab', '[a]'])
    expect(texts('== AF')).toEqual(['== AF'])
    expect(texts('AF ==')).toEqual(['AF =='])
  })

  it('have lists in brackets below a name without options, and headings elsewhere', () => {
    expect(read('Tone\n[a / b]')).toEqual(['1: 0 Tone', '2: 0 a / b'])
    expect(read('Tone\n  (a, b)')).toEqual(['1: 0 Tone', '2: 2 a, b'])
    expect(read('Tone\n{a | b}')[1]).toBe('2: 0 a | b')
    expect(read('Tone\n[ a / b ]  ')).toEqual(['1: 0 Tone', '2: 0 a / b'])
    expect(linesOf('Tone\n   \n[a / b]')[1]?.indent).toBeLessThan(0)
    expect(texts('Tone\n[ab]')).toEqual(['Tone', 'ab'])
    expect(linesOf('Tone\n[ab]')[1]?.indent).toBeLessThan(0)
    expect(linesOf('Tone\n\n[a / b]')[1]?.indent).toBeLessThan(0)
    expect(linesOf('Tone: c, d\n[a / b]')[1]?.indent).toBeLessThan(0)
    expect(linesOf('[Lamp]\n[a / b]')[1]?.indent).toBeLessThan(0)
    expect(texts('Tone\n[a / b] c')).toEqual(['Tone', '[a / b] c'])
  })

  it('are no numbers of pages', () => {
    expect(linesOf('Tone\n- 57 -')[1]).toMatchObject({ number: 2, indent: 0 })
    expect(texts('Tone\n- 57 -\n–3–  \n- 57')).toEqual(['Tone', '—', '—', '57'])
  })
})
