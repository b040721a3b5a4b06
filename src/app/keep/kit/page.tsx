import { readBackups } from '@/server/backups'
import { readCarriers, readHandedOver } from '@/server/carriers'
import { listPutAwayUnits, readKit } from '@/server/kit'
import { KitView } from './KitView'

export const metadata = { title: 'Kit' }

export default async function KitPage() {
  const [{ units, models }, carriers, handed, putAway] = await Promise.all([
    readKit(),
    readCarriers(),
    readHandedOver(),
    listPutAwayUnits(),
  ])
  return (
    <KitView
      units={units}
      models={models}
      carriers={carriers}
      putAway={putAway}
      handedOver={handed.map(h => h.unit_id)}
      backups={readBackups()}
      today={new Date().toISOString().slice(0, 10)}
    />
  )
}
