import { styled } from '@mui/material/styles'
import { type DragEvent, type RefObject, useEffect, useRef, useState } from 'react'
import { onMenuKey } from './keys'
import { LEVEL } from './lines'
import { MenuLineText } from './MenuLineText'
import type { Menu } from './use-menu'

const Tree = styled('div')(({ theme }) => ({
  overflowY: 'auto',
  maxHeight: 'calc(100dvh - var(--head) - 263px)',
  minHeight: 320,
  border: `1px solid ${theme.vars?.palette.divider}`,
  borderRadius: theme.shape.borderRadius,
  background: theme.vars?.palette.background.paper,
}))

const Line = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(160px, 1fr) minmax(120px, 1fr)',
  gap: theme.spacing(1.5),
  alignItems: 'center',
  minHeight: 'var(--dense)',
  padding: theme.spacing(0.25, 1),
  cursor: 'default',
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  '&[aria-level="1"]': {
    ...theme.typography.eyebrow,
    color: theme.vars?.palette.own.label,
    textTransform: 'uppercase',
  },
  '&[aria-level="2"]': { fontWeight: theme.typography.fontWeightMedium, paddingLeft: theme.spacing(2) },
  '&[aria-level="3"]': { paddingLeft: theme.spacing(3.5) },
  '&[aria-level="4"]': { paddingLeft: theme.spacing(6), ...theme.typography.value },
  '&[aria-selected="true"]': { background: theme.vars?.palette.own.marigold.wash },
  '&[data-focused="true"]': { boxShadow: `inset 3px 0 0 ${theme.vars?.palette.own.marigold.main}` },
  '&[data-drop="true"]': { borderBottom: `3px solid ${theme.vars?.palette.own.marigold.main}` },
}))

/** The lines of the menu, moved through with the keys and moved about with the mouse. */
export const MenuTree = ({ menu, tree }: { menu: Menu; tree: RefObject<HTMLDivElement | null> }) => {
  const [dropAt, setDropAt] = useState<string>()
  const dragging = useRef<readonly string[]>([])
  const focused = menu.line?.key ?? ''

  useEffect(() => {
    tree.current?.querySelector(`#${CSS.escape(focused)}`)?.scrollIntoView({ block: 'nearest' })
  }, [focused, tree])

  return (
    <Tree
      ref={tree}
      role="tree"
      aria-label="Menu"
      aria-multiselectable
      aria-activedescendant={focused}
      tabIndex={0}
      onKeyDown={event => onMenuKey(menu, event)}
    >
      {menu.lines.map((l, i) => (
        <Line
          key={l.key}
          id={l.key}
          role="treeitem"
          aria-level={LEVEL[l.kind]}
          aria-selected={menu.isSelected(i)}
          {...(l.kind === 'setting' ? { 'aria-expanded': menu.isOpen(l) } : {})}
          data-focused={i === menu.at}
          data-drop={dropAt === l.key}
          draggable={l.kind === 'setting' && menu.renaming !== l.key}
          onDragStart={(event: DragEvent) => {
            event.dataTransfer.setData('text/plain', l.label)
            const id = l.kind === 'setting' ? l.setting.id : ''
            dragging.current = menu.selectedIds.includes(id) ? menu.selectedIds : [id]
          }}
          onDragOver={(event: DragEvent) => {
            event.preventDefault()
            setDropAt(l.key)
          }}
          onDragEnd={() => setDropAt(undefined)}
          onDrop={(event: DragEvent) => {
            event.preventDefault()
            setDropAt(undefined)
            menu.moveTo(dragging.current, l)
          }}
          onClick={event => menu.go(l.key, event.shiftKey)}
          onDoubleClick={() => menu.startRenaming(l.key)}
        >
          <MenuLineText
            line={l}
            body={menu.form}
            isOpen={menu.isOpen(l)}
            isRenaming={menu.renaming === l.key}
            onRename={label => menu.rename(l, label)}
            onLeave={() => tree.current?.focus({ preventScroll: true })}
          />
        </Line>
      ))}
    </Tree>
  )
}
