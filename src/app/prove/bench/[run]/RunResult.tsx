import { Alert, Button } from '@mui/material'
import type { RunView } from '@/server/bench'
import { TakesDrawing } from '@/ui/TakesDrawing'
import { KeepOrThrow } from '@/ui/KeepOrThrow'
import { KeptLink, LinkButton } from '@/ui/links'
import { Page, PlainList, Section } from '@/ui/pieces'
import { When } from '@/ui/When'
import { Box, Typography } from '@/ui/elements'
import { WhatItChanges } from './WhatItChanges'

const secondsWords = (s: number | 'always'): string => (s === 'always' ? 'always' : `${Number(s.toPrecision(2))} s`)

const DIRECTION_WORDS: Readonly<Record<RunView['direction'], string>> = {
  rising: 'Later steps take longer.',
  falling: 'Later steps are quicker.',
  unordered: 'These steps are no scale: each stands for itself.',
  unclear: 'Which way the scale runs cannot be told from these takes.',
}

const WAY_WORDS: Readonly<Record<RunView['way'], string>> = {
  thumb: 'by thumb',
  film: 'from a film',
  stills: 'from a burst of pictures',
}

/** What a run comes to, what keeping it would change, and keeping it. */
export const RunResult = ({ run }: { run: RunView }) => {
  const address = `/api/v1/runs/${run.id}`
  const short = run.steps.filter(s => s.isShort)
  const odd = run.steps.flatMap(s =>
    s.takes.flatMap((t, i) => (t.isOdd ? [`${s.label}, take ${i + 1}: ${secondsWords(t.seconds)}`] : [])),
  )
  return (
    <Page>
      <Typography color="textSecondary">
        {run.body.name} · firmware {run.firmware}
        {run.unit && ` · ${run.unit}`}
        {run.lens && ` · with ${run.lens}`} · {run.on}
      </Typography>
      <Typography variant="h1">
        {run.label}, measured {WAY_WORDS[run.way]}
      </Typography>
      <Typography sx={{ mt: 0.5 }}>
        {DIRECTION_WORDS[run.direction]} {run.isShare && 'Kept as a share of the speed of its fastest step. '}
        {run.reaction > 0 && `${Number(run.reaction.toFixed(2))} s for the thumb are taken off.`}
      </Typography>
      {run.keptAt && (
        <Alert severity="success" sx={{ mt: 1.5 }}>
          In the profile of {run.body.model} since <When at={run.keptAt} />.
        </Alert>
      )}
      <Section title={run.setting}>
        <TakesDrawing steps={run.steps} />
        <PlainList component="ul" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
          {run.steps.map(s => (
            <Box
              component="li"
              key={s.id}
              sx={{
                py: 0.75,
                borderBottom: 1,
                borderColor: 'divider',
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', sm: '1.2fr 1fr 1.6fr' },
                columnGap: 2,
              }}
            >
              <Typography variant="strong" component="span">
                {s.label}
              </Typography>
              <Typography variant="figure">{secondsWords(s.seconds)}</Typography>
              <Typography variant="body2" color="textSecondary">
                {s.takes.length} takes, {secondsWords(s.band[0])} to {secondsWords(s.band[1])} nine times of ten
                {s.never > 0 && `, ${s.never} of them never`}
                {s.declared !== undefined && `; declared ${s.declared} s`}
              </Typography>
            </Box>
          ))}
        </PlainList>
        {run.alike.map(([a, b]) => (
          <Typography key={a + b} sx={{ mt: 1 }}>
            {a} and {b} cannot be told apart by these takes.
          </Typography>
        ))}
        {run.against.map(a => (
          <Alert key={a.id} severity="warning" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
            Another run, of {a.on}, says otherwise about {a.steps.join(', ')}: their bands do not meet. Look whether
            lens, light and unit were the same before one of them is kept.{' '}
            <KeptLink to={`/prove/bench/${a.id}`}>That run</KeptLink>
          </Alert>
        ))}
        {short.length > 0 && (
          <Typography sx={{ mt: 1 }}>
            Too few takes: {short.map(s => s.label).join(', ')}. What is declared stays there.
          </Typography>
        )}
        {odd.length > 0 && (
          <Typography sx={{ mt: 1 }}>Far from the others, and counted all the same: {odd.join('; ')}.</Typography>
        )}
      </Section>
      {!run.keptAt && <WhatItChanges address={`${address}/effect`} />}
      <KeepOrThrow
        address={address}
        isKept={Boolean(run.keptAt)}
        keep={{ label: `Keep it in the profile of ${run.body.model}`, revision: run.body.revision }}
        back="/prove/bench"
      >
        <LinkButton to={`/name/bodies/${run.body.id}`}>The profile</LinkButton>
        <Button component="a" href={`${address}?form=csv`}>
          Takes as a table (CSV)
        </Button>
        <Button component="a" href={address} download={`run-${run.id}.json`}>
          As a file
        </Button>
      </KeepOrThrow>
    </Page>
  )
}
