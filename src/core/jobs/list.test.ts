import { describe, expect, it } from 'vitest'
import { house, jobWith } from '../../../test/fixtures/job-facts'
import {
  FIFTH_ORDERS,
  FIRST_ORDERS,
  FOURTH_ORDERS,
  SECOND_ORDERS,
  EIGHTH_ORDERS,
  NINTH_ORDERS,
  SEVENTH_ORDERS,
  SIXTH_ORDERS,
  THIRD_ORDERS,
} from '../../../test/fixtures/running-orders'
import { readCalendar } from './calendar'
import { readSceneList } from './list'
import { asClock } from './list-clock'
import { type ListKnows, readMinutes, readTime } from './list-words'

const NAMES = [
  'Ottoline Marsh',
  'Bram Tollard',
  'Perpetua Nye',
  'Caspian Oake',
  'Imelda Frost',
  'Rufus Quill',
  'Saskia Venn',
  'Tobiah Lark',
  'Wilhelmina Dow',
  'Ansel Pike',
  'Yevgenia Moth',
]
const knows: ListKnows = {
  people: NAMES.map(name => ({ id: name.toLowerCase().replace(' ', '-'), name })),
  units: ['TSP-S1', 'TSP-S2', 'TSP-L4'],
  standards: [{ id: 'ring-action', name: 'Ring action' }],
}
const empty = jobWith({}, { places: [] })

