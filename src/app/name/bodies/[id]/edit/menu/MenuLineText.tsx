import { TextField } from '@mui/material'
import type { Body } from '@/core/bodies'
import { meaningWords, settingWords } from '../meaning-words'
import type { MenuLine } from './lines'
import { Typography } from '@/ui/elements'

const meaningOf = (body: Body, line: MenuLine): string => {
  if (line.kind === 'setting') return settingWords(line.setting)
  if (line.kind === 'option')
    return (
      (meaningWords(body, line.option.means) || (line.setting.undecided ? '' : '—')) +
      (line.option.id === line.setting.default ? ' (default)' : '')
    )
  return ''
}

/** One line of the menu tree: its name, or the field to rename it in, and beside it what it means. */
export const MenuLineText = ({
  line,
  body,
  isOpen,
  isRenaming,
  onRename,
  onLeave,
}: {
  line: MenuLine
  body: Body
  isOpen: boolean
  isRenaming: boolean
  onRename: (label: string) => void
  onLeave: () => void
}) => {
  const isUndecided = line.kind === 'setting' && line.setting.undecided === true
  return (
    <>
      {isRenaming ? (
        <TextField
          size="small"
          autoFocus
          defaultValue={line.label}
          slotProps={{ htmlInput: { 'aria-label': `Name of ${line.label}`, maxLength: 80 } }}
          onFocus={e => e.target.select()}
          onBlur={e => onRename(e.target.value.trim())}
          onKeyDown={e => {
            e.stopPropagation()
            if (e.key === 'Escape') (e.target as HTMLInputElement).value = line.label
            if (e.key === 'Enter' || e.key === 'Escape') onLeave()
          }}
        />
      ) : (
        <span>
          {line.kind === 'setting' && (
            <Typography component="span" variant="value" color="textSecondary" aria-hidden sx={{ mr: 1 }}>
              {isOpen ? '▾' : '▸'}
            </Typography>
          )}
          {line.label}
        </span>
      )}
      <Typography
        variant="body2"
        component="span"
        color={isUndecided ? 'secondary' : 'textSecondary'}
        sx={{ fontWeight: isUndecided ? 'fontWeightMedium' : 'fontWeightRegular', overflowWrap: 'anywhere' }}
      >
        {meaningOf(body, line)}
      </Typography>
    </>
  )
}
