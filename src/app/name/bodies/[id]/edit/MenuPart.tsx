'use client'

import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { type DragEvent, type KeyboardEvent, type MouseEvent, useEffect, useMemo, useRef, useState } from 'react'
import {
  addOption,
  addSetting,
  addTab,
  type Body,
  editSetting,
  editTab,
  inMenuOrder,
  meansNothing,
  meansUnnamed,
  moveOption,
  moveSettings,
  nudgeSettings,
  type Place,
  removeOption,
  removePage,
  removeSettings,
  withMenuRows,
} from '@/core/bodies'
import { acceptReading, readAs, type Reading } from '@/core/propose/propose'
import { isOffered } from '@/core/propose/review'
import { inSentence } from '@/core/vocabulary/words'
import { LEVEL, linesOf, type MenuLine, nextUndecided, optionKey, settingKey } from './menu-rows'
import { MenuLineText } from './MenuLineText'
import { readingName } from './reading-words'
import type { Editor } from './use-editor'
import { useProposals } from './use-proposals'
import { later } from '@/ui/later'
import { isTyping } from '@/ui/typing'
import { Wrap } from '@/ui/pieces'
import { Box } from '@/ui/elements'

const PasteDialog = later(() => import('./PasteDialog').then(m => m.PasteDialog))
const ReviewPart = later(() => import('./ReviewPart').then(m => m.ReviewPart))
const SettingPanel = later(() => import('./SettingPanel').then(m => m.SettingPanel))

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
  minHeight: 34,
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

/** Where something new or moved goes, after this line. */
const placeAfter = (body: Body, line: MenuLine): Place => {
  if (line.kind === 'tab') return { tab: line.tab, page: 1, index: 0 }
  if (line.kind === 'page') return { tab: line.tab, page: line.page, index: 0 }
  const { tab, page } = line.setting.at
  const there = inMenuOrder(body).filter(s => s.at.tab === tab && s.at.page === page)
  return { tab, page, index: there.findIndex(s => s.id === line.setting.id) + 1 }
}

const renamed = (body: Body, line: MenuLine, label: string): Body => {
  switch (line.kind) {
    case 'tab':
      return editTab(body, line.tab, t => ({ ...t, label }))
    case 'page':
      return editTab(body, line.tab, t => ({ ...t, pages: t.pages.map((p, i) => (i === line.page - 1 ? label : p)) }))
    case 'setting':
      return editSetting(body, line.setting.id, s => ({ ...s, label }))
    case 'option':
      return editSetting(body, line.setting.id, s => ({
        ...s,
        options: s.options.map(o => (o.id === line.option.id ? { ...o, label } : o)),
      }))
  }
}

