'use client'

import { Button } from '@mui/material'
import { FileImport } from '@/ui/FileImport'
import { Page, Wrap } from '@/ui/pieces'
import { LinkButton } from '@/ui/links'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

/** The first screen of a team that has nothing yet: three steps to the first card. */
export const Beginning = ({ hasBodies, hasStandards }: { hasBodies: boolean; hasStandards: boolean }) => {
  const { send, problem } = useSend()
  const takeBaseline = () => send('POST', '/api/v1/starter')
  return (
    <Page sx={{ maxWidth: 'var(--line)' }}>
      <Typography variant="h1">Three steps to the first card</Typography>
      <Typography sx={{ mt: 1 }}>
        A body says what its menus can do, a standard says what you want, and the card says what to set.
      </Typography>
      <Step number={1} title="Add a body" done={hasBodies}>
        <Typography>
          Paste its menu, copy it from a spreadsheet, or take a profile that another team has written.
        </Typography>
        <Wrap sx={{ alignItems: 'flex-start' }}>
          <LinkButton to="/name/bodies/new" variant={hasBodies ? 'outlined' : 'contained'}>
            New body
          </LinkButton>
          <FileImport kind="bodies" label="Add bodies from files" />
        </Wrap>
      </Step>
      <Step number={2} title="Take a standard" done={hasStandards}>
        <Typography>What is wanted, how much and why, in the format coherion.standard/1.</Typography>
        <Wrap sx={{ alignItems: 'flex-start' }}>
          {!hasStandards && (
            <Button variant={hasBodies ? 'contained' : 'outlined'} onClick={() => void takeBaseline()}>
              Take the house baseline
            </Button>
          )}
          <FileImport kind="standards" label="Add standards from files" />
        </Wrap>
        {problem && <Typography color="error">{problem}</Typography>}
      </Step>
      <Step number={3} title="Get the card" done={false}>
        {hasBodies && hasStandards ? (
          <LinkButton to="/set/cards" variant="contained">
            Open the cards
          </LinkButton>
        ) : (
          <Typography color="textSecondary">It is there as soon as there is a body and a standard.</Typography>
        )}
      </Step>
    </Page>
  )
}

const Step = ({
  number,
  title,
  done,
  children,
}: {
  number: number
  title: string
  done: boolean
  children: React.ReactNode
}) => (
  <Box component="section" sx={{ display: 'flex', gap: 2, mt: 4 }}>
    <Typography variant="figure" color="textSecondary" aria-hidden>
      {done ? '✓' : number}
    </Typography>
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1, alignItems: 'flex-start' }}>
      <Typography variant="h2">
        {title}
        {done && ' (done)'}
      </Typography>
      {children}
    </Box>
  </Box>
)
