'use client'

import { Checkbox, Divider, ListItemText, Menu, MenuItem } from '@mui/material'
import { refText, type Scope } from '@/core/standards/context'
import { STATE_WORDS } from '../versions'
import type { BodyChoice, StandardChoice } from './choices'

interface MenuProps {
  readonly anchor: HTMLElement
  readonly onClose: () => void
}

const CheckItem = ({
  isOn,
  label,
  more,
  onToggle,
}: {
  isOn: boolean
  label: string
  more?: string | undefined
  onToggle: () => void
}) => (
  <MenuItem role="menuitemcheckbox" aria-checked={isOn} onClick={onToggle}>
    <Checkbox edge="start" size="small" checked={isOn} tabIndex={-1} disableRipple inert />
    <ListItemText primary={label} secondary={more} />
  </MenuItem>
)

/** The version of a standard that counts, and the one that is being worked on. */
const choicesOf = (s: StandardChoice): readonly { readonly ref: string; readonly words: string }[] => [
  { ref: s.id, words: `version ${s.version}` },
  ...(s.open
    ? [
        {
          ref: refText({ id: s.id, version: s.open.version }),
          words: `version ${s.open.version}, ${STATE_WORDS[s.open.state] ?? s.open.state}`,
        },
      ]
    : []),
]

export const StandardMenu = ({
  anchor,
  onClose,
  standards,
  isChosen,
  onChoose,
}: MenuProps & {
  standards: readonly StandardChoice[]
  isChosen: (ref: string) => boolean
  onChoose: (ref: string) => void
}) => (
  <Menu anchorEl={anchor} open onClose={onClose}>
    {standards.flatMap(s =>
      choicesOf(s).map(c => (
        <MenuItem key={c.ref} selected={isChosen(c.ref)} onClick={() => onChoose(c.ref)}>
          <ListItemText primary={s.name} secondary={c.words} />
        </MenuItem>
      )),
    )}
  </Menu>
)

export const ForWhomMenu = ({
  anchor,
  onClose,
  choices,
  onToggle,
  onEverybody,
}: MenuProps & {
  choices: readonly { readonly scope: Scope; readonly id: string; readonly label: string; readonly isOn: boolean }[]
  onToggle: (scope: Scope, id: string) => void
  /** Absent where it is read for everybody already. */
  onEverybody: (() => void) | undefined
}) => (
  <Menu anchorEl={anchor} open onClose={onClose}>
    <MenuItem onClick={onEverybody} disabled={!onEverybody}>
      Everybody, everywhere
    </MenuItem>
    <Divider />
    {choices.map(({ scope, id, label, isOn }) => (
      <CheckItem
        key={`${scope} ${id}`}
        isOn={isOn}
        label={label}
        more={scope === 'scenes' ? 'scene' : undefined}
        onToggle={() => onToggle(scope, id)}
      />
    ))}
  </Menu>
)

export const BodiesMenu = ({
  anchor,
  onClose,
  bodies,
  inHand,
  onToggle,
  onAll,
}: MenuProps & {
  bodies: readonly BodyChoice[]
  inHand: readonly BodyChoice[]
  onToggle: (id: string) => void
  onAll: () => void
}) => (
  <Menu anchorEl={anchor} open onClose={onClose}>
    <MenuItem onClick={onAll} disabled={inHand.length === bodies.length}>
      All bodies
    </MenuItem>
    <Divider />
    {bodies.map(b => (
      <CheckItem key={b.id} isOn={inHand.includes(b)} label={b.model} more={b.maker} onToggle={() => onToggle(b.id)} />
    ))}
  </Menu>
)
