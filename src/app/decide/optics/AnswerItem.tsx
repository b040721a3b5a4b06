'use client'

import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { type ReactNode, useId, useState } from 'react'
import { questionTitle } from '@/core/optics/titles'
import type { Answer, Figure } from '@/core/optics/answers/answer'
import { PlainList } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const Head = styled('button')(({ theme }) => ({
  all: 'unset',
  boxSizing: 'border-box',
  display: 'grid',
  gridTemplateColumns: '62px 1fr',
  columnGap: theme.spacing(1.5),
  width: '100%',
  minHeight: 'var(--touch)',
  alignItems: 'baseline',
  padding: theme.spacing(1, 0),
  cursor: 'pointer',
  borderTop: `1px solid ${theme.vars?.palette.divider}`,
  '&:focus-visible': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: 2 },
}))

const TONE_WORDS: Readonly<Record<Answer['tone'], string>> = { fine: 'holds', mind: 'mind', no: 'no', open: 'open' }
const TONE_COLOUR = { fine: 'success.main', mind: 'warning.main', no: 'error.main', open: 'text.secondary' } as const

/** One question: its verdict in a line, and once opened the figures behind it and what would change it. */
export const AnswerItem = ({
  answer,
  isOpen,
  onToggle,
  keep,
  children,
}: {
  answer: Answer
  isOpen: boolean
  onToggle: () => void
  keep: ReactNode
  children?: ReactNode
}) => {
  const id = useId()
  return (
    <Box component="section" aria-label={questionTitle(answer.question)}>
      <Head type="button" aria-expanded={isOpen} aria-controls={id} onClick={onToggle}>
        <Typography
          variant="eyebrow"
          component="span"
          sx={{ color: TONE_COLOUR[answer.tone], textTransform: 'uppercase' }}
        >
          {TONE_WORDS[answer.tone]}
        </Typography>
        <span>
          <Typography variant="strong" component="span" sx={{ display: 'block' }}>
            {questionTitle(answer.question)}
          </Typography>
          <Typography component="span" sx={{ display: 'block' }}>
            {answer.verdict}
          </Typography>
        </span>
      </Head>
      <Box id={id} hidden={!isOpen} sx={{ pb: 2.5, pl: { sm: '74px' } }}>
        {isOpen && (
          <>
            {answer.changes.map(c => (
              <Typography key={c} sx={{ mb: 0.5 }}>
                {c}
              </Typography>
            ))}
            {children}
            <PlainList component="ul" sx={{ mt: 1.5 }} aria-label="Figures">
              {answer.figures.map((f, i) => (
                <FigureRow key={`${f.label} ${i}`} figure={f} />
              ))}
            </PlainList>
            {answer.cautions.map(c => (
              <Typography
                key={c}
                role="note"
                variant="body2"
                sx={{ mt: 1.5, pl: 1.5, borderLeft: 3, borderColor: 'own.marigold.main' }}
              >
                {c}
              </Typography>
            ))}
            <Box sx={{ mt: 1.5 }}>{keep}</Box>
          </>
        )}
      </Box>
    </Box>
  )
}

/** A figure; asked, it says how it came about. */
const FigureRow = ({ figure: f }: { figure: Figure }) => {
  const [isAsked, setAsked] = useState(false)
  return (
    <li>
      <Button
        size="small"
        color="inherit"
        aria-expanded={isAsked}
        onClick={() => setAsked(!isAsked)}
        sx={{
          display: 'grid',
          gridTemplateColumns: 'var(--field-short) 1fr',
          gap: 1.5,
          width: '100%',
          textAlign: 'left',
          px: 0.5,
          minHeight: 'var(--dense)',
          fontWeight: 'fontWeightRegular',
        }}
      >
        <Typography variant="body2" component="span" color="textSecondary">
          {f.label}
        </Typography>
        <Typography variant="value" component="span">
          {f.words}
        </Typography>
      </Button>
      {isAsked && (
        <Typography variant="body2" color="textSecondary" sx={{ pl: 0.5, pb: 1 }}>
          {f.how}.
        </Typography>
      )}
    </li>
  )
}
