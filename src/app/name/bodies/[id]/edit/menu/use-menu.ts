import { useMemo, useState } from 'react'
import {
  addOption,
  addSetting,
  addTab,
  type Body,
  editSetting,
  editTab,
  meansNothing,
  meansUnnamed,
  moveOption,
  moveSettings,
  nudgeSettings,
  removeOption,
  removePage,
  removeSettings,
} from '@/core/bodies'
import { acceptReading, readAs, type Reading } from '@/core/propose/propose'
import { inSentence } from '@/core/vocabulary/words'
import { readingName } from '../reading-words'
import type { Editor } from '../use-editor'
import type { Proposals } from '../use-proposals'
import { linesOf, type MenuLine, nextUndecided, optionKey, placeAfter, renamed, settingKey } from './lines'

/** Proposals shown and numbered. */
const MOST_PROPOSALS = 6

/**
 * The menu of a body as it is edited: which lines stand there, which one is at hand and which are chosen with it, and all
 * that can be done to them, each as one step that can be taken back.
 *
 * @param onDecided after a setting is decided: the keys go on in the tree
 */
export const useMenu = (editor: Editor, proposals: Proposals['of'], onDecided: () => void) => {
  const { form, edit } = editor
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set())
  const lines = useMemo(() => linesOf(form, open), [form, open])
  const firstUndecided = form.settings.length ? nextUndecided(form, '') : undefined
  const [focused, setFocused] = useState(
    firstUndecided ? settingKey(firstUndecided) : (lines.find(l => l.kind === 'setting')?.key ?? lines[0]?.key ?? ''),
  )
  const [anchor, setAnchor] = useState(focused)
  const [renaming, setRenaming] = useState<string>()

  const at = Math.max(
    0,
    lines.findIndex(l => l.key === focused),
  )
  const from = lines.findIndex(l => l.key === anchor)
  const [first, last] = from < 0 ? [at, at] : [Math.min(from, at), Math.max(from, at)]
  const line = lines[at]
  const selectedIds = lines.slice(first, last + 1).flatMap(l => (l.kind === 'setting' ? [l.setting.id] : []))
  const setting = line?.kind === 'setting' || line?.kind === 'option' ? line.setting : undefined
  const readings = setting ? (proposals[setting.id] ?? []) : []

  const go = (key: string | undefined, extend = false) => {
    if (key === undefined) return
    setFocused(key)
    if (!extend) setAnchor(key)
  }
  /** To the next setting that nobody has decided, unless it is one of those just decided. */
  const goOn = (decided: readonly string[]) => {
    const lastDecided = decided.at(-1)
    const next = lastDecided && nextUndecided(form, lastDecided)
    if (next && !decided.includes(next)) go(settingKey(next))
    onDecided()
  }
  const toggle = (id: string, isOpen: boolean) => {
    const next = new Set(open)
    if (isOpen) next.add(id)
    else next.delete(id)
    setOpen(next)
  }

  const take = (id: string, reading: Reading, label: string) =>
    edit(`“${label}”: ${inSentence(readingName(reading))}`, b => acceptReading(b, id, reading))
  const accept = (reading: Reading) => {
    if (!setting) return
    take(setting.id, reading, setting.label)
    goOn([setting.id])
  }
  const nothing = () => {
    const ids = selectedIds.length ? selectedIds : setting ? [setting.id] : []
    edit('nothing to do with focus', b => ids.reduce(meansNothing, b))
    goOn(ids)
  }
  const unnamed = () => {
    if (!setting) return
    edit(`“${setting.label}”: about focus, no word for it`, b => meansUnnamed(b, setting.id))
    goOn([setting.id])
  }
  /** What somebody says it is about; they stay with it where options are still open. */
  const about = (id: string) => {
    if (!setting) return
    const reading = readAs(form, setting, id, proposals[setting.id])
    if (reading.isEitherWay || reading.means.some(m => Object.keys(m).length === 0)) {
      take(setting.id, reading, setting.label)
      onDecided()
    } else accept(reading)
  }

  const addOptionTo = (id: string, index: number) => {
    const added = addOption(form, id, index, 'New option')
    edit('added an option', () => added.body)
    setOpen(new Set([...open, id]))
    go(optionKey(id, added.id))
    setRenaming(optionKey(id, added.id))
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
  const addLastOption = () => {
    if (setting) addOptionTo(setting.id, setting.options.length)
  }
  const addPage = () => {
    if (line?.kind !== 'tab' && line?.kind !== 'page') return
    edit('added a page', b => editTab(b, line.tab, t => ({ ...t, pages: [...t.pages, `Page ${t.pages.length + 1}`] })))
  }
  const addNewTab = () => edit('added a tab', b => addTab(b, 'New tab'))

  const remove = () => {
    const next = lines[last + 1]?.key ?? lines[first - 1]?.key
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
  const moveTo = (ids: readonly string[], target: MenuLine) => {
    if (ids.length) edit(`moved ${ids.length} settings`, b => moveSettings(b, ids, placeAfter(b, target)))
  }
  const rename = (l: MenuLine, label: string) => {
    setRenaming(undefined)
    if (label && label !== l.label) edit(`renamed “${l.label}” to “${label}”`, (b: Body) => renamed(b, l, label))
  }
  const makeDefault = () => {
    if (line?.kind === 'option')
      edit(`“${line.label}” is the default`, b =>
        editSetting(b, line.setting.id, s => ({ ...s, default: line.option.id })),
      )
  }

  return {
    form,
    lines,
    /** Where the hand is, as a place in `lines`. */
    at,
    line,
    setting,
    selectedIds,
    isSelected: (place: number) => place >= first && place <= last,
    isOpen: (l: MenuLine) => l.kind === 'setting' && open.has(l.setting.id),
    isToDecide: firstUndecided !== undefined,
    // That there is nothing for the vocabulary in it has keys of its own.
    readings: readings.filter((r, i) => i === 0 || r.dimensions.length > 0).slice(0, MOST_PROPOSALS),
    renaming,
    startRenaming: setRenaming,
    go,
    toggle,
    accept,
    nothing,
    unnamed,
    about,
    addAfter,
    addLastOption,
    addPage,
    addNewTab,
    remove,
    move,
    moveTo,
    rename,
    makeDefault,
  }
}

export type Menu = ReturnType<typeof useMenu>
