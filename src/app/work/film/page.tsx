import { inHandOf, type SearchParams } from '@/app/search-params'
import { readFilm } from '@/server/film'
import { Film } from './Film'

export const metadata = { title: 'Film' }

export default async function FilmPage({ searchParams }: { searchParams: SearchParams }) {
  return <Film view={await readFilm(await inHandOf(searchParams))} />
}
