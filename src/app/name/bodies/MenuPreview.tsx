'use client'

import { Button } from '@mui/material'
import type { RefObject } from 'react'
import type { ReadMenu } from '@/core/bodies/menu-text'
import { counted } from '@/core/vocabulary/words'
import { Eyebrow } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** Remarks and rows shown before the rest is only counted. */
const MOST_REMARKS = 40
const MOST_ROWS = 400

/** Puts the hand into a line of the text, so that it can be mended there. */
const goToLine = (field: HTMLTextAreaElement | null, line: number) => {
  if (!field) return
  const lines = field.value.split('\n')
  const from = lines.slice(0, line - 1).reduce((n, l) => n + l.length + 1, 0)
  field.focus()
  field.setSelectionRange(from, from + (lines[line - 1]?.length ?? 0))
}

/** What was read from a pasted menu, as a tree, and the lines that somebody should look at. */
export const MenuPreview = ({ read, field }: { read: ReadMenu; field: RefObject<HTMLTextAreaElement | null> }) => {
  const { rows, remarks } = read
  const doubtful = new Set(remarks.map(r => `line ${r.line}`))
  const pages = new Set(rows.map(r => `${r.tab} › ${r.page}`)).size
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography role="status">
        {rows.length === 0
          ? 'Nothing in it reads like a setting yet.'
          : `${counted(rows.length, 'setting', 'settings')} with ${counted(
              rows.reduce((n, r) => n + r.options.length, 0),
              'option',
              'options',
            )} on ${counted(pages, 'page', 'pages')}.`}
      </Typography>
      {rows.length > 0 && (
        <Box
          component="section"
          aria-label="What was read"
          tabIndex={0}
          sx={{ mt: 1.5, maxHeight: 420, overflowY: 'auto', border: 1, borderColor: 'divider', borderRadius: 1, p: 1 }}
        >
          {rows.slice(0, MOST_ROWS).map((r, i) => {
            const before = rows[i - 1]
            const isNewPage = before?.tab !== r.tab || before.page !== r.page
            return (
              <Box key={`${r.place}-${r.label}`}>
                {isNewPage && <Eyebrow component="h3">{r.tab === r.page ? r.tab : `${r.tab} › ${r.page}`}</Eyebrow>}
                <Typography
                  sx={{ pl: 1.5, overflowWrap: 'anywhere' }}
                  color={doubtful.has(r.place) ? 'secondary' : undefined}
                >
                  {r.label}{' '}
                  <Typography component="span" variant="value" color="textSecondary">
                    {r.options.map((o, k) => (k === r.preset ? `${o} *` : o)).join(' | ') || 'no options yet'}
                  </Typography>
                </Typography>
              </Box>
            )
          })}
        </Box>
      )}
      {remarks.length > 0 && (
        <Box component="section" aria-label="Lines to look at" sx={{ mt: 1 }}>
          <Eyebrow component="h2">{counted(remarks.length, 'line', 'lines')} to look at</Eyebrow>
          {remarks.slice(0, MOST_REMARKS).map(r => (
            <Button
              key={`${r.line}-${r.what}`}
              onClick={() => goToLine(field.current, r.line)}
              sx={{
                display: 'block',
                width: '100%',
                textAlign: 'left',
                minHeight: 'var(--touch)',
                fontWeight: 'fontWeightRegular',
              }}
            >
              <Typography component="span" variant="value" sx={{ display: 'block', overflowWrap: 'anywhere' }}>
                {r.line}: {r.text}
              </Typography>
              <Typography component="span" variant="body2" color="textSecondary">
                {r.what}
              </Typography>
            </Button>
          ))}
          {remarks.length > MOST_REMARKS && (
            <Typography variant="body2">and {remarks.length - MOST_REMARKS} more</Typography>
          )}
        </Box>
      )}
    </Box>
  )
}
