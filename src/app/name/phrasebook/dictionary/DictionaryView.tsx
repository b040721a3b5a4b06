'use client'

import { Button, GlobalStyles } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useRouter, useSearchParams } from 'next/navigation'
import { linkTo } from '@/ui/address'
import type { DictionaryView as Dictionary } from '@/server/phrasebook'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { BodySelect } from '@/ui/BodySelect'
import { MenuPath, Page } from '@/ui/pieces'
import { FalseFriends } from '@/ui/FalseFriends'
import { Box, Typography } from '@/ui/elements'

type Entry = Dictionary['entries'][number]

const EntryBox = styled('section')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '1fr 1fr',
  gap: theme.spacing(0.5, 4),
  padding: theme.spacing(1.5, 0),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  [theme.breakpoints.down('sm')]: { gap: theme.spacing(0.5, 2) },
  '@media print': { display: 'none' },
}))

const Pairs = styled('div')(({ theme }) => ({
  gridColumn: '1 / -1',
  display: 'grid',
  gridTemplateColumns: 'subgrid',
  gap: theme.spacing(0, 4),
  '& > div': { display: 'contents' },
}))

/** One folded sheet: A4 landscape, two pages of A5 on each side. */
const Sheet = styled('div')(({ theme }) => ({
  display: 'none',
  '@media print': {
    display: 'block',
    columns: 2,
    columnGap: '14mm',
    fontSize: '6.6pt',
    lineHeight: 1.22,
    color: theme.palette.common.black,
    '& p': { margin: '0 0 1.1mm', breakInside: 'avoid' },
    '& h1': { fontSize: '10pt', margin: '0 0 1.5mm' },
  },
}))

const PRINT_PAGE = '@media print { @page { size: A4 landscape; margin: 8mm } body { background: none } }'

const SideHead = ({ side, empty }: { side: Entry['here']; empty: string }) => (
  <div>
    {side.settings.slice(0, 2).map(s => (
      <div key={s.label}>
        <Typography variant="strong" component="span">
          {s.label}
        </Typography>{' '}
        <MenuPath path={s.path} />
      </div>
    ))}
    {side.settings.length > 2 && (
      <Typography variant="body2" color="textSecondary">
        and {side.settings.length - 2} more like it
      </Typography>
    )}
    {side.settings.length === 0 && <Typography color="textSecondary">{side.otherwise ?? empty}</Typography>}
  </div>
)

/** Keys carry a dozen works each; the first few of a concept show how it goes. */
const MOST_PAIRS = 10

const EntryView = ({ entry, to }: { entry: Entry; to: string }) => (
  <EntryBox aria-label={entry.label}>
    <Box sx={{ gridColumn: '1 / -1' }}>
      <Typography variant="h3">{entry.label}</Typography>
      {entry.why.length > 0 && (
        <Typography variant="body2" color="secondary">
          {entry.why.join('; ')}
        </Typography>
      )}
    </Box>
    <SideHead side={entry.here} empty="nothing" />
    <SideHead side={entry.there} empty={`${to} has nothing for it`} />
    {entry.there.settings.length > 0 && entry.pairs.length > 0 && (
      <Pairs>
        {entry.pairs.slice(0, MOST_PAIRS).map(p => (
          <div key={p.from}>
            <Typography variant="value">
              {p.from}{' '}
              <Typography component="span" variant="body2" color="textSecondary">
                {p.means}
              </Typography>
            </Typography>
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <AlignmentMark grade={p.grade} distance={p.distance} size={26} />
              <Typography variant="value">{p.to ?? 'nothing'}</Typography>
            </Box>
          </div>
        ))}
        {entry.pairs.length > MOST_PAIRS && (
          <Typography variant="body2" color="textSecondary">
            and {entry.pairs.length - MOST_PAIRS} more
          </Typography>
        )}
      </Pairs>
    )}
  </EntryBox>
)

/** On paper: an entry in one paragraph. */
const Line = ({ entry }: { entry: Entry }) => {
  const name = (side: Entry['here']) => side.settings.map(s => s.label).join(', ') || side.otherwise || 'nothing'
  const pairs = entry.there.settings.length
    ? entry.pairs
        .slice(0, MOST_PAIRS)
        .map(p => `${p.from} → ${p.to ?? 'nothing'}`)
        .join('; ')
    : ''
  return (
    <p>
      <strong>{entry.label}</strong> {name(entry.here)} → {name(entry.there)}
      {entry.why.some(w => w.includes('other way') || w.startsWith('“')) && (
        <em> ({entry.why.filter(w => w.includes('other way') || w.startsWith('“')).join('; ')})</em>
      )}
      {pairs && `: ${pairs}`}
    </p>
  )
}

/** Two columns: the body somebody knows, and the one in the hand; what will surprise most comes first. */
export const DictionaryView = ({ dictionary }: { dictionary: Dictionary }) => {
  const router = useRouter()
  const params = useSearchParams()
  const { from, to, entries, friends } = dictionary
  const go = (a: string, b: string) => router.push(linkTo('/name/phrasebook/dictionary', params, { from: a, to: b }))
  const surprising = entries.filter(e => e.surprise >= SURPRISING)
  const others = entries.filter(e => e.surprise < SURPRISING)
  return (
    <Page>
      <GlobalStyles styles={PRINT_PAGE} />
      <Box className="no-print">
        <Typography variant="h1">
          From {from.model} to {to.model}
        </Typography>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', my: 2 }}>
          <BodySelect
            label="The one you know"
            value={from.id}
            onChange={id => go(id, id === to.id ? from.id : to.id)}
          />
          <BodySelect
            label="The one in your hand"
            value={to.id}
            onChange={id => go(id === from.id ? to.id : from.id, id)}
          />
          <Button onClick={() => go(to.id, from.id)}>Turn round</Button>
          <Button variant="outlined" onClick={() => window.print()}>
            Print on one folded sheet
          </Button>
        </Box>
        {friends.length > 0 && (
          <Box component="section" sx={{ mb: 3, maxWidth: 'var(--line)' }}>
            <Typography variant="h2">False friends between them</Typography>
            <FalseFriends friends={friends} />
          </Box>
        )}
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 4, borderBottom: 2, pb: 0.5 }}>
          <Typography variant="h2">{from.model}</Typography>
          <Typography variant="h2">{to.model}</Typography>
        </Box>
      </Box>
      {surprising.map(e => (
        <EntryView key={e.concept} entry={e} to={to.model} />
      ))}
      <Typography variant="h2" className="no-print" sx={{ mt: 4 }}>
        Hardly a surprise
      </Typography>
      {others.map(e => (
        <EntryView key={e.concept} entry={e} to={to.model} />
      ))}
      <Sheet>
        <h1>
          From {from.model} to {to.model}
        </h1>
        {entries.map(e => (
          <Line key={e.concept} entry={e} />
        ))}
      </Sheet>
    </Page>
  )
}

/** From here on an entry is worth a second look. */
const SURPRISING = 0.25
