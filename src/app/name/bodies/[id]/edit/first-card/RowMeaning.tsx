'use client'

import { type KeyboardEvent, useEffect, useRef } from 'react'
import { type Body, meansNothing, meansUnnamed, type Setting } from '@/core/bodies'
import { readAs, type Reading } from '@/core/propose/propose'
import { readingsForAnswer, takeAnswer } from '@/core/propose/questions'
import { SettingPanel } from '../SettingPanel'
import type { Editor } from '../use-editor'
import type { Proposals } from '../use-proposals'
import { Box, Typography } from '@/ui/elements'

/** What each option of the row just named does: read for the question, and taken with one key. */
export const RowMeaning = ({
  editor,
  row,
  dimensionId,
  proposals,
  answer,
}: {
  editor: Editor
  row: Setting
  dimensionId: string
  proposals: Proposals
  answer: (what: string, change: (body: Body) => Body) => void
}) => {
  const { form } = editor
  const read = proposals.of[row.id]
  // What is no reading stands behind them with keys of its own.
  const readings = read ? readingsForAnswer(form, row, dimensionId, read).filter(r => r.dimensions.length > 0) : []
  const field = useRef<HTMLDivElement>(null)
  const isRead = read !== undefined
  useEffect(() => {
    if (isRead) field.current?.focus({ preventScroll: true })
  }, [isRead, row.id])

  const take = (r: Reading) => {
    // What is left open is asked about here, option by option.
    const isLeft = takeAnswer(form, row.id, r).settings.some(s => s.id === row.id && s.undecided)
    if (isLeft) editor.edit(`read “${row.label}” in part`, b => takeAnswer(b, row.id, r))
    else answer(`read “${row.label}”`, b => takeAnswer(b, row.id, r))
  }
  const onKey = (event: KeyboardEvent) => {
    if (event.target !== field.current || event.ctrlKey || event.metaKey) return
    const reading = event.key === 'Enter' ? readings[0] : readings[Number(event.key) - 1]
    if (!reading || (event.key === 'Enter' && reading.isEitherWay)) return
    event.preventDefault()
    take(reading)
  }
  return (
    <Box ref={field} tabIndex={-1} onKeyDown={onKey} role="group" aria-label={`What ${row.label} does`}>
      <Typography role="status" sx={{ mb: 1 }}>
        {isRead
          ? `What does each option of “${row.label}” do? Enter takes the first reading, a number another; say of the rest what it does.`
          : 'Reading it …'}
      </Typography>
      <SettingPanel
        editor={editor}
        setting={row}
        selected={[]}
        readings={readings}
        problem={proposals.problem}
        onAccept={take}
        onNothing={() => answer(`“${row.label}” is not about focus`, b => meansNothing(b, row.id))}
        onUnnamed={() => answer(`no word for “${row.label}”`, b => meansUnnamed(b, row.id))}
        onAbout={id => take(readAs(form, row, id, readings))}
      />
    </Box>
  )
}
