'use client'

import { Alert, Box, Button, MenuItem, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import NextLink from 'next/link'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { type Readiness, READINESS_ORDER, type ReadinessState } from '@/core/kit/readiness'
import { refText } from '@/core/standards'
import type { ReadinessView, UnitReadiness } from '@/server/readiness'
import { linkTo } from '@/ui/address'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { usePeople } from '@/ui/people'
import { Page } from '@/ui/pieces'
import { sendJson } from '@/ui/send'
import { When } from '@/ui/When'

const Row = styled(NextLink)(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '44px 96px minmax(120px, 0.8fr) minmax(220px, 2fr) minmax(120px, 1fr) 130px',
  gap: theme.spacing(0.25, 2),
  alignItems: 'center',
  minHeight: 52,
  padding: theme.spacing(0.75, 1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  color: 'inherit',
  textDecoration: 'none',
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
  [theme.breakpoints.down('md')]: {
    gridTemplateColumns: '44px 1fr auto',
    '& .wide': { display: 'none' },
    '& .words': { gridColumn: '2 / -1' },
    '& .model': { textAlign: 'right' },
  },
}))

/** The alignment mark for readiness: how far off, dotted where nothing is known. */
const MARKS: Readonly<
  Record<ReadinessState, readonly [grade: 'same' | 'near' | 'stand-in' | 'different' | 'missing', off: number]>
> = {
  ready: ['same', 0],
  unproven: ['near', 0.2],
  'out-of-date': ['stand-in', 0.5],
  differs: ['different', 0.9],
  unknown: ['missing', 1],
}

const STATE_LABELS: Readonly<Record<ReadinessState, string>> = {
  ready: 'ready',
  unproven: 'not signed for',
  'out-of-date': 'to look at again',
  differs: 'differ',
  unknown: 'not known',
}

const EVERYBODY = ''