describe('a running order', () => {
  it.each([
    ...FIRST_ORDERS,
    ...SECOND_ORDERS,
    ...THIRD_ORDERS,
    ...FOURTH_ORDERS,
    ...FIFTH_ORDERS,
    ...SIXTH_ORDERS,
    ...SEVENTH_ORDERS,
    ...EIGHTH_ORDERS,
    ...NINTH_ORDERS,
  ])('is read as people write it: $about', ({ text, scenes, wrong = 0 }) => {
    const read = readSceneList(text, empty, knows, 400)
    expect(read.scenes.map(s => [s.at, s.name, s.covers.map(c => c.person)])).toEqual(
      scenes.map(([at, , name, who]) => [at, name, who ?? []]),
    )
    scenes.forEach(([, minutes], i) => {
      if (minutes !== undefined) expect(read.scenes[i]?.minutes).toBe(minutes)
    })
    expect(read.problems).toHaveLength(wrong)
  })

  it('sets the days: by a heading, by a date in front, by "day 2", and from an evening past midnight', () => {
    const days = (text: string) => readSceneList(text, empty, knows, 400).scenes.map(s => s.day ?? empty.day)
    expect(days('SUNDAY\n11:00 One\nSat 20 June\n12:00 Two\nDay 2\n13:00 Three\n2026-06-22 14:00 Four')).toEqual([
      '2026-06-21',
      '2026-06-20',
      '2026-06-21',
      '2026-06-22',
    ])
    expect(days('Doors 18:00\n23:30 Last band\n00:40 Fire\n1am Buses')).toEqual([
      '2026-06-20',
      '2026-06-20',
      '2026-06-21',
      '2026-06-21',
    ])
    // Whoever stands above the lines has a running order of their own.
    expect(days('Imelda Frost:\n22:00 Party\n00:30 Taxis\nAnsel Pike:\n05:30 Set-up\n08:30 Crowd')).toEqual([
      '2026-06-20',
      '2026-06-21',
      '2026-06-20',
      '2026-06-20',
    ])
    // A day within a name or a note is none of the list.
    expect(days('Market 2\nDecor 5:\n10:00 Stalls')).toEqual(['2026-06-20'])
    expect(days('Sunday service 10:00\nPlease note that the street is closed on Sunday\nSun sets 20:14')).toEqual([
      '2026-06-20',
      '2026-06-20',
    ])
  })

  it('keeps a camera with whoever the line is of, and loses neither a camera nor a name in silence', () => {
    const text =
      'Imelda Frost:\n09:00 bars, TSP-L4\n10:00 ceremony, Perpetua pls be in front\nall:\n11:00 podium, TSP-S1\n12:00 end, TSP-S2, Ansel Pike'
    const { scenes, problems } = readSceneList(text, empty, knows, 400)
    expect(scenes.map(s => s.covers)).toEqual([
      [{ person: 'imelda-frost', remote: false, unit: 'TSP-L4' }],
      [{ person: 'imelda-frost', remote: false }],
      [],
      [{ person: 'ansel-pike', remote: false, unit: 'TSP-S2' }],
    ])
    expect(problems.map(p => `${p.path}: ${p.expected}`)).toEqual([
      expect.stringMatching(/^line 3: Perpetua Nye is mentioned, and not taken/),
      expect.stringMatching(/^line 5: TSP-S1 stands there before anybody who has it/),
    ])
  })

  it('says where somebody stands, and takes a dash for nobody and for no camera of theirs', () => {
    const [stood] = readSceneList('14:30 Ceremony - Ottoline front, Bram gallery', empty, knows, 400).scenes
    expect(stood).toMatchObject({ name: 'Ceremony', notes: 'Ottoline front, Bram gallery' })
    const [dash] = readSceneList(
      'Time,Scene,Who,Camera\n14:30,Ceremony,Ottoline & Bram,- & TSP-S2',
      empty,
      knows,
      400,
    ).scenes
    expect(dash?.covers.map(c => [c.person, c.unit])).toEqual([
      ['ottoline-marsh', undefined],
      ['bram-tollard', 'TSP-S2'],
    ])
  })

  it.each([
    ['8-9 assembly', '08:00-09:00 assembly'],
    ['9 to 9.45 maths', '09:00-09:45 maths'],
    ['22 until 23 fire show', '22:00-23:00 fire show'],
    ['11h arrival', '11:00 arrival'],
    ['10-12 children needed', undefined],
    ['2h walk to the viewpoint', undefined],
    ['2-3 extra chairs', undefined],
    ['9-8 is a score', undefined],
    ['10.000 spectators', undefined],
  ])('takes whole hours in front for a time where they can be one: %s', (line, clock) => {
    expect(asClock(line)).toBe(clock ?? line)
  })

  it.each([
    ['Slot 1 | 10h-10h45 | Heats', '10:00', 45],
    ['Slot 2 | 10h45 - 11h | Semi-finals', '10:45', 15],
    ['Final | 12h | Rufus', '12:00', undefined],
    ['18:00 Concert, 2h', '18:00', 120],
    ['18:00 Walk, 1h to 2h', '18:00', undefined],
  ])('reads hours with an h wherever they stand, and lengths as lengths: %s', (line, at, minutes) => {
    const [scene] = readSceneList(line, empty, knows, 400).scenes
    expect(scene?.at).toBe(at)
    if (minutes !== undefined) expect(scene?.minutes).toBe(minutes)
  })

  it('pairs cameras with those who hold them, also where nobody stands in between', () => {
    const [one] = readSceneList('Time,Scene,Who,Camera\n9:00,Heats,- & Bram,TSP-S1 & TSP-S2', empty, knows, 400).scenes
    expect(one?.covers.map(c => [c.person, c.unit])).toEqual([['bram-tollard', 'TSP-S2']])
  })

  it('takes two capitals for whoever alone has them, and nothing else for initials', () => {
    const who = (text: string) => readSceneList(text, empty, knows, 400).scenes[0]?.covers.map(c => c.person)
    expect(who('Time,Scene,Who\n10:00,Closing,AP')).toEqual(['ansel-pike'])
    expect(who('Time,Scene,Who\n10:00,Closing,A.P.')).toEqual(['ansel-pike'])
    expect(who('Time,Scene,Who\n10:00,Closing,ap')).toEqual(['ap'])
    expect(who('Time,Scene,Who\n10:00,Closing,ZZ')).toEqual(['ZZ'])
  })

  it('takes a last name by itself for nobody, and says so where it has its capital', () => {
    const { scenes, problems } = readSceneList('19:00 Birds, marsh\n20:00 Awards, Tollard', empty, knows, 400)
    expect(scenes.map(s => s.covers)).toEqual([[], []])
    expect(problems.map(p => p.expected)).toEqual([expect.stringMatching(/^Bram Tollard is mentioned/)])
  })

  it('names every row that it cannot read, with what stands there, and loses none of the others', () => {
    const text =
      'Time,Scene,Minutes,Place,Light,Near,Far,Standard,Who,Unit,Day,Remote\n' +
      '19:30,Parade,12,Ring tent,stage,5,18,Ring action,Ottoline Marsh and Bram Tollard,TSP-S1,,\n' +
      '25:10,Never,12,,,,,,,,,\n' +
      '20:00,Odd,a while,Ring tent,purple,near,2000000,no such standard,Somebody New,,2026-13-01,yes\n' +
      '20:30,,,,,,,,,,,\n'
    const { scenes, places, problems } = readSceneList(text, empty, knows, 400)
    expect(scenes).toMatchObject([
      {
        name: 'Parade',
        minutes: 12,
        place: 'ring-tent',
        standard: 'ring-action',
        near: 5,
        covers: [{ person: 'ottoline-marsh', unit: 'TSP-S1' }, { person: 'bram-tollard' }],
      },
      {
        name: 'Odd',
        minutes: 15,
        place: 'ring-tent',
        standard: 'no such standard',
        covers: [{ person: 'Somebody New', remote: true }],
      },
    ])
    expect(places.map(p => p.name)).toEqual(['Ring tent'])
    expect(problems.map(p => `${p.path}: ${p.value}`)).toEqual([
      'row 3, column Time: 25:10',
      'row 4, column Minutes: a while',
      'row 4, column Day: 2026-13-01',
      'row 4, column Light: purple',
      'row 4, column Near: near',
      'row 4, column Far: 2000000',
      'row 5, column Scene: ',
    ])
  })

  it('gives scenes of one name ids of their own, and keeps to the most there may be', () => {
    const many = Array.from({ length: 402 }, () => '12:00 Heat').join('\n')
    const { scenes, problems } = readSceneList(many, empty, knows, 400)
    expect(new Set(scenes.map(s => s.id)).size).toBe(400)
    expect(problems[0]?.expected).toMatch(/at most 400/)
  })

  it('reads times and lengths, or says that it cannot', () => {
    const times = {
      '7.30 pm': '19:30',
      '12am': '00:00',
      '12 pm': '12:00',
      '0715': '07:15',
      '14h30': '14:30',
      '24:00': undefined,
      '13pm': undefined,
      '7': undefined,
      '': undefined,
    }
    for (const [text, time] of Object.entries(times)) expect(readTime(text), text).toBe(time)
    const lengths = {
      '12': 12,
      "15'": 15,
      '1 h 20': 80,
      '2h': 120,
      '90 mins': 90,
      'a while': undefined,
      '-5': undefined,
    }
    for (const [text, minutes] of Object.entries(lengths)) expect(readMinutes(text), text).toBe(minutes)
  })

  it('is read in a time that grows with its length', () => {
    readSceneList(`${' '.repeat(60_000)}\n${'('.repeat(30_000)}\n12:00 ${'a - '.repeat(20_000)}`, empty, knows, 400)
    // Thousands of columns, and thousands of times in one line.
    readSceneList(`Time  Scene${'  x'.repeat(30_000)}\n${'12:00  A\n'.repeat(10_000)}`, empty, knows, 400)
    const { scenes } = readSceneList(`${'9:00 aaa, '.repeat(39)}\n`.repeat(400), empty, knows, 400)
    expect(scenes).toHaveLength(400)
    for (const long of ['9:00 aaa, '.repeat(20_000), `9:00 x ${'Bram Tollard and '.repeat(10_000)}Bram Tollard`]) {
      const read = readSceneList(`${long}\n10:00 After it`, empty, knows, 400)
      expect(read.scenes.map(s => s.name)).toEqual(['After it'])
      expect(read.problems[0]?.expected).toMatch(/at most 2000 characters/)
    }
  }, 30_000)
})

