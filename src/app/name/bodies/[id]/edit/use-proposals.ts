'use client'

import { useEffect, useState } from 'react'
import type { Body } from '@/core/bodies'
import type { Reading } from '@/core/propose/propose'
import { sendJson } from '@/ui/send'

const ASK_AFTER_MS = 120

export interface Proposals {
  readonly of: Readonly<Record<string, readonly Reading[]>>
  readonly problem: string
}

/** Proposed meanings of every undecided setting, asked anew as the profile changes: decided neighbours teach the rest. */
export const useProposals = (form: Body): Proposals => {
  const [proposals, setProposals] = useState<Proposals>({ of: {}, problem: '' })
  const isNeeded = form.settings.some(s => s.undecided)
  useEffect(() => {
    if (!isNeeded) return
    const stop = new AbortController()
    const timer = setTimeout(() => {
      void sendJson<{ proposals: Proposals['of'] }>('POST', '/api/v1/proposals', form, stop.signal).then(answer => {
        if (stop.signal.aborted) return
        setProposals(p => (answer.ok ? { of: answer.value.proposals, problem: '' } : { ...p, problem: answer.detail }))
      })
    }, ASK_AFTER_MS)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [form, isNeeded])
  return proposals
}
