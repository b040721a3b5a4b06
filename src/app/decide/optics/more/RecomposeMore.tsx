'use client'

import { ArcView } from '@/ui/optics/ArcView'
import { Wrap } from '@/ui/pieces'
import { useDesk } from '../desk'
import { Length } from '../fields'

export const RecomposeMore = () => {
  const { r } = useDesk()
  return (
    <>
      <Wrap sx={{ gap: 1.25, my: 1.5 }}>
        <Length field="sway" label="Sway" helper="toward the subject; back is negative" />
      </Wrap>
      <ArcView r={r} />
    </>
  )
}
