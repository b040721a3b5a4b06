import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { problemWords } from '../formats/problem'
import { bodyFromArchetype } from './archetypes'
import { UNKNOWN_OPTION, withMenuRows } from './menu-rows'
import { menuRowsOf } from './menu-table'
import { menuAsText, parseMenuText } from './menu-text'
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

  it('keeps a setting without options, to be looked at later', () => {
    const [, lonely] = rows('Tab\n  Page\n    Full: a | b\n    Lonely')
    expect(lonely?.options).toEqual([])
    const body = withMenuRows(bodyFromArchetype('compact', { id: 'x', maker: 'X', model: 'X' }), lonely ? [lonely] : [])
    expect(body.settings[0]?.options[0]?.label).toBe(UNKNOWN_OPTION)
  })

  it.each([
    ['', 'expected at least one setting'],
    [
      'Tab\n  Page\n    Grip: a | b\n    Grip: c | d',
      'line 4: Grip stands there; expected each setting once on a page',
    ],
    ['Tab\n  Page\n    Grip: a | a', 'line 3: a stands there; expected each option of Grip once'],
    [`Tab\n  Page\n    ${'x'.repeat(90)}: a | b`, 'line 3: '],
    [Array.from({ length: 401 }, (_, i) => `S${i}: a | b`).join('\n'), 'at most 400 settings'],
  ])('says in which line something is wrong (%#)', (text, words) => {
    expect(complaints(text)).toContain(words)
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
