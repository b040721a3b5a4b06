import type { Finding } from '@/core/audit/findings'
import { Report } from './report'

/** The report of an audit for the debrief: its findings, each with its evidence and the one change to consider. */

export interface AuditSheet {
  readonly paper: 'a4' | 'letter'
  readonly name: string
  /** What was looked at, in a sentence. */
  readonly about: string
  readonly findings: readonly Finding[]
  /** Everything that was set otherwise, a line each. */
  readonly differences: readonly string[]
  /** What was used, a line for each camera. */
  readonly used: readonly string[]
  /** What says nothing here, and why. */
  readonly leftOut: readonly string[]
  readonly printed: string
}

export const auditSheet = ({
  paper,
  name,
  about,
  findings,
  differences,
  used,
  leftOut,
  printed,
}: AuditSheet): Promise<Uint8Array> => {
  const report = new Report(paper)
  report.block([[{ text: name, isBold: true, size: 20 }], [{ text: about }]])
  report.heading(findings.length > 0 ? 'To talk about' : 'Nothing to talk about')
  if (findings.length === 0)
    report.block([[{ text: 'As far as the pictures tell, everything was as the standard wanted it.' }]], { above: 4 })
  findings.forEach((f, i) =>
    report.block(
      [
        [{ text: `${i + 1}  ${f.title}`, isBold: true, size: 11 }],
        [{ text: f.evidence }],
        [{ text: `To consider: ${f.change}` }],
      ],
      { above: 9 },
    ),
  )
  report.lines('Set otherwise', differences)
  report.lines('Used', used)
  report.lines('Left out', leftOut)
  report.block(
    [
      [
        {
          text: `Pictures say what a camera wrote into them; where a field is read wrongly, so is the setting. Figures of keepers are no trial. Printed ${printed}.`,
          size: 7.5,
        },
      ],
    ],
    { above: 18 },
  )
  return report.text.end(name)
}
