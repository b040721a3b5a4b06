import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useState } from 'react'
import { counted } from '@/core/vocabulary/words'
import type { LifeView, SettingNow } from '@/server/life'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { MenuPath } from '@/ui/pieces'
import { When } from '@/ui/When'
import { Mark } from '../../readiness/UnitRows'
import { Box, Typography } from '@/ui/elements'
import { type Column, ListHead, ListTable } from '@/ui/ListTable'

const Settings = styled(ListTable)(({ theme }) => ({
  borderTop: `1px solid ${theme.vars?.palette.divider}`,
  [theme.breakpoints.down('sm')]: {
    '&, & tbody': { display: 'block' },
    '& thead': { display: 'none' },
    '& tr': { display: 'grid', gridTemplateColumns: '44px 1fr', height: 'auto', paddingBlock: theme.spacing(0.75) },
    '& td': { gridColumn: 2, padding: theme.spacing(0.125, 0) },
    '& td:first-of-type': { gridColumn: 1, gridRow: '1 / 3' },
  },
}))

const COLUMNS: readonly Column[] = [
  { heading: 'Agreement', width: 52, isHeadingHidden: true },
  { heading: 'Setting', width: '29%' },
  { heading: 'It says' },
  { heading: 'Wanted' },
  { heading: 'Known from' },
]

/** The mark beside a setting; what the standard leaves open has none. */
const MARKS = {
  differs: ['different', 0.9],
  'not-known': ['missing', 1],
  'as-wanted': ['same', 0],
} as const

const HOW: Readonly<Record<NonNullable<SettingNow['how']>, string>> = {
  factory: 'by the reset',
  card: 'set by card',
  person: 'seen',
  file: 'from a file',
  picture: 'in a picture',
}

const LOST: Readonly<Record<NonNullable<SettingNow['lost']>['kind'], string>> = {
  firmware: 'not known since the new firmware',
  repaired: 'not known since the repair',
  returned: 'not known since the loan',
  exchanged: 'not known of this camera yet',
  contradicted: 'not known: it cannot be what it was, by the body’s own rules',
}

const Known = ({ setting: s }: { setting: SettingNow }) =>
  s.says === undefined ? (
    <Typography variant="body2" color="textSecondary">
      {s.lost ? LOST[s.lost.kind] : 'nobody has said'}
      {s.lost && (
        <>
          , <When at={s.lost.at} />
        </>
      )}
    </Typography>
  ) : (
    <Typography variant="body2" color="textSecondary">
      {s.how && HOW[s.how]}
      {s.by && `, ${s.by}`}
      {s.at && (
        <>
          , <When at={s.at} />
        </>
      )}
    </Typography>
  )

/** Where there is no heading above it. */
const Said = styled('span')(({ theme }) => ({
  ...theme.typography.body2,
  color: theme.vars?.palette.text.secondary,
  [theme.breakpoints.up('sm')]: { display: 'none' },
}))

const SettingRow = ({ setting: s }: { setting: SettingNow }) => {
  const mark = s.stands === 'open' ? undefined : MARKS[s.stands]
  return (
    <tr>
      <td>{mark && <AlignmentMark grade={mark[0]} distance={mark[1]} bare />}</td>
      <td>
        <Typography sx={{ fontWeight: s.stands === 'differs' || s.stands === 'not-known' ? 650 : 400 }}>
          {s.setting}
        </Typography>
        <MenuPath path={s.path} />
      </td>
      <Typography component="td" variant="value">
        <Said>It says </Said>
        {s.says ?? '?'}
      </Typography>
      <Typography component="td" variant="value" color={s.stands === 'differs' ? 'textPrimary' : 'textSecondary'}>
        <Said>wanted </Said>
        {s.wanted === undefined ? <span aria-label="left open">–</span> : s.wanted}
      </Typography>
      <td>
        <Known setting={s} />
      </td>
    </tr>
  )
}

/** What a unit is set to now, what the standard has it say, and what is not known. */
export const UnitNow = ({ life: { unit, against, settings } }: { life: LifeView }) => {
  const [isAll, setAll] = useState(false)
  const asked = settings.filter(s => s.stands !== 'open')
  const shown = isAll || asked.length === 0 ? settings : asked
  const count = (stands: SettingNow['stands']) => settings.filter(s => s.stands === stands).length
  return (
    <Box component="section" aria-label="What it is set to now" sx={{ mt: 4 }}>
      <Typography variant="h2">What it is set to now</Typography>
      {against && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 1 }}>
          <Mark is={against.readiness.is} />
          <Typography>
            Against {against.standard.name}, version {against.standard.version}: {against.words}.
          </Typography>
        </Box>
      )}
      {against && (
        <Typography color="textSecondary" sx={{ mt: 0.5 }}>
          {counted(count('differs'), 'setting differs', 'settings differ')}, {count('not-known')} not known,{' '}
          {count('as-wanted')} as wanted; {against.standard.name} leaves {count('open')} open.
        </Typography>
      )}
      <Settings aria-label={`Settings of ${unit.tag}`} sx={{ mt: 1.5 }}>
        <ListHead columns={COLUMNS} />
        <tbody>
          {shown.map(s => (
            <SettingRow key={s.id} setting={s} />
          ))}
        </tbody>
      </Settings>
      {asked.length > 0 && count('open') > 0 && (
        <Button sx={{ mt: 1, ml: -1 }} onClick={() => setAll(!isAll)} aria-expanded={isAll}>
          {isAll ? 'Only what the standard asks for' : `Show the other ${count('open')} settings as well`}
        </Button>
      )}
    </Box>
  )
}
