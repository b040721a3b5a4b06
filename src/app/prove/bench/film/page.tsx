import { notFound } from 'next/navigation'
import { param, type SearchParams } from '@/app/search-params'
import { readMeasurable } from '@/server/bench'
import { FilmRun } from './FilmRun'

export const metadata = { title: 'A run from a film' }

export default async function FilmRunPage({ searchParams }: { searchParams: SearchParams }) {
  const [body, setting, what, unit, lens, repeats] = await Promise.all(
    ['body', 'setting', 'what', 'unit', 'lens', 'repeats'].map(name => param(searchParams, name)),
  )
  const on = (await readMeasurable()).find(m => m.body === body)
  const scale = on?.scales.find(s => s.setting === setting && s.dimension === what)
  if (!on || !scale) notFound()
  return (
    <FilmRun
      key={`${on.body} ${scale.dimension} ${scale.setting}`}
      on={on}
      scale={scale}
      unit={unit}
      lens={lens}
      repeats={Math.min(20, Math.max(1, Math.round(Number(repeats ?? 5)) || 5))}
    />
  )
}
