'use client'

import { Button } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import type { ReactNode } from 'react'
import { linkTo } from './address'
import { Wrap } from './pieces'
import { Trouble } from './Trouble'
import { useSend } from './use-send'

/** What becomes of something that was measured: it is kept where it belongs, or thrown away. */
export const KeepOrThrow = ({
  address,
  isKept,
  keep,
  back,
  children,
}: {
  readonly address: string
  readonly isKept: boolean
  /** Where it is kept, and by which version of that; undefined where there is nothing in it to keep. */
  readonly keep: { readonly label: string; readonly revision: number } | undefined
  /** Where somebody goes on who threw it away. */
  readonly back: string
  /** What else can be done with it. */
  readonly children: ReactNode
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const throwAway = async () => {
    const sent = await send('PATCH', address, { thrownAway: true })
    if (sent.ok) router.push(linkTo(back, params))
  }
  return (
    <>
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Wrap sx={{ mt: 3 }}>
        {!isKept && keep && (
          <Button
            variant="contained"
            disabled={isBusy}
            onClick={() => void send('PUT', `${address}/kept`, { revision: keep.revision })}
          >
            {keep.label}
          </Button>
        )}
        {children}
        {!isKept && (
          <Button disabled={isBusy} onClick={() => void throwAway()}>
            Throw it away
          </Button>
        )}
      </Wrap>
    </>
  )
}