describe('a calendar', () => {
  const calendar = (body: string) =>
    `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//made//made//EN\r\n${body}END:VCALENDAR\r\n`
  const event = (...lines: readonly string[]) =>
    `BEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260601T000000Z\r\n${lines.join('\r\n')}\r\nEND:VEVENT\r\n`

  it('gives its events by the clock of the place, with where and who', () => {
    const text = calendar(
      event(
        'DTSTART:20260620T170000Z',
        'DTEND:20260620T172500Z',
        'SUMMARY:Parade\\, first part',
        'LOCATION:Harbour',
        'GEO:0.9;-30.3',
        'ATTENDEE;CN=Ottoline Marsh:mailto:o@example.org',
      ) +
        event('DTSTART:20260621T203000', 'DURATION:PT1H', 'SUMMARY:Floating') +
        event(
          'DTSTART;TZID=America/New_York:20260620T120000',
          'DTEND;TZID=America/New_York:20260620T123000',
          'SUMMARY:Elsewhere',
        ),
    )
    const { scenes, places, problems } = readCalendar(text, empty, house().people, 400)
    expect(problems).toEqual([])
    expect(scenes).toMatchObject([
      {
        name: 'Parade, first part',
        at: '19:00',
        minutes: 25,
        place: 'harbour',
        covers: [{ person: 'ottoline-marsh' }],
      },
      { name: 'Floating', day: '2026-06-21', at: '20:30', minutes: 60 },
      { name: 'Elsewhere', at: '18:00', minutes: 30 },
    ])
    expect(places).toMatchObject([{ name: 'Harbour', latitude: 0.9, longitude: -30.3 }])
  })

  it('is read as offices send it: a clock of its own, folded lines, what was called off, the last name first', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Made up, standard',
      'BEGIN:STANDARD',
      'DTSTART:16010101T030000',
      'TZOFFSETFROM:+0000',
      'TZOFFSETTO:-0400',
      'END:STANDARD',
      'END:VTIMEZONE',
      '',
    ].join('\r\n')
    const text = calendar(
      zone +
        event(
          'DTSTART;TZID="Made up, standard":20260620T130000',
          'DTEND;TZID="Made up, standard":20260620T134500',
          'SUMMARY:A long name that is folded wh',
          ' ere the line is full',
          'ATTENDEE;CN="Marsh, Ottoline":mailto:o@example.org',
        ) +
        event('DTSTART:20260620T100000', 'DURATION:PT30M', 'STATUS:CANCELLED', 'SUMMARY:Called off'),
    )
    const { scenes, problems } = readCalendar(text, empty, house().people, 400)
    expect(problems.map(p => `${p.path}: ${p.expected}`)).toEqual([
      'Called off: it was called off; the event is left out',
    ])
    expect(scenes).toMatchObject([
      {
        name: 'A long name that is folded where the line is full',
        at: '19:00',
        minutes: 45,
        covers: [{ person: 'ottoline-marsh' }],
      },
    ])
  })

  it('says what it leaves out, and what is no calendar', () => {
    const text = calendar(
      event('DTSTART;VALUE=DATE:20260620', 'SUMMARY:All day') +
        event('DTSTART:20260620T100000', 'DURATION:PT30M', 'RRULE:FREQ=DAILY', 'SUMMARY:Again') +
        event('DTSTART;TZID=Some Time:20260620T100000', 'SUMMARY:Where'),
    )
    const { scenes, problems } = readCalendar(text, empty, [], 400)
    expect(scenes.map(s => s.name)).toEqual(['Again', 'Where'])
    expect(problems.map(p => `${p.path}: ${p.expected}`)).toEqual([
      expect.stringMatching(/^All day: expected a time of day/),
      expect.stringMatching(/^Again: it repeats/),
      expect.stringMatching(/^Where: its time zone is not known/),
    ])
    expect(readCalendar('BEGIN:VCALENDAR\nnonsense', empty, [], 400).problems[0]?.expected).toMatch(
      /this is no calendar/,
    )
  })
})
