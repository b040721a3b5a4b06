import { describe, expect, it } from 'vitest'
import { plainLines } from './menu-plain'

const plain = (text: string) => plainLines(text).join('/')

describe('a copied text', () => {
  it.each([
    ['a\r\nb\rc\nd', 'a/b/c/d'],
    ['To\u00adne\u200b\u0007: a', 'Tone: a'],
    ['a\u00a0b', 'a b'],
    ['├── Tone', '    Tone'],
    ['│   Tone', '    Tone'],
  ])('loses what only carried it (%#)', (text, lines) => {
    expect(plain(text)).toBe(lines)
  })

  it.each([
    ['<tr><td>Tone</td><td>a, b</td></tr>', 'Tone\ta, b/'],
    ['<TR>\n<TD>Tone</TD>\n<TD>a</TD>\n</TR>', 'Tone\t a/'],
    ['<ul><li>Tone</li><li>Lamp<br/>x<br>y</li></ul>', 'Tone/Lamp/x/y//'],
    ['<li>a &amp; b &lt;c&gt; &quot;d&quot;&nbsp;&apos;</li>', `a & b <c> "d" '/`],
    ['<p>a, <b>b</b>, <strong>c</strong></p>', 'a, **b**, **c**/'],
    ['<dt>Tone</dt><dd>a</dd>', 'Tone/a/'],
    // No page of the web, though it has signs of one.
    ['Tone <a> <b>', 'Tone <a> <b>'],
    ['R&amp;D', 'R&amp;D'],
  ])('loses the tags of a page of the web (%#)', (text, lines) => {
    expect(plain(text)).toBe(lines)
  })

  it('loses the marks of a quotation where half of its lines have them', () => {
    expect(plain('> Tone\n>  a\nyes\nno')).toBe('Tone/ a/yes/no')
    expect(plain('> Tone\nyes\nno')).toBe('> Tone/yes/no')
  })

  it('loses who wrote its lines and when, where several are told', () => {
    expect(plain('[12/11/2026, 09:14] Ada: Tone\n[12/11/2026, 09:15:01] Ada: Lamp\nBeep')).toBe('Tone/Lamp/Beep')
    expect(plain('12.11.26 09:14 - Ada: Tone\n12.11.26 09:14 - Ada Lo: Lamp')).toBe('Tone/Lamp')
    expect(plain('[12/11/2026, 09:14] Ada: Tone\nLamp')).toBe('[12/11/2026, 09:14] Ada: Tone/Lamp')
  })

  it('has lists that go on in the next line in one, and keeps the numbers of its lines', () => {
    expect(plain('Tone: a,\n  b\nLamp: on')).toBe('Tone: a, b//Lamp: on')
    expect(plain('Tone: a |  \n  b;\nc /\nd')).toBe('Tone: a | b; c / d///')
    expect(plain('Tone: a,\n   \nLamp')).toBe('Tone: a,/   /Lamp')
    expect(plain('  | Tone | a |\nx')).toBe('  | Tone | a |/x')
    expect(plain('Tone | a |\nb')).toBe('Tone | a | b/')
    expect(plain('Tone: a, \n b ,\n  c')).toBe('Tone: a, b , c//')
    expect(plain('Tone: a,\n\nLamp')).toBe('Tone: a,//Lamp')
    expect(plain('Tone: a\nb')).toBe('Tone: a/b')
    expect(plain('| Tone | a |\n| Lamp | b |')).toBe('| Tone | a |/| Lamp | b |')
    expect(plain('Tone: a,')).toBe('Tone: a,')
  })
})
