'use client'

import { Button } from '@mui/material'
import type { ReactNode } from 'react'
import { PlainList, Wrap } from '@/ui/pieces'

/** A list that somebody writes: each item a row of fields that can be taken out again, and one more at its end. */
export const WrittenList = <Item,>({
  label,
  item,
  items,
  onItems,
  next,
  children,
}: {
  label: string
  /** What one of them is called, with its article: “a mark”. */
  item: string
  items: readonly Item[]
  onItems: (items: readonly Item[]) => void
  /** The one that is added, before anything is written in it. */
  next: () => Item
  children: (item: Item, change: (next: Partial<Item>) => void) => ReactNode
}) => {
  const name = item.replace(/^an? /, '')
  return (
    <>
      <PlainList component="ol" sx={{ mt: 2 }} aria-label={label}>
        {items.map((one, i) => (
          <li key={i}>
            <Wrap
              role="group"
              aria-label={`${name[0]?.toUpperCase()}${name.slice(1)} ${i + 1}`}
              sx={{ alignItems: 'flex-start', py: 0.75 }}
            >
              {children(one, changed => onItems(items.with(i, { ...one, ...changed })))}
              <Button onClick={() => onItems(items.toSpliced(i, 1))} aria-label={`Without ${name} ${i + 1}`}>
                Without
              </Button>
            </Wrap>
          </li>
        ))}
      </PlainList>
      <Button variant="outlined" onClick={() => onItems([...items, next()])}>
        Add {item}
      </Button>
    </>
  )
}
