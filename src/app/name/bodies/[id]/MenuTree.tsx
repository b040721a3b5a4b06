'use client'

import { styled } from '@mui/material/styles'
import { type Body, inMenuOrder, type Option, type Setting } from '@/core/bodies'
import { dimension } from '@/core/vocabulary/dimensions'
import { inSentence, valueWords } from '@/core/vocabulary/words'
import { Eyebrow } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const SettingRow = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(180px, 260px) 1fr',
  gap: theme.spacing(0.5, 3),
  padding: theme.spacing(1.25, 0),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr' },
}))

const OptionRow = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(150px, 240px) 1fr',
  gap: theme.spacing(0, 2),
  padding: theme.spacing(0.25, 0),
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr', paddingBottom: theme.spacing(1) },
}))

const meaningOf = (option: Option, controlLabel: (id: string) => string): string =>
  Object.entries(option.means)
    .map(([id, value]) => `${inSentence(dimension(id).label)}: ${valueWords(dimension(id), value, controlLabel)}`)
    .join('; ')

const matches = (setting: Setting, filter: string, controlLabel: (id: string) => string): boolean => {
  const text = [setting.label, ...setting.options.flatMap(o => [o.label, meaningOf(o, controlLabel)])]
    .join(' ')
    .toLowerCase()
  return filter
    .toLowerCase()
    .split(/\s+/)
    .every(word => text.includes(word))
}

const OptionLine = ({
  option,
  setting,
  controlLabel,
}: {
  option: Option
  setting: Setting
  controlLabel: (id: string) => string
}) => {
  const isDefault = option.id === setting.default
  const meaning = meaningOf(option, controlLabel)
  return (
    <OptionRow>
      <Typography variant="value" sx={{ fontWeight: isDefault ? 700 : 400 }}>
        {option.label}
        {isDefault && setting.options.length > 1 ? ' (default)' : ''}
        {option.since ? ` (from firmware ${option.since})` : ''}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {meaning || 'no meaning for focus'}
        {option.note ? `. ${option.note}` : ''}
      </Typography>
    </OptionRow>
  )
}

/** The menus of a body as it shows them: tab, page, row; every option with what it means. */
export const MenuTree = ({
  body,
  filter,
  controlLabel,
}: {
  body: Body
  filter: string
  controlLabel: (id: string) => string
}) => {
  const shown = inMenuOrder(body).filter(s => matches(s, filter.trim(), controlLabel))
  if (shown.length === 0)
    return (
      <Typography>
        Nothing in the menus of {body.model} matches “{filter}”.
      </Typography>
    )
  return body.menu.tabs.map(tab =>
    tab.pages.map((page, i) => {
      const settings = shown.filter(s => s.at.tab === tab.id && s.at.page === i + 1)
      if (settings.length === 0) return null
      return (
        <Box key={`${tab.id}-${page}`} component="section" sx={{ mb: 3 }}>
          <Eyebrow component="h3">
            {tab.label} › {page}
          </Eyebrow>
          {settings.map(s => (
            <SettingRow key={s.id}>
              <Box>
                <Typography variant="strong">{s.label}</Typography>
                <Typography variant="value" color="textSecondary">
                  row {s.at.row}
                  {s.since ? `, from firmware ${s.since}` : ''}
                </Typography>
                {s.note && <Typography variant="body2">{s.note}</Typography>}
              </Box>
              <div>
                {s.options.map(o => (
                  <OptionLine key={o.id} option={o} setting={s} controlLabel={controlLabel} />
                ))}
              </div>
            </SettingRow>
          ))}
        </Box>
      )
    }),
  )
}
