import { describe, expect, it } from 'vitest'
import { withChoices } from './menu-choices'

const written = (text: string) => withChoices(text.split('\n')).join('\n')

describe('boxes below a name', () => {
  it('go in where one of several is full, and they stand no deeper than it', () => {
    expect(written('Tone\n[x] a\n[ ] b\nLamp')).toBe('Tone\n  [x] a\n  [ ] b\nLamp')
    expect(written('  Tone\n[ ] a\n[x] b')).toBe('  Tone\n    [ ] a\n    [x] b')
    expect(written('  Tone\n  [ ] a\n  [x] b')).toBe('  Tone\n    [ ] a\n    [x] b')
    expect(written('Tone\n( ) a\n(•) b\n( ) c\nLamp\n☐ d\n☑ e')).toBe(
      'Tone\n  ( ) a\n  (•) b\n  ( ) c\nLamp\n  ☐ d\n  ☑ e',
    )
  })

  it.each([
    ['deeper than the name', 'Tone\n    [x] a\n    [ ] b'],
    ['one alone', 'Tone\n[x] a'],
    ['none full', 'Tone\n[ ] a\n[ ] b'],
    ['two full', 'Tone\n[x] a\n[x] b'],
    ['two full, further in', '    Tone\n  [x] a\n  [x] b'],
    ['below nothing', '[x] a\n[ ] b'],
    ['below an empty line', 'Tone\n\n[x] a\n[ ] b'],
    ['below a line of nothing but space', 'Tone\n   \n[x] a\n[ ] b'],
    ['below what has its options', 'Tone: on, off\n[x] a\n[ ] b'],
    ['below what has its options, further in', '  Tone: on, off\n[x] a\n[ ] b'],
    ['below what has its options in columns', '   Tone    on, off\n[x] a\n[ ] b'],
    ['a box further behind', 'Tone\na [x] b\nb [ ] c'],
  ])('stay as they are, being %s', (_, text) => {
    expect(written(text)).toBe(text)
  })
})

describe('the arrow of a screen', () => {
  it('is a star behind what is chosen, beside what stands as far in', () => {
    expect(written('Tone\n  > a\n    b')).toBe('Tone\n    a *\n    b')
    expect(written('Tone\n    a\n  ▶ b  \n    c')).toBe('Tone\n    a\n    b *\n    c')
    expect(written('Tone\n▸   a\n    b\nLamp\n    c\n▸   d')).toBe('Tone\n    a *\n    b\nLamp\n    c\n    d *')
  })

  it.each([
    ['two below one name', 'Tone\n  > a\n  > b\n    c'],
    ['nothing stands as far in', 'Tone\n  > a\n  b'],
    ['nothing stands beside', 'Tone\n  > a'],
    ['an empty line beside', 'Tone\n  > a\n\n    b'],
    ['a line of nothing but space beside', 'Tone\n  > a\n    '],
    ['beside it only what stands two lines on', 'Tone\n  > a\n  b\n    c'],
    ['no name above', '> a\n  b'],
    ['an empty line above', 'Tone\n\n  > a\n    b'],
    ['no further in than the name', '  Tone\n> a\n  b'],
  ])('is left where there is %s', (_, text) => {
    expect(written(text)).toBe(text)
  })

  it('stands beside what is right above it, and below a name however many lines on', () => {
    expect(written('Tone\n    a\n    b\n  > c\n  d')).toBe('Tone\n    a\n    b\n    c *\n  d')
  })

  it('belongs to the name around it, and not to a name before that', () => {
    expect(written('Card\n  Tone\n    > a\n      b\n  Lamp\n    > c\n      d')).toBe(
      'Card\n  Tone\n      a *\n      b\n  Lamp\n      c *\n      d',
    )
  })
})
