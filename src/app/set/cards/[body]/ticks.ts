'use client'

import { useCallback, useRef, useState } from 'react'
import { refText } from '@/core/standards'
import type { CardView } from '@/server/cards'
import type { Person } from '@/ui/people'
import { sendJson } from '@/ui/send'

export interface Tick {
  readonly by: string | null
  readonly at: string
}

/**
 * The ticks of a card: shown at once, sent one after the other, taken back from view when the server refuses. Where
 * the server does not answer the tick stays in view as not yet saved and can be sent again.
 */
export const useTicks = (card: CardView, person: Person | undefined) => {
  const [ticks, setTicks] = useState<ReadonlyMap<string, Tick>>(
    () => new Map(card.steps.flatMap(s => (s.tick ? [[s.key, s.tick] as const] : []))),
  )
  const [unsaved, setUnsaved] = useState<ReadonlyMap<string, boolean>>(new Map())
  const [problem, setProblem] = useState('')
  const queue = useRef(Promise.resolve())

  const send = useCallback(
    (step: string, ticked: boolean) => {
      queue.current = queue.current.then(async () => {
        const sent = await sendJson<{ at: string }>('PUT', '/api/v1/ticks', {
          standard: refText(card.standard),
          ...(card.for ? { for: card.for } : {}),
          body: card.body.id,
          unit: card.unit?.id,
          step,
          ticked,
          person: person?.id,
        })
        setProblem(sent.ok ? '' : sent.detail)
        if (sent.ok)
          setUnsaved(now => {
            const next = new Map(now)
            if (next.get(step) === ticked) next.delete(step)
            return next
          })
      })
      return queue.current
    },
    [card, person],
  )

  const toggle = useCallback(
    (step: string) => {
      const ticked = !ticks.has(step)
      const next = new Map(ticks)
      if (ticked) next.set(step, { by: person?.name ?? null, at: new Date().toISOString() })
      else next.delete(step)
      setTicks(next)
      setUnsaved(now => new Map(now).set(step, ticked))
      void send(step, ticked)
    },
    [ticks, person, send],
  )

  const resend = useCallback(() => {
    for (const [step, ticked] of unsaved) void send(step, ticked)
  }, [unsaved, send])

  /** A setting that says something else has no tick any more. */
  const forget = useCallback((setting: string) => {
    setTicks(now => new Map([...now].filter(([step]) => !step.startsWith(`${setting}=`))))
  }, [])

  return { ticks, unsaved, problem, toggle, resend, forget }
}
