'use client'

import { Box, MenuItem, Tab, Tabs, TextField, Typography } from '@mui/material'
import { refText } from '@/core/standards'
import { gradeOf } from '@/core/vocabulary/grade'
import type { StandardHeading } from '@/server/catalogue'
import type { Selections, SideBySide, SideCell } from '@/server/comparison'
import { useGoTo } from '@/ui/address'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { Page } from '@/ui/pieces'
import { STATE_WORDS } from '@/ui/versions'
import { Differences } from './Differences'

interface BodyChoice {
  readonly id: string
  readonly maker: string
  readonly model: string
}

/** Two standards on the bodies in hand, or the standard in hand on two selections of bodies. */
export const CompareView = ({
  standards,
  bodies,
  before,
  after,
  comparison,
  left,
  right,
  selections,
}: {
  standards: readonly StandardHeading[]
  bodies: readonly BodyChoice[]
  before: string
  after: string
  comparison: SideBySide | undefined
  left: readonly string[]
  right: readonly string[]
  selections: Selections | undefined
}) => {
  const goTo = useGoTo()
  return (
    <Page>
      <Typography variant="h1">Compare</Typography>
      <Tabs
        value={selections ? 'bodies' : 'standards'}
        onChange={(_, kind: string) =>
          goTo(
            kind === 'bodies'
              ? {
                  before: undefined,
                  after: undefined,
                  left: bodies
                    .slice(0, Math.ceil(bodies.length / 2))
                    .map(b => b.id)
                    .join(','),
                  right: bodies
                    .slice(Math.ceil(bodies.length / 2))
                    .map(b => b.id)
                    .join(','),
                }
              : { left: undefined, right: undefined },
          )
        }
        aria-label="What is compared"
        sx={{ borderBottom: 1, borderColor: 'divider', mb: 2 }}
      >
        <Tab value="standards" label="Two standards" />
        <Tab value="bodies" label="Two selections of bodies" />
      </Tabs>
      {comparison && (
        <>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, mb: 2 }}>
            <StandardSelect
              label="This"
              value={before}
              standards={standards}
              onChange={b => goTo({ before: b, after })}
            />
            <StandardSelect
              label="against"
              value={after}
              standards={standards}
              onChange={a => goTo({ before, after: a })}
            />
          </Box>
          <TwoStandards comparison={comparison} />
        </>
      )}
      {selections && (
        <>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, mb: 2 }}>
            <BodiesSelect label="These bodies" value={left} bodies={bodies} onChange={l => goTo({ left: l })} />
            <BodiesSelect label="against these" value={right} bodies={bodies} onChange={r => goTo({ right: r })} />
          </Box>
          <TwoSelections selections={selections} />
        </>
      )}
    </Page>
  )
}

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
    { ref: s.id, label: `${s.name}, version ${s.version}` },
    ...(s.open
      ? [
          {
            ref: refText({ id: s.id, version: s.open.version }),
            label: `${s.name}, version ${s.open.version}, ${STATE_WORDS[s.open.state] ?? ''}`,
          },
        ]
      : []),
  ])
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={e => onChange(e.target.value)}
      sx={{ minWidth: 280 }}
    >
      {!choices.some(c => c.ref === value) && <MenuItem value={value}>{value.replace('@', ', version ')}</MenuItem>}
      {choices.map(c => (
        <MenuItem key={c.ref} value={c.ref}>
          {c.label}
        </MenuItem>
      ))}
    </TextField>
  )
}

const BodiesSelect = ({
  label,
  value,
  bodies,
  onChange,
}: {
  label: string
  value: readonly string[]
  bodies: readonly BodyChoice[]
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
        {b.model}
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
                <Typography variant="body2" sx={{ fontWeight: 650 }}>
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
          <Typography sx={{ fontWeight: 650 }}>{l.label}</Typography>
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
