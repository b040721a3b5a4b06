import type { KeyboardEvent } from 'react'
import { isOffered } from '@/core/propose/review'
import { isTyping } from '@/ui/typing'
import { settingKey } from './lines'
import type { Menu } from './use-menu'

/** What a key means in the tree at this moment; nothing where it means nothing. */
const deedOf = (
  { lines, at, line, setting, readings, ...menu }: Menu,
  { key, altKey, shiftKey }: KeyboardEvent,
): (() => void) | undefined => {
  const isDeciding = setting?.undecided === true
  if (/^[1-6]$/.test(key)) {
    const chosen = isDeciding ? readings[Number(key) - 1] : undefined
    return isDeciding ? () => chosen && menu.accept(chosen) : undefined
  }
  switch (key) {
    case 'ArrowDown':
    case 'ArrowUp': {
      const by = key === 'ArrowDown' ? 1 : -1
      return altKey ? () => menu.move(by) : () => menu.go(lines[at + by]?.key, shiftKey)
    }
    case 'ArrowRight':
      return line?.kind === 'setting' ? () => menu.toggle(line.setting.id, true) : undefined
    case 'ArrowLeft':
      return (
        setting &&
        (() => {
          menu.toggle(setting.id, false)
          menu.go(settingKey(setting.id))
        })
      )
    case 'Home':
      return () => menu.go(lines[0]?.key)
    case 'End':
      return () => menu.go(lines.at(-1)?.key)
    case 'Enter':
      if (line?.kind !== 'setting' || !isDeciding) return () => menu.startRenaming(line?.key)
      // What is unsure is chosen by its number, so that no habit of the hand decides it.
      return () => readings[0] && isOffered(readings[0]) && menu.accept(readings[0])
    case 'F2':
      return () => menu.startRenaming(line?.key)
    case '0':
      return setting && menu.nothing
    case '9':
      return setting && menu.unnamed
    case 'm':
      return isDeciding
        ? () => document.querySelector<HTMLInputElement>('[aria-label="Setting"] [role=combobox]')?.focus()
        : undefined
    case 'a':
    case 'Insert':
      return menu.addAfter
    case 'o':
      return setting && menu.addLastOption
    case 'd':
      return line?.kind === 'option' ? menu.makeDefault : undefined
    case 'Delete':
      return menu.remove
    default:
      return undefined
  }
}

export const onMenuKey = (menu: Menu, event: KeyboardEvent): void => {
  if (isTyping(event.target) || event.ctrlKey || event.metaKey) return
  const deed = deedOf(menu, event)
  if (!deed) return
  event.preventDefault()
  event.stopPropagation()
  deed()
}
