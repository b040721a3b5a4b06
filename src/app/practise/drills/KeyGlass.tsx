'use client'

import { styled } from '@mui/material/styles'
import { useEffect, useRef, useState } from 'react'
import type { KeyId } from '@/core/drills/hold'
import { padsOf } from '@/core/drills/pad'
import type { DrillKey } from './keys'
import { Box } from '@/ui/elements'

const SIZE = 68

const Key = styled('button')(({ theme }) => ({
  all: 'unset',
  boxSizing: 'border-box',
  position: 'absolute',
  width: SIZE,
  height: SIZE,
  marginLeft: -SIZE / 2,
  marginTop: -SIZE / 2,
  borderRadius: '50%',
  border: `2px solid ${theme.vars?.palette.text.primary}`,
  background: theme.vars?.palette.background.paper,
  textAlign: 'center',
  fontSize: 12,
  lineHeight: 1.1,
  display: 'grid',
  placeContent: 'center',
  padding: 4,
  cursor: 'pointer',
  userSelect: 'none',
  touchAction: 'none',
  '&[data-held="yes"]': {
    background: theme.vars?.palette.own.marigold.main,
    color: theme.vars?.palette.own.marigold.ink,
  },
  '&:focus-visible': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: 3 },
  '& b': { fontSize: 16 },
}))

/** The keys of the body on the glass, where the body has them: held for as long as a finger is on them. */
export const KeyGlass = ({
  keys,
  held,
  onKey,
  isLive,
}: {
  keys: readonly DrillKey[]
  held: ReadonlySet<KeyId>
  onKey: (key: KeyId, isDown: boolean, at: number) => void
  isLive: boolean
}) => {
  const glass = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  useEffect(() => {
    const element = glass.current
    if (!element) return
    const watch = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  const pads = size.width > SIZE ? padsOf(keys, { ...size, size: SIZE + 6 }) : []
  return (
    <Box
      ref={glass}
      role="group"
      aria-label="Keys of the body"
      sx={{
        position: 'relative',
        width: '100%',
        height: { xs: 280, sm: 300 },
        mt: 1,
        border: 2,
        borderColor: 'divider',
        borderRadius: 4,
        touchAction: 'none',
        '@media (orientation: landscape) and (max-height: 500px)': isLive
          ? { position: 'absolute', inset: 0, height: '100%', mt: 0, border: 0 }
          : {},
      }}
    >
      {/* The screen on the back of a body, so that the keys lie beside something. */}
      <Box
        aria-hidden
        sx={{
          position: 'absolute',
          left: '10%',
          width: '46%',
          top: '24%',
          bottom: '10%',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          '@media (orientation: landscape) and (max-height: 500px)': { display: isLive ? 'none' : 'block' },
        }}
      />
      {pads.map(pad => {
        const key = keys.find(k => k.id === pad.id)
        if (!key) return null
        return (
          <Key
            key={key.id}
            type="button"
            aria-label={key.label}
            aria-pressed={held.has(key.id)}
            data-held={held.has(key.id) ? 'yes' : 'no'}
            style={{ left: pad.x, top: pad.y, ...(key.isMissing ? { borderStyle: 'dashed' } : {}) }}
            onPointerDown={event => {
              event.currentTarget.setPointerCapture(event.pointerId)
              onKey(key.id, true, event.timeStamp)
            }}
            onPointerUp={event => onKey(key.id, false, event.timeStamp)}
            onPointerCancel={event => onKey(key.id, false, event.timeStamp)}
            onContextMenu={event => event.preventDefault()}
          >
            <b>{key.letter.toUpperCase()}</b>
            <span>{key.label.split(': ').at(-1)}</span>
          </Key>
        )
      })}
    </Box>
  )
}
