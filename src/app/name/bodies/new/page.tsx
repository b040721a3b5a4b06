import { listBodies } from '@/server/catalogue'
import { NewBodyView } from './NewBodyView'

export const metadata = { title: 'A new body' }

export default async function NewBodyPage() {
  const bodies = await listBodies()
  const makers = [...new Set(bodies.map(b => b.maker))]
  return <NewBodyView makers={makers} bodies={bodies.map(({ id, maker, model }) => ({ id, maker, model }))} />
}
