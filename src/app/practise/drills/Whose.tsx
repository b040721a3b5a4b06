'use client'

import { Choice } from '@/ui/Choice'
import { choosePerson, usePeople } from '@/ui/people'

/** Whose hands it is now: two who share a device change here. */
export const Whose = () => {
  const { people, person } = usePeople()
  return (
    <Choice
      label="Who practises"
      value={person?.id ?? ''}
      onChange={value => {
        const chosen = people.find(p => p.id === value)
        if (chosen) choosePerson(chosen)
      }}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 'var(--field)' }}
      none="nobody said"
      options={people}
    />
  )
}
