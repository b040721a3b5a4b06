import { notFound } from 'next/navigation'
import { param, type SearchParams } from '@/app/search-params'
import { NoBodyYet } from '@/app/practise/NoBodyYet'
import { DRILL_IDS, DRILLS } from '@/core/drills/drills'
import { readDrillHand } from '@/server/drills'
import { DrillLoader } from '../DrillLoader'

type Params = Promise<{ drill: string }>

const idOf = async (params: Params) => {
  const { drill } = await params
  return DRILL_IDS.find(d => d === drill)
}

export const generateMetadata = async ({ params }: { params: Params }) => {
  const id = await idOf(params)
  return { title: id ? DRILLS[id].label : 'Drills' }
}

export default async function DrillPage({ params, searchParams }: { params: Params; searchParams: SearchParams }) {
  const id = await idOf(params)
  if (!id) notFound()
  const [body, standard] = await Promise.all(['body', 'standard'].map(name => param(searchParams, name)))
  const hand = await readDrillHand({ body, standard, withCard: id === 'race' })
  return hand ? <DrillLoader drill={id} hand={hand} /> : <NoBodyYet />
}
