'use client'

import { Button } from '@mui/material'
import type { LifeView } from '@/server/life'
import type { UnitBenchView } from '@/server/lens-tests'
import { Page, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { LinkButton, TallLink } from '@/ui/links'
import { When } from '@/ui/When'
import { UnitBench } from './UnitBench'
import { UnitNow } from './UnitNow'
import { useSend } from '@/ui/use-send'
import { FileButton } from '@/ui/FileButton'
import { Box, Typography } from '@/ui/elements'

const HAPPENED = [
  { kind: 'reset', label: 'It was reset to factory defaults' },
  { kind: 'repaired', label: 'It came back from repair' },
  { kind: 'returned', label: 'It came back from a loan' },
] as const

/**
 * What a unit is set to now, and what happened to it, newest first; everything can be taken back.
 *
 * @param earlier how much more happened, before what is shown
 * @param code leads to its card, to be stuck on the unit, as a picture in a data address
 */
export const UnitLife = ({
  life,
  earlier,
  bench,
  code,
}: {
  life: LifeView
  earlier: number
  bench: UnitBenchView
  code: string
}) => {
  const { unit, body, events } = life
  const { send, problem, setProblem } = useSend()
  const readFile = async (file: File) => {
    const query = new URLSearchParams({ file: file.name }).toString()
    const sent = await send('POST', `/api/v1/units/${unit.id}/state?${query}`, await file.text())
    if (!sent.ok)
      setProblem(`Nothing was changed.
${sent.detail}`)
  }
  const base = `/api/v1/units/${unit.id}/events`
  return (
    <Page sx={{ maxWidth: 'var(--wide)' }}>
      <Typography color="textSecondary">
        {unit.model} · firmware {unit.firmware}
      </Typography>
      <Typography variant="h1">{unit.tag}</Typography>
      <Box sx={{ mt: 2 }}>
        <LinkButton to={`/set/cards/${body}`} more={{ unit: unit.id }} variant="contained">
          Open its card
        </LinkButton>
      </Box>
      <UnitNow life={life} />
      <UnitBench bench={bench} />
      <Typography variant="h2" sx={{ mt: 4 }}>
        Something happened to it
      </Typography>
      <Wrap sx={{ mt: 1 }}>
        {HAPPENED.map(h => (
          <Button key={h.kind} variant="outlined" onClick={() => void send('POST', base, { kind: h.kind })}>
            {h.label}
          </Button>
        ))}
      </Wrap>
      <Wrap sx={{ mt: 1 }}>
        <FileButton
          label="Read its settings from a file"
          variant="text"
          accept=".json,application/json"
          onFiles={([file]) => file && void readFile(file)}
        />
        {events.length > 0 && (
          <Button component="a" href={`/api/v1/units/${unit.id}/state`} download={`${unit.id}-state.json`}>
            Save what is known as a file
          </Button>
        )}
      </Wrap>
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Typography variant="h2" sx={{ mt: 4 }}>
        What happened
      </Typography>
      {events.length === 0 && <Typography sx={{ mt: 1 }}>Nothing is known of it yet.</Typography>}
      <Box component="ol" reversed sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {events.map(e => (
          <Box
            component="li"
            key={e.id}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'center',
              columnGap: 2,
              minHeight: 'var(--touch)',
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Box sx={{ flex: 1, minWidth: 'var(--field)' }}>
              <Typography sx={e.undone ? { textDecoration: 'line-through', color: 'text.secondary' } : {}}>
                {e.words}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {e.by ?? 'somebody'}, <When at={e.at} />
                {e.undone && (
                  <>
                    {' '}
                    · taken back by {e.undone.by ?? 'somebody'}, <When at={e.undone.at} />
                  </>
                )}
              </Typography>
            </Box>
            <Button
              size="small"
              aria-label={`${e.undone ? 'Count again' : 'Take back'}: ${e.words}`}
              onClick={() => void send('PUT', `${base}/${e.id}`, { undone: !e.undone })}
            >
              {e.undone ? 'Count again' : 'Take back'}
            </Button>
          </Box>
        ))}
      </Box>
      {earlier > 0 && (
        <TallLink to={`/keep/kit/${unit.id}`} more={{ history: 'all' }} scroll={false}>
          Show the {earlier} that happened before, too
        </TallLink>
      )}
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 3 }}>
        <Box component="img" src={code} alt={`Code that leads to the card of ${unit.tag}`} sx={{ width: 96 }} />
        <Box>
          <Typography>
            Stick this code on {unit.tag}: it opens its card. The standard is chosen there, at the top.
          </Typography>
          <Button component="a" href={code} download={`${unit.id}-code.svg`} sx={{ ml: -1 }}>
            Save the code as a picture
          </Button>
        </Box>
      </Box>
    </Page>
  )
}
