import { param, type SearchParams } from '@/app/search-params'
import { readMeasurable } from '@/server/bench'
import { notFound } from 'next/navigation'
import { RunLoader } from './RunLoader'

export const metadata = { title: 'A run by thumb' }

export default async function RunPage({ searchParams }: { searchParams: SearchParams }) {
  const [body, setting, what, unit, lens, repeats] = await Promise.all(
    ['body', 'setting', 'what', 'unit', 'lens', 'repeats'].map(name => param(searchParams, name)),
  )
  const on = (await readMeasurable()).find(m => m.body === body)
  const scale = on?.scales.find(s => s.setting === setting && s.dimension === what)
  if (!on || !scale) notFound()
  const times = Math.min(20, Math.max(1, Math.round(Number(repeats ?? 5)) || 5))
  return (
    <RunLoader
      key={`${on.body} ${scale.dimension} ${scale.setting} ${unit ?? ''} ${times}`}
      on={on}
      scale={scale}
      unit={unit}
      lens={lens}
      repeats={times}
    />
  )
}
