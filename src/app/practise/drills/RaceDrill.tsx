'use client'

import { Button, MenuItem, MenuList } from '@mui/material'
import { useCallback, useMemo, useRef, useState } from 'react'
import { anyRows, type Found, type MenuTree, raceFigures, type RaceTarget } from '@/core/drills/race'
import type { DrillHand } from '@/server/drills'
import { Section, Wrap } from '@/ui/pieces'
import { DrillFrame, Lines } from './DrillFrame'
import { usePractice } from './use-practice'
import { tryWords } from './words'
import { Box, Typography } from '@/ui/elements'

const ANY_ROWS = 8

interface Running {
  readonly targets: readonly RaceTarget[]
  readonly began: { readonly at: number; readonly person: string | undefined }
}

interface Place {
  readonly tab: string
  readonly page: string
  readonly label: string
  readonly option: (id: string | undefined) => string
}

const placesIn = (tree: MenuTree): ReadonlyMap<string, Place> =>
  new Map(
    tree.tabs.flatMap(t =>
      t.pages.flatMap(p =>
        p.rows.map(r => [
          r.id,
          {
            tab: t.label,
            page: p.label,
            label: r.label,
            option: (id: string | undefined) => r.options.find(o => o.id === id)?.label ?? '',
          },
        ]),
      ),
    ),
  )

/** Rows are found in the menus of the body: those of a real card in its order, or any. */
export const RaceDrill = ({ hand }: { hand: DrillHand }) => {
  const practice = usePractice()
  const { add, person } = practice
  const places = useMemo(() => placesIn(hand.menu), [hand.menu])
  const [running, setRunning] = useState<Running>()
  const [found, setFound] = useState<readonly Found[]>([])
  const [targets, setTargets] = useState<readonly RaceTarget[]>([])
  const [path, setPath] = useState<{ readonly tab?: string; readonly page?: string; readonly row?: string }>({})
  const [wrong, setWrong] = useState(0)
  const since = useRef(0)
  const target = running?.targets[found.length]
  const place = target && places.get(target.setting)
  const begin = (all: readonly RaceTarget[]) => {
    setFound([])
    setTargets(all)
    setPath({})
    setWrong(0)
    since.current = performance.now()
    setRunning({ targets: all, began: { at: Date.now(), person: person?.id } })
  }
  const finish = useCallback(
    (all: readonly Found[]) => {
      if (!running) return
      setRunning(undefined)
      setFound(all)
      if (all.length === 0) return
      const { figure, seconds, ...rest } = raceFigures(all)
      add(
        {
          drill: 'race',
          body: hand.body.id,
          seconds: Math.min(900, seconds),
          heldSeconds: 0,
          ...rest,
          ...(figure === undefined ? {} : { figure: Number(figure.toFixed(2)) }),
        },
        running.began,
      )
    },
    [running, add, hand.body.id],
  )
  /** @param at when it was chosen, by the clock that events go by */
  const done = (at: number) => {
    if (!running) return
    const all = [...found, { seconds: (at - since.current) / 1000, wrongTurns: wrong }]
    since.current = at
    setWrong(0)
    setPath({})
    if (all.length >= running.targets.length) finish(all)
    else setFound(all)
  }
  const turn = (isRight: boolean, next: typeof path) => {
    if (!isRight) setWrong(n => n + 1)
    setPath(next)
  }
  const take = (id: string, at: number) => {
    if (id !== target?.setting) return setWrong(n => n + 1)
    if (target.option === undefined) return done(at)
    setPath({ ...path, row: id })
  }
  const tab = hand.menu.tabs.find(t => t.label === path.tab)
  const page = tab?.pages.find(p => p.label === path.page)
  const row = page?.rows.find(r => r.id === path.row)
  const listed = row
    ? {
        title: row.label,
        items: row.options.map(o => ({
          id: o.id,
          label: o.label,
          go: (at: number) => (o.id === target?.option ? done(at) : setWrong(n => n + 1)),
        })),
      }
    : page
      ? {
          title: page.label,
          items: page.rows.map(r => ({ id: r.id, label: r.label, go: (at: number) => take(r.id, at) })),
        }
      : tab
        ? {
            title: tab.label,
            items: tab.pages.map(p => ({
              id: p.label,
              label: p.label,
              go: () => turn(p.label === place?.page && tab.label === place.tab, { ...path, page: p.label }),
            })),
          }
        : {
            title: `The menus of the ${hand.body.model}`,
            items: hand.menu.tabs.map(t => ({
              id: t.label,
              label: t.label,
              go: () => turn(t.label === place?.tab, { tab: t.label }),
            })),
          }
  const back = path.row ? { tab: path.tab, page: path.page } : path.page ? { tab: path.tab } : {}
  return (
    <DrillFrame
      drill="race"
      practice={practice}
      isRunning={running !== undefined}
      isReady={hand.card.length > 0}
      onStart={() => begin(hand.card)}
      onStop={() => finish(found)}
      more={
        <Button variant="outlined" onClick={() => begin(anyRows(hand.menu, Date.now(), ANY_ROWS))}>
          Any {ANY_ROWS} rows
        </Button>
      }
    >
      {!running && (
        <Typography sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          {hand.card.length > 0
            ? `Start leads through ${hand.card.length} rows of the card of “${hand.standard?.name ?? ''}”.`
            : 'This card changes nothing on this body: any rows will do.'}{' '}
          Arrow keys and Enter, or a finger.
        </Typography>
      )}
      {running && target && place && (
        <Box component="section" aria-label="Race" sx={{ maxWidth: 'var(--narrow)' }}>
          <Typography variant="body2" color="textSecondary">
            {found.length + 1} of {running.targets.length}
            {wrong > 0 ? `, ${wrong} wrong ${wrong === 1 ? 'turn' : 'turns'}` : ''}
          </Typography>
          <Typography variant="h2" aria-live="polite" sx={{ my: 1 }}>
            {target.option === undefined
              ? `Find “${place.label}”`
              : `Set “${place.label}” to “${place.option(target.option)}”`}
          </Typography>
          <Wrap sx={{ alignItems: 'baseline' }}>
            <Typography variant="strong">{listed.title}</Typography>
            {path.tab !== undefined && (
              <Button size="small" onClick={() => setPath(back)}>
                Back
              </Button>
            )}
          </Wrap>
          <MenuList key={listed.title + found.length} autoFocusItem aria-label={listed.title}>
            {listed.items.map(i => (
              <MenuItem
                key={i.id}
                onClick={e => i.go(e.timeStamp)}
                sx={{ minHeight: 'var(--touch)', borderBottom: 1, borderColor: 'divider' }}
              >
                {i.label}
              </MenuItem>
            ))}
          </MenuList>
        </Box>
      )}
      {!running && found.length > 0 && (
        <Section title="This try">
          <Typography role="status" variant="strong">
            {tryWords({ drill: 'race', ...raceFigures(found) })}.
          </Typography>
          <Lines
            lines={found.flatMap((f, i) => {
              const p = places.get(targets[i]?.setting ?? '')
              return p
                ? [
                    {
                      key: `${i}`,
                      isRight: f.wrongTurns === 0,
                      words: `${p.label}: in ${p.tab} › ${p.page}, ${f.seconds.toFixed(1)} s${f.wrongTurns ? `, ${f.wrongTurns} wrong` : ''}.`,
                    },
                  ]
                : []
            })}
          />
        </Section>
      )}
    </DrillFrame>
  )
}
