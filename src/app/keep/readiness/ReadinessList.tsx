'use client'

import { Alert, Button, MenuItem, TextField, ToggleButton, ToggleButtonGroup } from '@mui/material'
import { useState } from 'react'
import { READINESS_ORDER, type ReadinessState } from '@/core/kit/readiness'
import { refText } from '@/core/standards'
import type { ReadinessView, UnitReadiness } from '@/server/readiness'
import { Choice } from '@/ui/Choice'
import { NotReckoned } from '@/ui/NotReckoned'
import { ViewLink } from '@/ui/links'
import { Empty, Page, PlainList } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { PrintCards } from '@/ui/PrintCards'
import { When } from '@/ui/When'
import { Grouping } from './Grouping'
import { Tomorrow } from './Tomorrow'
import { STATE_LABELS } from './state-labels'
import { Mark, UnitRows } from './UnitRows'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

const EVERYBODY = ''
const NOBODY = 'nobody in particular'

/** The first screen: which units are ready for the standard in hand, which are not, and why. */
export const ReadinessList = ({ view, by }: { view: ReadinessView; by: 'unit' | 'person' }) => {
  const [only, setOnly] = useState<readonly ReadinessState[]>([])
  const [who, setWho] = useState(EVERYBODY)
  const [onlyOwed, setOnlyOwed] = useState(false)
  const people = [...new Map(view.units.flatMap(u => u.people.map(p => [p.id, p.name] as const)))].sort((a, b) =>
    a[1].localeCompare(b[1]),
  )
  const ofPerson = view.units.filter(u => who === EVERYBODY || u.people.some(p => p.id === who))
  const shown = ofPerson.filter(u => (only.length === 0 || only.includes(u.readiness.is)) && (!onlyOwed || u.isOwed))
  const count = (is: ReadinessState) => ofPerson.filter(u => u.readiness.is === is).length
  const owed = view.units.filter(u => u.isOwed)
  const { standard } = view
  const calendar = `/api/v1/readiness/calendar?standard=${encodeURIComponent(refText(standard))}`
  const printed = (units: readonly UnitReadiness[]) =>
    units.map(u => ({ body: u.body, unit: u.unit, name: u.tag, model: u.model, isOwed: u.minutes > 0 }))
  return (
    <Page>
      <Box
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'flex-start', justifyContent: 'space-between' }}
      >
        <Box>
          <Typography variant="h1">Ready for {standard.name}?</Typography>
          <Typography role="status" sx={{ mt: 0.5 }}>
            <strong>
              {count('ready')} of {ofPerson.length}
            </strong>{' '}
            {ofPerson.length === 1 ? 'unit is' : 'units are'} ready for version {standard.version}
            {standard.state === 'approved' ? '.' : `, ${standard.state}.`}
          </Typography>
        </Box>
        <Grouping by={by} />
      </Box>
      {view.approved && owed.length > 0 && (
        <Alert
          severity="info"
          sx={{ mt: 2 }}
          action={
            <Button color="inherit" onClick={() => setOnlyOwed(!onlyOwed)} aria-pressed={onlyOwed}>
              {onlyOwed ? 'Show all' : 'Show them'}
            </Button>
          }
        >
          Version {standard.version} was approved{view.approved.by && ` by ${view.approved.by}`},{' '}
          <When at={view.approved.at} />. {owed.length} {owed.length === 1 ? 'unit was' : 'units were'} signed for an
          earlier one and {owed.length === 1 ? 'owes' : 'owe'} a card.
        </Alert>
      )}
      <NotReckoned failed={view.failed} sx={{ mt: 2 }} />
      <Tomorrow view={view} units={ofPerson} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mt: 2 }}>
        <ToggleButtonGroup
          value={only}
          onChange={(_, next: ReadinessState[]) => setOnly(next)}
          size="small"
          aria-label="Only these"
          sx={CHIPS}
        >
          {READINESS_ORDER.map(is => (
            <ToggleButton key={is} value={is} sx={{ gap: 1, minHeight: 'var(--touch)' }}>
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
            sx={{ minWidth: 'var(--field-short)' }}
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
        <PrintCards standard={refText(standard)} forWhom={view.for} cards={printed(shown)} />
      </Box>
      {by === 'unit' && <UnitRows units={shown} label="Units" />}
      {by === 'person' && <ByPerson units={shown} />}
      {shown.length === 0 && (
        <Empty>
          {view.units.length === 0 ? 'There are no units of these bodies yet; add them in Kit.' : 'None of them.'}
        </Empty>
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

/** Chips that may stand in several rows: each has a border of its own. */
const CHIPS = {
  flexWrap: 'wrap',
  gap: 0.75,
  '& .MuiToggleButtonGroup-grouped': { borderRadius: 1, border: 1, borderColor: 'divider', m: 0 },
} as const

/** The same units under the names of those who carry them; one that two carry stands twice. */
const ByPerson = ({ units }: { units: readonly UnitReadiness[] }) => {
  const names = [...new Set(units.flatMap(u => u.people.map(p => p.name)))].sort((a, b) => a.localeCompare(b))
  const groups = [
    ...names.map(name => ({ name, units: units.filter(u => u.people.some(p => p.name === name)) })),
    { name: NOBODY, units: units.filter(u => u.people.length === 0) },
  ].filter(g => g.units.length > 0)
  return groups.map(g => (
    <Box component="section" key={g.name} aria-label={g.name} sx={{ mt: 3 }}>
      <Typography variant="h2">{g.name}</Typography>
      <Typography variant="body2" color="textSecondary">
        {g.units.filter(u => u.readiness.is === 'ready').length} of {g.units.length} ready
      </Typography>
      <UnitRows units={g.units} label={`Units of ${g.name}`} />
    </Box>
  ))
}

/** After how long a signature runs out. */
const Interval = ({ weeks }: { weeks: number }) => {
  const { send, problem } = useSend()
  const save = (next: number) => send('PUT', '/api/v1/readiness/interval', { weeks: next, seen: weeks })
  return (
    <>
      <Choice
        label="Look again after"
        value={weeks}
        onChange={value => void save(Number(value))}
        sx={{ minWidth: 'var(--field-short)' }}
        options={[...new Set([1, 2, 3, 4, 6, 8, 12, 26, weeks])]
          .sort((a, b) => a - b)
          .map(n => ({ id: n, name: n === 1 ? '1 week' : `${n} weeks` }))}
      />
      <Trouble words={problem} />
    </>
  )
}

const RecentList = ({ recent }: { recent: ReadinessView['recent'] }) => (
  <Box component="section" aria-label="Since last week" sx={{ mt: 4 }}>
    <Typography variant="h2">Since last week</Typography>
    {recent.length === 0 && <Typography sx={{ mt: 1 }}>Nothing happened to any of them.</Typography>}
    <PlainList component="ul" sx={{ mt: 1 }}>
      {recent.map((r, i) => (
        <Box
          component="li"
          key={`${r.unit} ${i}`}
          sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, py: 0.75, borderBottom: 1, borderColor: 'divider' }}
        >
          <Typography
            variant="value"
            component={ViewLink}
            href={`/keep/kit/${r.unit}`}
            sx={{ minWidth: 72, color: 'inherit' }}
          >
            {r.tag}
          </Typography>
          <Typography variant="body2" sx={{ flex: 1, minWidth: 'var(--field)' }}>
            {r.words}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {r.by ?? 'somebody'}, <When at={r.at} />
          </Typography>
        </Box>
      ))}
    </PlainList>
  </Box>
)
