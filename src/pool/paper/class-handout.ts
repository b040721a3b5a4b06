import { Report } from './report'

/** A course on paper for one body: each lesson with what to read, what to set, and room to count. */

export interface ClassHandout {
  readonly paper: 'a4' | 'letter'
  readonly course: string
  readonly className: string
  readonly body: string
  readonly lessons: readonly {
    readonly title: string
    readonly words: string
    readonly set: readonly string[]
    readonly passes: string
    readonly outdoors: { readonly words: string; readonly passes: number } | undefined
  }[]
}

/** As many boxes to tick stand in a row. */
const BOXES_A_ROW = 25
/** Boxes that are printed; a count beyond them is kept by strokes. */
const MOST_BOXES = 50

const boxes = (passes: number): readonly string[] => {
  const all = Math.min(passes, MOST_BOXES)
  return Array.from({ length: Math.ceil(all / BOXES_A_ROW) }, (_, i) =>
    '[ ] '.repeat(Math.min(BOXES_A_ROW, all - i * BOXES_A_ROW)).trim(),
  )
}

export const classHandout = ({ paper, course, className, body, lessons }: ClassHandout): Promise<Uint8Array> => {
  const report = new Report(paper)
  report.block([[{ text: course, isBold: true, size: 20 }], [{ text: `${className}, ${body}` }]])
  report.block(
    [[{ text: 'The maker’s manual goes first wherever it says otherwise. Rest your hands between drills.', size: 9 }]],
    { above: 6 },
  )
  lessons.forEach((lesson, i) => {
    report.heading(`${i + 1}  ${lesson.title}`)
    report.block([[{ text: lesson.words }]], { above: 3 })
    for (const row of lesson.set) report.block([[{ text: row, size: 9 }]], { indent: 12, above: 3 })
    if (lesson.outdoors) {
      report.block([[{ text: lesson.outdoors.words }], ...boxes(lesson.outdoors.passes).map(text => [{ text }])], {
        above: 4,
      })
    }
    report.block([[{ text: `Passed by: ${lesson.passes}`, size: 9 }]], { above: 3 })
  })
  return report.text.end(`${course}, ${body}`)
}