/** The menu as a tree, quick at the keyboard, with the meaning of everything beside it. */
export const MenuPart = ({ editor }: { editor: Editor }) => {
  const { form, edit } = editor
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set())
  const lines = useMemo(() => linesOf(form, open), [form, open])
  const firstUndecided = form.settings.length ? nextUndecided(form, '') : undefined
  const [focused, setFocused] = useState(
    firstUndecided ? settingKey(firstUndecided) : (lines.find(l => l.kind === 'setting')?.key ?? lines[0]?.key ?? ''),
  )
  const [anchor, setAnchor] = useState(focused)
  const [renaming, setRenaming] = useState<string>()
  const [dropAt, setDropAt] = useState<string>()
  const [pasting, setPasting] = useState(false)
  const [reviewing, setReviewing] = useState(false)
  const dragging = useRef<readonly string[]>([])
  const tree = useRef<HTMLDivElement>(null)
  const proposals = useProposals(form)

  const at = Math.max(
    0,
    lines.findIndex(l => l.key === focused),
  )
  const from = lines.findIndex(l => l.key === anchor)
  const line = lines[at]
  const range = from < 0 ? [at, at] : [Math.min(from, at), Math.max(from, at)]
  const selected = lines.slice(range[0], (range[1] ?? 0) + 1)
  const selectedIds = selected.flatMap(l => (l.kind === 'setting' ? [l.setting.id] : []))
  const setting = line?.kind === 'setting' || line?.kind === 'option' ? line.setting : undefined

  useEffect(() => {
    tree.current?.querySelector(`#${CSS.escape(focused)}`)?.scrollIntoView({ block: 'nearest' })
  }, [focused])

  // The keys work as soon as the editor opens on something to decide.
  const isWaiting = firstUndecided !== undefined
  useEffect(() => {
    if (isWaiting) tree.current?.focus({ preventScroll: true })
    // oxlint-disable-next-line react/exhaustive-deps -- once, when it opens
  }, [])

  const go = (key: string | undefined, extend = false) => {
    if (key === undefined) return
    setFocused(key)
    if (!extend) setAnchor(key)
  }
  const backToTree = () => tree.current?.focus({ preventScroll: true })

  const accept = (reading: Reading) => {
    if (!setting) return
    const about = inSentence(readingName(reading))
    edit(`“${setting.label}”: ${about}`, b => acceptReading(b, setting.id, reading))
    const next = nextUndecided(form, setting.id)
    if (next && next !== setting.id) go(settingKey(next))
    backToTree()
  }
  const nothing = (ids: readonly string[]) => {
    edit('nothing to do with focus', b => ids.reduce(meansNothing, b))
    const last = ids.at(-1)
    const next = last && nextUndecided(form, last)
    if (next && !ids.includes(next)) go(settingKey(next))
    backToTree()
  }
  /** What somebody says it is about; they stay with it where options are still open. */
  const about = (id: string) => {
    if (!setting) return
    const reading = readAs(form, setting, id, proposals.of[setting.id])
    if (reading.isEitherWay || reading.means.some(m => Object.keys(m).length === 0)) {
      edit(`“${setting.label}”: ${inSentence(readingName(reading))}`, b => acceptReading(b, setting.id, reading))
      backToTree()
    } else accept(reading)
  }
  const unnamed = () => {
    if (!setting) return
    edit(`“${setting.label}”: about focus, no word for it`, b => meansUnnamed(b, setting.id))
    const next = nextUndecided(form, setting.id)
    if (next && next !== setting.id) go(settingKey(next))
    backToTree()
  }
  const addAfter = () => {
    if (!line) return
    if (line.kind === 'option') {
      addOptionTo(line.setting.id, line.setting.options.findIndex(o => o.id === line.option.id) + 1)
      return
    }
    const added = addSetting(form, placeAfter(form, line), 'New setting')
    edit('added a setting', () => added.body)
    go(settingKey(added.id))
    setRenaming(settingKey(added.id))
  }
  const addOptionTo = (id: string, index: number) => {
    const added = addOption(form, id, index, 'New option')
    edit('added an option', () => added.body)
    setOpen(new Set([...open, id]))
    go(optionKey(id, added.id))
    setRenaming(optionKey(id, added.id))
  }
  const remove = () => {
    const next = lines[(range[1] ?? at) + 1]?.key ?? lines[(range[0] ?? at) - 1]?.key
    if (line?.kind === 'option') edit(`removed “${line.label}”`, b => removeOption(b, line.setting.id, line.option.id))
    else if (line?.kind === 'page') edit(`removed page “${line.label}”`, b => removePage(b, line.tab, line.page))
    else if (selectedIds.length)
      edit(`removed ${selectedIds.length === 1 ? `“${line?.label}”` : `${selectedIds.length} settings`}`, b =>
        removeSettings(b, selectedIds),
      )
    else return
    go(next)
  }
  const move = (by: 1 | -1) => {
    if (line?.kind === 'option') edit(`moved “${line.label}”`, b => moveOption(b, line.setting.id, line.option.id, by))
    else if (selectedIds.length)
      edit(`moved ${selectedIds.length === 1 ? `“${line?.label}”` : `${selectedIds.length} settings`}`, b =>
        nudgeSettings(b, selectedIds, by),
      )
  }
  const toggle = (id: string, isOpen: boolean) => {
    const next = new Set(open)
    if (isOpen) next.add(id)
    else next.delete(id)
    setOpen(next)
  }

  const readings = setting ? (proposals.of[setting.id] ?? []) : []
  // That there is nothing for the vocabulary in it has keys of its own below.
  const shown = readings.filter((r, i) => i === 0 || r.dimensions.length > 0).slice(0, MOST_PROPOSALS)

  const onKey = (event: KeyboardEvent) => {
    if (isTyping(event.target) || event.ctrlKey || event.metaKey) return
    const done = (work: () => void) => {
      event.preventDefault()
      event.stopPropagation()
      work()
    }
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
    if (step && event.altKey) done(() => move(step))
    else if (step) done(() => go(lines[at + step]?.key, event.shiftKey))
    else if (event.key === 'ArrowRight' && line?.kind === 'setting') done(() => toggle(line.setting.id, true))
    else if (event.key === 'ArrowLeft' && setting)
      done(() => {
        toggle(setting.id, false)
        go(settingKey(setting.id))
      })
    else if (event.key === 'Home') done(() => go(lines[0]?.key))
    else if (event.key === 'End') done(() => go(lines.at(-1)?.key))
    else if (event.key === 'Enter' && line?.kind === 'setting' && line.setting.undecided)
      // What is unsure is chosen by its number, so that no habit of the hand decides it.
      done(() => {
        if (shown[0] && isOffered(shown[0])) accept(shown[0])
      })
    else if (event.key === 'Enter' || event.key === 'F2') done(() => setRenaming(line?.key))
    else if (/^[1-6]$/.test(event.key) && setting?.undecided)
      done(() => {
        const chosen = shown[Number(event.key) - 1]
        if (chosen) accept(chosen)
      })
    else if (event.key === '0' && setting) done(() => nothing(selectedIds.length ? selectedIds : [setting.id]))
    else if (event.key === '9' && setting) done(unnamed)
    else if (event.key === 'm' && setting?.undecided)
      done(() => document.querySelector<HTMLInputElement>('[aria-label="Setting"] [role=combobox]')?.focus())
    else if (event.key === 'a' || event.key === 'Insert') done(addAfter)
    else if (event.key === 'o' && setting) done(() => addOptionTo(setting.id, setting.options.length))
    else if (event.key === 'd' && line?.kind === 'option')
      done(() =>
        edit(`“${line.label}” is the default`, b =>
          editSetting(b, line.setting.id, s => ({ ...s, default: line.option.id })),
        ),
      )
    else if (event.key === 'Delete') done(remove)
  }

  const onDrop = (event: DragEvent, target: MenuLine) => {
    event.preventDefault()
    setDropAt(undefined)
    const ids = dragging.current
    if (ids.length) edit(`moved ${ids.length} settings`, b => moveSettings(b, ids, placeAfter(b, target)))
  }

  if (reviewing) return <ReviewPart editor={editor} proposals={proposals.of} onClose={() => setReviewing(false)} />
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 420px' }, gap: 3 }}>
      <Box sx={{ minWidth: 0 }}>
        <Wrap sx={{ mb: 1 }}>
          {firstUndecided && (
            <Button size="small" variant="contained" onClick={() => setReviewing(true)}>
              Read it a page at a time
            </Button>
          )}
          <Button size="small" variant="outlined" onClick={addAfter}>
            Add setting
          </Button>
          {line?.kind === 'tab' || line?.kind === 'page' ? (
            <Button
              size="small"
              onClick={() => {
                edit('added a page', b =>
                  editTab(b, line.tab, t => ({ ...t, pages: [...t.pages, `Page ${t.pages.length + 1}`] })),
                )
              }}
            >
              Add page
            </Button>
          ) : (
            <Button
              size="small"
              disabled={!setting}
              onClick={() => setting && addOptionTo(setting.id, setting.options.length)}
            >
              Add option
            </Button>
          )}
          <Button size="small" onClick={() => edit('added a tab', b => addTab(b, 'New tab'))}>
            Add tab
          </Button>
          <Button size="small" onClick={() => setPasting(true)}>
            Paste more
          </Button>
          <Button size="small" disabled={!setting} onClick={() => move(-1)}>
            Move up
          </Button>
          <Button size="small" disabled={!setting} onClick={() => move(1)}>
            Move down
          </Button>
          <Button size="small" onClick={() => setRenaming(line?.key)}>
            Rename
          </Button>
          <Button size="small" onClick={remove} disabled={line?.kind === 'tab'}>
            Remove
          </Button>
        </Wrap>
        <Tree
          ref={tree}
          role="tree"
          aria-label="Menu"
          aria-multiselectable
          aria-activedescendant={focused}
          tabIndex={0}
          onKeyDown={onKey}
        >
          {lines.map((l, i) => (
            <Line
              key={l.key}
              id={l.key}
              role="treeitem"
              aria-level={LEVEL[l.kind]}
              aria-selected={i >= (range[0] ?? 0) && i <= (range[1] ?? 0)}
              {...(l.kind === 'setting' ? { 'aria-expanded': open.has(l.setting.id) } : {})}
              data-focused={i === at}
              data-drop={dropAt === l.key}
              draggable={l.kind === 'setting' && renaming !== l.key}
              onDragStart={(event: DragEvent) => {
                event.dataTransfer.setData('text/plain', l.label)
                const id = l.kind === 'setting' ? l.setting.id : ''
                dragging.current = selectedIds.includes(id) ? selectedIds : [id]
              }}
              onDragOver={(event: DragEvent) => {
                event.preventDefault()
                setDropAt(l.key)
              }}
              onDragEnd={() => setDropAt(undefined)}
              onDrop={(event: DragEvent) => onDrop(event, l)}
              onClick={(event: MouseEvent) => go(l.key, event.shiftKey)}
              onDoubleClick={() => setRenaming(l.key)}
            >
              <MenuLineText
                line={l}
                body={form}
                isOpen={l.kind === 'setting' && open.has(l.setting.id)}
                isRenaming={renaming === l.key}
                onRename={label => {
                  setRenaming(undefined)
                  if (label && label !== l.label) edit(`renamed “${l.label}” to “${label}”`, b => renamed(b, l, label))
                }}
                onLeave={backToTree}
              />
            </Line>
          ))}
        </Tree>
      </Box>
      {pasting && (
        <PasteDialog
          onClose={() => setPasting(false)}
          onPaste={rows => {
            edit(`pasted ${rows.length} settings`, b => withMenuRows(b, rows))
            setPasting(false)
          }}
        />
      )}
      <SettingPanel
        key={setting?.id ?? ''}
        editor={editor}
        setting={setting}
        selected={selectedIds}
        readings={shown}
        problem={proposals.problem}
        onAccept={accept}
        onUnnamed={unnamed}
        onAbout={about}
        onNothing={() => nothing(selectedIds.length ? selectedIds : setting ? [setting.id] : [])}
      />
    </Box>
  )
}

/** Proposals shown and numbered. */
const MOST_PROPOSALS = 6
