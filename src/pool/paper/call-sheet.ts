import { lightWords } from '@/core/jobs/light'
import { changedWords, type SheetLine, whereIn } from '@/core/jobs/sheet'
import { type JobAsked, type SheetsFor, sheetsOf } from '../jobs'
import { Report } from './report'
import type { Piece } from './paper-text'

/** Call sheets on paper: one for each person, or one for all; a bar says what changed since the last print. */

export interface CallSheets extends JobAsked {
  readonly paper: 'a4' | 'letter' | 'pocket'
  readonly who: SheetsFor
  /** When it is printed, by the clock of the place. */
  readonly printed: string
}

const lineOf = (line: SheetLine, isForAll: boolean, isSmall: boolean): readonly (readonly Piece[])[] => {
  const has = (text: string): readonly Piece[] => [{ text, size: isSmall ? 7.5 : 9 }]
  const withWhat = [line.unit ? `${line.unit.tag} (${line.unit.model})` : 'no camera', line.lens, whereIn(line)]
    .filter(Boolean)
    .join(', ')
  const once = new Map(line.cautions.map(c => [c.words, c]))
  return [
    [
      { text: `${line.printed === undefined ? '' : '* '}${line.from} to ${line.until}  `, isBold: true },
      { text: line.name, isBold: true },
      { text: `  ${[line.place, isForAll ? line.who : ''].filter(Boolean).join(', ')}`, size: isSmall ? 7.5 : 9 },
    ],
    has(
      `${withWhat}. ${line.standard?.name ?? 'no standard'}${line.standard?.isGuided ? ' (as the guide answers)' : ''}.`,
    ),
    ...(line.printed === undefined ? [] : [has(`* ${changedWords(line.printed)}`)]),
    ...(line.change.length
      ? [has(`Before it: ${line.change.join(' · ')}${line.isLate ? ' There is hardly time for it.' : ''}`)]
      : []),
    ...(isForAll
      ? []
      : [
          ...(line.thumb ? [has(`Thumb: ${line.thumb}`)] : []),
          ...(line.limiter ? [has(`Lens: ${line.limiter}.`)] : []),
          ...(line.light?.advice ? [has(`Light: ${lightWords(line.light)}`)] : []),
          ...line.troubles.map(t => has(`${t.label}? ${t.now}`)),
          ...[...once.values()].map(c => has(`! ${c.title}: ${c.words}`)),
          ...(line.notes ? [has(line.notes)] : []),
        ]),
  ]
}

/** @returns undefined where the job has no such person */
export const callSheets = async ({ paper, who, printed, ...asked }: CallSheets): Promise<Uint8Array | undefined> => {
  const made = sheetsOf(asked, who)
  if (!made) return undefined
  const { sheets, warnings } = made
  const job = `${asked.job.name}, ${asked.job.day}`
  const report = new Report(paper)
  const isSmall = paper === 'pocket'
  const small = isSmall ? 7.5 : 9
  sheets.forEach((sheet, i) => {
    if (i > 0) report.nextPage()
    const isForAll = sheet.who === undefined
    report.block([
      [{ text: sheet.who?.name ?? 'Everybody', isBold: true, size: isSmall ? 14 : 20 }],
      [{ text: `${job}. Printed ${printed}.`, size: small }],
    ])
    report.block(
      [
        [
          {
            text: 'The maker’s manual, the venue’s rules and the safety officer go first. A focus plan never decides where a person stands.',
            size: small,
          },
        ],
      ],
      { above: 4 },
    )
    if (sheet.prepare.length) {
      report.heading('At home')
      for (const p of sheet.prepare) {
        const slots = p.slots.length ? ` Slots: ${p.slots.join('; ')}.` : ''
        const keys = p.keys.length ? ` On keys: ${p.keys.join('; ')}.` : ''
        const areas = p.areas.length ? ` Areas on the button: ${p.areas.join(', ')}.` : ''
        report.block([[{ text: `${p.day}: ${p.tag}, ${p.body}: ${p.first}.${slots}${keys}${areas}`, size: small }]], {
          above: 3,
        })
      }
    }
    let day = ''
    for (const line of sheet.lines) {
      if (line.day !== day) report.heading(line.day)
      day = line.day
      report.block(lineOf(line, isForAll, isSmall), { above: 8 })
    }
    if (sheet.thumb) report.lines('Thumb', [sheet.thumb])
    report.lines(
      'Mind',
      sheet.cautions.map(c => `${c.title}: ${c.words}`),
    )
    if (isForAll) report.lines('Before the day', warnings)
  })
  return report.text.end(`Call sheets, ${job}`)
}