/** The first screen: which units are ready for the standard in hand, which are not, and why. */
export const ReadinessList = ({ view }: { view: ReadinessView }) => {
  const params = useSearchParams()
  const [only, setOnly] = useState<readonly ReadinessState[]>([])
  const [who, setWho] = useState(EVERYBODY)
  const people = [...new Map(view.units.flatMap(u => u.people.map(p => [p.id, p.name] as const)))].sort((a, b) =>
    a[1].localeCompare(b[1]),
  )
  const ofPerson = view.units.filter(u => who === EVERYBODY || u.people.some(p => p.id === who))
  const shown = ofPerson.filter(u => only.length === 0 || only.includes(u.readiness.is))
  const count = (is: ReadinessState) => ofPerson.filter(u => u.readiness.is === is).length
  const { standard } = view
  const calendar = `/api/v1/readiness/calendar?standard=${encodeURIComponent(refText(standard))}`
  return (
    <Page>
      <Typography variant="h1">Ready for {standard.name}?</Typography>
      <Typography role="status" sx={{ mt: 0.5 }}>
        <strong>
          {count('ready')} of {ofPerson.length}
        </strong>{' '}
        {ofPerson.length === 1 ? 'unit is' : 'units are'} ready for version {standard.version}
        {standard.state === 'approved' ? '.' : `, ${standard.state}.`}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mt: 2 }}>
        <ToggleButtonGroup
          value={only}
          onChange={(_, next: ReadinessState[]) => setOnly(next)}
          size="small"
          aria-label="Only these"
          sx={{ flexWrap: 'wrap' }}
        >
          {READINESS_ORDER.map(is => (
            <ToggleButton key={is} value={is} sx={{ gap: 1, minHeight: 44 }}>
              <Mark is={is} />
              {count(is)} {STATE_LABELS[is]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {people.length > 0 && (
          <TextField
            select
            size="small"
            label="Carried by"
            value={who}
            onChange={e => setWho(e.target.value)}
            sx={{ minWidth: 180 }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value={EVERYBODY}>everybody</MenuItem>
            {people.map(([id, name]) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      <Box
        component="ul"
        aria-label="Units"
        sx={{ listStyle: 'none', p: 0, m: 0, mt: 2, borderTop: 1, borderColor: 'divider' }}
      >
        {shown.map(u => (
          <li key={u.unit}>
            <UnitRow unit={u} href={linkTo(`/set/cards/${u.body}`, params, { unit: u.unit })} />
          </li>
        ))}
      </Box>
      {shown.length === 0 && (
        <Typography sx={{ mt: 2 }}>
          {view.units.length === 0 ? 'There are no units of these bodies yet; add them in Kit.' : 'None of them.'}
        </Typography>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mt: 3 }}>
        <Interval weeks={view.recheckWeeks} />
        <Button component="a" href={calendar} download="readiness.ics">
          Calendar file
        </Button>
      </Box>
      <RecentList recent={view.recent} />
    </Page>
  )
}

const Mark = ({ is }: { is: ReadinessState }) => {
  const [grade, off] = MARKS[is]
  return <AlignmentMark grade={grade} distance={off} bare />
}

const UnitRow = ({ unit: u, href }: { unit: UnitReadiness; href: string }) => (
  <Row href={href}>
    <Mark is={u.readiness.is} />
    <Typography component="span" variant="value" sx={{ fontWeight: 650 }}>
      {u.tag}
    </Typography>
    <Typography component="span" className="model" noWrap>
      {u.model}
    </Typography>
    <span className="words">
      <Typography component="span">{u.words}</Typography>
      <Until readiness={u.readiness} />
    </span>
    <Typography component="span" variant="body2" color="textSecondary" className="wide">
      {u.people.map(p => p.name).join(', ')}
    </Typography>
    <Typography component="span" variant="body2" color="textSecondary" className="wide" sx={{ textAlign: 'right' }}>
      {u.last && <When at={u.last.at} />}
    </Typography>
  </Row>
)

const Until = ({ readiness: r }: { readiness: Readiness }) =>
  r.is === 'ready' ? (
    <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
      until <When at={r.until} />
    </Typography>
  ) : null

/** After how long a signature runs out. */
const Interval = ({ weeks }: { weeks: number }) => {
  const router = useRouter()
  const { person } = usePeople()
  const [problem, setProblem] = useState('')
  const save = async (next: number) => {
    const sent = await sendJson('PUT', '/api/v1/readiness/interval', { weeks: next, person: person?.id })
    setProblem(sent.ok ? '' : sent.detail)
    if (sent.ok) router.refresh()
  }
  return (
    <>
      <TextField
        select
        size="small"
        label="Look again after"
        value={weeks}
        onChange={e => void save(Number(e.target.value))}
        sx={{ minWidth: 150 }}
      >
        {[...new Set([1, 2, 3, 4, 6, 8, 12, 26, weeks])]
          .sort((a, b) => a - b)
          .map(n => (
            <MenuItem key={n} value={n}>
              {n === 1 ? '1 week' : `${n} weeks`}
            </MenuItem>
          ))}
      </TextField>
      {problem && <Alert severity="error">{problem}</Alert>}
    </>
  )
}

const RecentList = ({ recent }: { recent: ReadinessView['recent'] }) => (
  <Box component="section" aria-label="Since last week" sx={{ mt: 4 }}>
    <Typography variant="h2">Since last week</Typography>
    {recent.length === 0 && <Typography sx={{ mt: 1 }}>Nothing happened to any of them.</Typography>}
    <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
      {recent.map((r, i) => (
        <Box
          component="li"
          key={`${r.unit} ${i}`}
          sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, py: 0.75, borderBottom: 1, borderColor: 'divider' }}
        >
          <Typography
            variant="value"
            component={NextLink}
            href={`/keep/kit/${r.unit}`}
            sx={{ minWidth: 72, color: 'inherit' }}
          >
            {r.tag}
          </Typography>
          <Typography variant="body2" sx={{ flex: 1, minWidth: 200 }}>
            {r.words}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {r.by ?? 'somebody'}, <When at={r.at} />
          </Typography>
        </Box>
      ))}
    </Box>
  </Box>
)
