'use client'

import { Box, MenuItem, Tab, Tabs, TextField, Typography } from '@mui/material'
import { DISPUTED, schoolsOf } from '@/core/guide/guide'
import { TOPICS } from '@/core/guide/schools'
import { refText } from '@/core/standards'
import { gradeOf } from '@/core/vocabulary/grade'
import type { StandardHeading } from '@/server/catalogue'
import type { Selections, SideBySide, SideCell } from '@/server/comparison'
import { useGoTo } from '@/ui/address'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { NotReckoned } from '@/ui/NotReckoned'
import { Page } from '@/ui/pieces'
import { STATE_WORDS } from '@/ui/versions'
import { Differences } from './Differences'

interface Choice {
  readonly id: string
  readonly label: string
}

type Shown =
  | { readonly kind: 'standards'; readonly before: string; readonly after: string; readonly comparison: SideBySide }
  | {
      readonly kind: 'schools'
      readonly topic: string
      readonly one: string
      readonly other: string
      readonly comparison: SideBySide
    }
  | {
      readonly kind: 'bodies'
      readonly left: readonly string[]
      readonly right: readonly string[]
      readonly selections: Selections
    }

/** Everything the address may say about a comparison; what is not said anew goes. */
const NOTHING = {
  before: undefined,
  after: undefined,
  topic: undefined,
  one: undefined,
  other: undefined,
  left: undefined,
  right: undefined,
}

/** Two standards or two schools on the bodies in hand, or the standard in hand on two selections of bodies. */
export const CompareView = ({
  standards,
  bodies,
  shown,
}: {
  standards: readonly StandardHeading[]
  bodies: readonly Choice[]
  shown: Shown
}) => {
  const goTo = useGoTo()
  const half = Math.ceil(bodies.length / 2)
  const ids = (some: readonly Choice[]) => some.map(b => b.id).join(',')
  const begin = {
    standards: {},
    schools: { topic: DISPUTED[0] },
    bodies: { left: ids(bodies.slice(0, half)), right: ids(bodies.slice(half)) },
  }
  return (
    <Page>
      <Typography variant="h1">Compare</Typography>
      <Tabs
        value={shown.kind}
        onChange={(_, kind: Shown['kind']) => goTo({ ...NOTHING, ...begin[kind] })}
        variant="scrollable"
        allowScrollButtonsMobile
        aria-label="What is compared"
        sx={{ borderBottom: 1, borderColor: 'divider', mb: 2 }}
      >
        <Tab value="standards" label="Two standards" />
        <Tab value="schools" label="Two schools" />
        <Tab value="bodies" label="Two selections of bodies" />
      </Tabs>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, mb: 2 }}>
        {shown.kind === 'standards' && (
          <>
            <StandardSelect
              label="This"
              value={shown.before}
              standards={standards}
              onChange={before => goTo({ before, after: shown.after })}
            />
            <StandardSelect
              label="against"
              value={shown.after}
              standards={standards}
              onChange={after => goTo({ before: shown.before, after })}
            />
          </>
        )}
        {shown.kind === 'schools' && (
          <>
            <Pick
              label="On"
              value={shown.topic}
              choices={DISPUTED.map(id => ({ id, label: TOPICS[id].question }))}
              onChange={topic => goTo({ ...NOTHING, topic })}
            />
            <Pick
              label="This school"
              value={shown.one}
              choices={schoolChoices(shown.topic)}
              onChange={one => goTo({ one, other: shown.other })}
            />
            <Pick
              label="against"
              value={shown.other}
              choices={schoolChoices(shown.topic)}
              onChange={other => goTo({ one: shown.one, other })}
            />
          </>
        )}
        {shown.kind === 'bodies' && (
          <>
            <BodiesSelect label="These bodies" value={shown.left} bodies={bodies} onChange={left => goTo({ left })} />
            <BodiesSelect
              label="against these"
              value={shown.right}
              bodies={bodies}
              onChange={right => goTo({ right })}
            />
          </>
        )}
      </Box>
      <NotReckoned
        failed={shown.kind === 'bodies' ? shown.selections.failed : shown.comparison.failed}
        sx={{ mt: 2 }}
      />
      {shown.kind === 'bodies' ? (
        <TwoSelections selections={shown.selections} />
      ) : (
        <TwoStandards comparison={shown.comparison} />
      )}
    </Page>
  )
}

const schoolChoices = (topic: string): readonly Choice[] =>
  schoolsOf(topic).flatMap(p => (p.school ? [{ id: p.school, label: p.school }] : []))

const Pick = ({
  label,
  value,
  choices,
  onChange,
}: {
  label: string
  value: string
  choices: readonly Choice[]
  onChange: (id: string) => void
}) => (
  <TextField
    select
    size="small"
    label={label}
    value={value}
    onChange={e => onChange(e.target.value)}
    sx={{ minWidth: 220 }}
  >
    {choices.map(c => (
      <MenuItem key={c.id} value={c.id}>
        {c.label}
      </MenuItem>
    ))}
  </TextField>
)

