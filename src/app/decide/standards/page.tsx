import { listStandards, readStandard } from '@/server/catalogue'
import { StandardList } from './StandardList'

export const metadata = { title: 'Standards' }

export default async function StandardsPage() {
  const standards = await listStandards()
  const layers = await Promise.all(
    standards.map(async s => {
      const { document } = await readStandard(s.id)
      return {
        about: document.about,
        layers: document.layers.map(l => ({ name: l.name, isOwn: !l.from, for: Boolean(l.applies) })),
      }
    }),
  )
  return <StandardList standards={standards.map((s, i) => ({ ...s, about: '', layers: [], ...layers[i] }))} />
}
