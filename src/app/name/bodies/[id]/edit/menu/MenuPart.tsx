'use client'

import { useEffect, useRef, useState } from 'react'
import { withMenuRows } from '@/core/bodies'
import type { Editor } from '../use-editor'
import { useProposals } from '../use-proposals'
import { MenuActions } from './MenuActions'
import { MenuTree } from './MenuTree'
import { useMenu } from './use-menu'
import { Box } from '@/ui/elements'
import { later } from '@/ui/later'

const PasteDialog = later(() => import('./PasteDialog').then(m => m.PasteDialog))
const ReviewPart = later(() => import('../ReviewPart').then(m => m.ReviewPart))
const SettingPanel = later(() => import('../SettingPanel').then(m => m.SettingPanel))

/** The menu as a tree, quick at the keyboard, with the meaning of everything beside it. */
export const MenuPart = ({ editor }: { editor: Editor }) => {
  const [isPasting, setPasting] = useState(false)
  const [isReviewing, setReviewing] = useState(false)
  const tree = useRef<HTMLDivElement>(null)
  const proposals = useProposals(editor.form)
  const menu = useMenu(editor, proposals.of, () => tree.current?.focus({ preventScroll: true }))
  const { setting } = menu

  // The keys work as soon as the editor opens on something to decide.
  const isWaiting = menu.isToDecide
  useEffect(() => {
    if (isWaiting) tree.current?.focus({ preventScroll: true })
    // oxlint-disable-next-line react/exhaustive-deps -- once, when it opens
  }, [])

  if (isReviewing) return <ReviewPart editor={editor} proposals={proposals.of} onClose={() => setReviewing(false)} />
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) var(--side)' }, gap: 3 }}>
      <Box sx={{ minWidth: 0 }}>
        <MenuActions menu={menu} onReview={() => setReviewing(true)} onPaste={() => setPasting(true)} />
        <MenuTree menu={menu} tree={tree} />
      </Box>
      {isPasting && (
        <PasteDialog
          onClose={() => setPasting(false)}
          onPaste={rows => {
            editor.edit(`pasted ${rows.length} settings`, b => withMenuRows(b, rows))
            setPasting(false)
          }}
        />
      )}
      <SettingPanel
        key={setting?.id ?? ''}
        editor={editor}
        setting={setting}
        selected={menu.selectedIds}
        readings={menu.readings}
        problem={proposals.problem}
        onAccept={menu.accept}
        onUnnamed={menu.unnamed}
        onAbout={menu.about}
        onNothing={menu.nothing}
      />
    </Box>
  )
}