const StandardSelect = ({
  label,
  value,
  standards,
  onChange,
}: {
  label: string
  value: string
  standards: readonly StandardHeading[]
  onChange: (ref: string) => void
}) => {
  const choices = standards.flatMap(s => [
    { id: s.id, label: `${s.name}, version ${s.version}` },
    ...(s.open
      ? [
          {
            id: refText({ id: s.id, version: s.open.version }),
            label: `${s.name}, version ${s.open.version}, ${STATE_WORDS[s.open.state] ?? ''}`,
          },
        ]
      : []),
  ])
  const all = choices.some(c => c.id === value)
    ? choices
    : [...choices, { id: value, label: value.replace('@', ', version ') }]
  return <Pick label={label} value={value} choices={all} onChange={onChange} />
}

const BodiesSelect = ({
  label,
  value,
  bodies,
  onChange,
}: {
  label: string
  value: readonly string[]
  bodies: readonly Choice[]
  onChange: (ids: string) => void
}) => (
  <TextField
    select
    size="small"
    label={label}
    value={[...value]}
    onChange={e => onChange((e.target.value as unknown as string[]).join(','))}
    slotProps={{ select: { multiple: true } }}
    sx={{ minWidth: 280, maxWidth: 520 }}
  >
    {bodies.map(b => (
      <MenuItem key={b.id} value={b.id}>
        {b.label}
      </MenuItem>
    ))}
  </TextField>
)

const TwoStandards = ({ comparison: c }: { comparison: SideBySide }) => {
  const differing = c.bodies.filter(b => b.lines.length > 0)
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1.3fr' }, gap: 5 }}>
      <section>
        <Typography variant="h2">What they ask</Typography>
        <Differences comparison={c} />
      </section>
      <section>
        <Typography variant="h2">What the bodies do</Typography>
        {differing.length === 0 && <Typography sx={{ mt: 1 }}>The same on every body in hand.</Typography>}
        {differing.map(b => (
          <Box component="section" key={b.body} sx={{ mt: 2 }} aria-label={b.model}>
            <Typography variant="h3">
              {b.model}
              <Typography component="span" variant="value" color="textSecondary">
                {' '}
                agreement {b.agreementBefore.toFixed(2)} and {b.agreementAfter.toFixed(2)}
              </Typography>
            </Typography>
            {b.lines.map(l => (
              <Box
                key={l.dimension}
                sx={{
                  display: 'grid',
                  gridTemplateColumns: { xs: '40px 1fr', sm: '40px 150px 1fr 1fr' },
                  columnGap: 1.5,
                  py: 0.75,
                  borderBottom: 1,
                  borderColor: 'divider',
                }}
              >
                <Box sx={{ pt: 0.5 }}>
                  <AlignmentMark grade={l.before && l.after ? gradeOf(l.apart) : 'missing'} distance={l.apart} bare />
                </Box>
                <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
                  {l.label}
                </Typography>
                <Side cell={l.before} />
                <Side cell={l.after} />
              </Box>
            ))}
          </Box>
        ))}
      </section>
    </Box>
  )
}

const Side = ({ cell }: { cell: SideCell | undefined }) => (
  <Typography variant="body2" color={cell ? 'textPrimary' : 'textSecondary'} sx={{ gridColumn: { xs: 2, sm: 'auto' } }}>
    {cell?.words ?? 'not asked'}
  </Typography>
)

const TwoSelections = ({ selections: s }: { selections: Selections }) => (
  <Box>
    {s.sides.some(side => side.bodies.length === 0) ? (
      <Typography>Choose at least one body on each side.</Typography>
    ) : (
      <Typography color="textSecondary">
        {s.standard.name}, version {s.standard.version}: agreement {s.sides[0]?.agreement.toFixed(2)} and{' '}
        {s.sides[1]?.agreement.toFixed(2)}. {s.lines.length === 0 && 'Both do exactly the same.'}
      </Typography>
    )}
    {s.lines.map(l => (
      <Box
        key={l.dimension}
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: '200px 1fr 1fr' },
          gap: { xs: 0.5, sm: 3 },
          py: 1.25,
          borderBottom: 1,
          borderColor: 'divider',
        }}
      >
        <div>
          <Typography variant="strong">{l.label}</Typography>
          <Typography variant="value" color="textSecondary">
            {l.wanted}
          </Typography>
        </div>
        {l.sides.map((side, i) => (
          <div key={i}>
            {side.does.map(x => (
              <Typography key={x.value} variant="body2">
                <b>{x.value}</b> · {x.bodies.join(', ')}
              </Typography>
            ))}
          </div>
        ))}
      </Box>
    ))}
  </Box>
)
