'use client'

import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { allLookedFor, type Body, isNotLookedFor } from '@/core/bodies'
import type { Question } from '@/core/propose/questions'
import type { Standard } from '@/core/standards'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { LinkButton } from '@/ui/links'
import type { Completeness } from '@/workers/completeness'
import type { Editor } from '../use-editor'
import { Wrap } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const Line = styled('button')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '34px minmax(0, 1fr) minmax(0, 1fr)',
  gap: theme.spacing(1.5),
  alignItems: 'center',
  width: '100%',
  minHeight: 'var(--touch)',
  padding: theme.spacing(0.75, 1),
  border: 0,
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  textAlign: 'left',
  cursor: 'pointer',
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
  '&[aria-current="true"]': { boxShadow: `inset 3px 0 0 ${theme.vars?.palette.own.marigold.main}` },
}))

/** The card as far as it is known: what each target comes to now, and what nobody has looked for yet. */
export const GrowingCard = ({
  form,
  editor,
  standard,
  found,
  questions,
  at,
  onQuestion,
}: {
  form: Body
  editor: Editor
  standard: Standard
  found: Completeness | undefined
  questions: readonly Question[]
  at: string | undefined
  onQuestion: (id: string) => void
}) => {
  const trial = found?.trial
  const unknown = trial?.lines.filter(l => isNotLookedFor(form, l.dimension)).length ?? 0
  return (
    <Box component="section" aria-label="The card so far" sx={{ minWidth: 0 }}>
      <Typography variant="h2">{standard.name}, so far</Typography>
      <Typography role="status" color="textSecondary" sx={{ mb: 1 }}>
        {trial
          ? `${trial.mustsHeld} of ${trial.musts} musts held${unknown ? `, ${unknown} targets not known yet` : ''}`
          : found?.contradictions.length
            ? found.contradictions[0]
            : 'Working it out …'}
      </Typography>
      {trial?.lines.map(l => {
        const question = questions.find(q => q.dimensions.includes(l.dimension))
        return (
          <Line
            key={l.dimension}
            type="button"
            aria-current={question?.id === at}
            onClick={() => question && onQuestion(question.id)}
          >
            <AlignmentMark grade={isNotLookedFor(form, l.dimension) ? 'missing' : l.grade} distance={l.distance} />
            <span>
              <Typography component="span" variant="body2" sx={{ fontWeight: 'fontWeightMedium', display: 'block' }}>
                {l.label}
                {l.isMust ? ', a must' : ''}
              </Typography>
              <Typography component="span" variant="body2" color="textSecondary">
                {l.wanted}
              </Typography>
            </span>
            <span>
              <Typography component="span" variant="value" sx={{ display: 'block' }}>
                {l.main}
              </Typography>
              {l.sub && (
                <Typography component="span" variant="body2" color="textSecondary">
                  {l.sub}
                </Typography>
              )}
            </span>
          </Line>
        )
      })}
      <Wrap sx={{ mt: 2 }}>
        <LinkButton to={`/set/cards/${form.id}`}>Open the card</LinkButton>
        {form.lacking && (
          <Button onClick={() => editor.edit('its whole menu is in', allLookedFor)}>
            Its whole menu is in: what is not there is lacking
          </Button>
        )}
      </Wrap>
    </Box>
  )
}
