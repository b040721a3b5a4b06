'use client'

import { useCallback, useMemo, useState } from 'react'
import { type Body, bodyAt, isWholeInBody, withFormAt } from '@/core/bodies'
import { merge } from '@/core/changes/changes'
import { type Draft, type Prefer, useDraft } from '@/ui/draft/draft'

/** A profile while it is edited, seen at one of its firmware versions. */
export interface Editor extends Omit<Draft<Body>, 'document' | 'edit'> {
  /** The whole profile, and its form at the firmware in view. */
  readonly profile: Body
  readonly form: Body
  readonly firmware: string
  readonly setFirmware: (version: string) => void
  /** Edits the form in view. */
  readonly edit: (what: string, change: (form: Body) => Body) => void
  /** Edits the profile as a whole, whatever form is in view. */
  readonly editProfile: (what: string, change: (profile: Body) => Body) => void
}

const mergeBodies = (base: Body, mine: Body, theirs: Body, prefer?: Prefer) =>
  merge(base, mine, theirs, isWholeInBody, prefer)

export const useEditor = (initial: { readonly document: Body; readonly revision: number }): Editor => {
  const {
    document: profile,
    edit: editProfile,
    ...draft
  } = useDraft({ ...initial, address: `/api/v1/bodies/${initial.document.id}`, merge: mergeBodies })
  const [firmware, setFirmware] = useState(initial.document.firmware.from)
  const form = useMemo(() => bodyAt(profile, firmware), [profile, firmware])
  const edit = useCallback(
    (what: string, change: (form: Body) => Body) =>
      editProfile(what, profile => {
        const before = bodyAt(profile, firmware)
        const after = change(before)
        return after === before ? profile : withFormAt(profile, firmware, after)
      }),
    [editProfile, firmware],
  )
  return { ...draft, profile, form, firmware, setFirmware, edit, editProfile }
}
