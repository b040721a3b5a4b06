'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import { linkTo, useAhead } from '../address'
import { later } from '../later'
import { isTyping } from '../typing'
import { STAGES } from './stages'

const KeysDialog = later(() => import('./KeysDialog').then(m => m.KeysDialog))

/** How long `g` waits for the letter of a stage. */
const CHORD_MS = 1500

/** Keys that work everywhere: `/` for the phrasebook, `!` where something goes wrong, `g` and a letter to change the stage, `?` for help. */
export const GlobalKeys = ({ pathname, onSearch }: { pathname: string; onSearch: () => void }) => {
  const router = useRouter()
  const params = useAhead()
  const [open, setOpen] = useState(false)
  const chordAt = useRef(0)

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
      if (event.key === '?') setOpen(true)
      else if (event.key === '/') {
        event.preventDefault()
        onSearch()
      } else if (event.key === '!') router.push(linkTo('/work/rescues', params))
      else if (event.key === 'g') chordAt.current = Date.now()
      else if (Date.now() - chordAt.current < CHORD_MS) {
        chordAt.current = 0
        const path = STAGES.find(s => s.key === event.key)?.views[0]?.path
        if (path) router.push(linkTo(path, params))
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [router, params, onSearch])

  return open && <KeysDialog pathname={pathname} onClose={() => setOpen(false)} />
}
