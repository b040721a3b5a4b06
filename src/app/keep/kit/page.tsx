import { readKit } from '@/server/kit'
import { KitView } from './KitView'

export const metadata = { title: 'Kit' }

export default async function KitPage() {
  const { units, models } = await readKit()
  return <KitView units={units} models={models} today={new Date().toISOString().slice(0, 10)} />
}
