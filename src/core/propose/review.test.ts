import { describe, expect, it } from 'vitest'
import { type Body, bodyFromArchetype, setMeaning, withMenuRows } from '../bodies'
import { acceptReading, knowledgeOf, proposeAll, proposeFor, readAs } from './propose'
import { acceptReview, reviewOf } from './review'

const MENU: Readonly<Record<string, readonly string[]>> = {
  'Focus mode': ['AF-S', 'AF-C', 'MF'],
  'Tracking sensitivity': ['1', '2', '3', '4', '5'],
  'Lock-on': ['Off', 'Short', 'Long'],
  Plum: ['Pear', 'Quince'],
  'White balance': ['Auto', 'Shade'],
  'Focus bracketing': ['On', 'Off'],
}
const body: Body = withMenuRows(
  bodyFromArchetype('mirrorless', { id: 'new', maker: 'Nobody', model: 'New' }),
  Object.entries(MENU).map(([label, options], i) => ({
    tab: 'AF',
    page: 'One',
    label,
    options,
    preset: 0,
    place: `line ${i}`,
  })),
)
const proposals = Object.fromEntries(proposeAll(body, knowledgeOf([])))
const page = { tab: body.menu.tabs[0]?.id ?? '', page: 1 }
const rows = (changed = {}) => reviewOf(body, page, proposals, changed)
const setting = (b: Body, label: string) => b.settings.find(s => s.label === label) as Body['settings'][number]

describe('a page at a time', () => {
  it('ticks what is sure or likely, and leaves open what is not, or has no direction', () => {
    expect(
      rows()
        .filter(r => r.isTicked)
        .map(r => r.setting.label),
    ).toEqual(['Focus mode', 'Lock-on', 'White balance', 'Focus bracketing'])
  })

  it('takes all that is ticked in one step and asks for the rest again', () => {
    const after = acceptReview(body, rows())
    expect(after.settings.filter(s => s.undecided).map(s => s.label)).toEqual(['Tracking sensitivity', 'Plum'])
    expect(setting(after, 'Focus bracketing').unnamed).toBe(true)
    expect(setting(after, 'White balance').unnamed).toBeUndefined()
    expect(setting(after, 'Focus mode').options.map(o => o.means['mode.drive'])).toEqual([
      'single',
      'continuous',
      'manual',
    ])
  })

  it('takes the direction somebody has said, and marks its amounts as guessed until they are stated', () => {
    const id = setting(body, 'Tracking sensitivity').id
    const after = acceptReview(body, rows({ [id]: { chosen: 1, isTicked: true } }))
    const scale = setting(after, 'Tracking sensitivity')
    expect(scale.options.map(o => o.guessed)).toEqual(Array(5).fill(['track.hold']))
    const seconds = scale.options.map(o => Number(o.means['track.hold']))
    expect(seconds).toEqual([...seconds].sort((a, b) => b - a))
    const first = scale.options[0]?.id ?? ''
    const stated = setMeaning(after, id, first, { 'track.hold': 4 })
    expect(setting(stated, 'Tracking sensitivity').options.map(o => o.guessed?.length ?? 0)).toEqual([0, 1, 1, 1, 1])
  })
})

it('reads a setting as what somebody says it is about, as far as its words go', () => {
  const reading = readAs(body, setting(body, 'Plum'), 'see.lamp')
  expect(reading.means).toEqual([{}, {}])
  const drive = readAs(body, setting(body, 'Focus mode'), 'mode.drive')
  expect(setting(acceptReading(body, 'focus-mode', drive), 'Focus mode').options[1]?.means).toEqual({
    'mode.drive': 'continuous',
  })
  expect(() => readAs(body, setting(body, 'Plum'), 'no.such')).toThrow('unknown dimension')
})

it('keeps what somebody has stated of an option when the rest is proposed', () => {
  const id = setting(body, 'Lock-on').id
  const [first] = setting(body, 'Lock-on').options
  const stated = setMeaning(body, id, first?.id ?? '', { 'track.hold': 0.7 })
  const [reading] = proposeFor(stated, setting(stated, 'Lock-on'), knowledgeOf([]))
  if (!reading) throw new Error('nothing was proposed')
  const after = setting(acceptReading(stated, id, reading), 'Lock-on')
  expect(after.undecided).toBeUndefined()
  expect(after.options.map(o => [o.means['track.hold'], o.guessed?.length ?? 0])).toEqual([
    [0.7, 0],
    [0.95, 1],
    [4.5, 1],
  ])
})

it('never proposes anything first under a key that it is unsure of', () => {
  for (const s of body.settings) {
    const [first, ...others] = proposeFor(body, s, knowledgeOf([]))
    expect(first).toBeDefined()
    for (const o of others) expect(o.certainty).toBe('unsure')
  }
})
