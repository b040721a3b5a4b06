'use client'

import { useRouter, useSearchParams } from 'next/navigation'
import { useCallback } from 'react'
import { refText, type Standard } from '@/core/standards'
import { mergeStandards } from '@/core/standards/merge'
import { type Draft, useDraft } from './draft/draft'
import { useUndoKeys } from './DraftStatus'
import { useSend } from './use-send'

/** What is known of a version of a standard that is looked at. */
export interface VersionInHand {
  readonly id: string
  readonly document: Standard
  readonly revision: number
  readonly state: string
  readonly versions: readonly { readonly version: number; readonly state: string }[]
}

export interface StandardDraft {
  readonly draft: Draft<Standard>
  readonly isDraft: boolean
  /** The version that is being worked on, where it is another one. */
  readonly open: number | undefined
  /** Opens the draft of the next version, or begins one, and goes there. */
  readonly beginDraft: () => Promise<void>
  readonly problem: string
}

/**
 * One version of a standard: edited where it is a draft, and the way to a draft where it is not.
 *
 * @param addressOf where a version is looked at in this view, given the rest of the address
 */
export const useStandardDraft = (
  view: VersionInHand,
  addressOf: (version: number, rest: URLSearchParams) => string,
): StandardDraft => {
  const { version } = view.document
  const draft = useDraft<Standard>({
    address: `/api/v1/standards/${view.id}/versions/${version}`,
    document: view.document,
    revision: view.revision,
    merge: mergeStandards,
  })
  useUndoKeys(draft)
  const router = useRouter()
  const params = useSearchParams()
  const { send, problem } = useSend()
  const beginDraft = useCallback(async () => {
    const sent = await send<{ version: number }>(
      'POST',
      `/api/v1/standards/${encodeURIComponent(refText({ id: view.id, version }))}/versions`,
    )
    if (sent.ok) router.push(addressOf(sent.value.version, new URLSearchParams(params)))
  }, [view.id, version, send, router, params, addressOf])
  return {
    draft,
    isDraft: view.state === 'draft',
    open: view.versions.find(v => v.version !== version && (v.state === 'draft' || v.state === 'in-review'))?.version,
    beginDraft,
    problem,
  }
}
