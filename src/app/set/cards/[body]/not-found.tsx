import { NoSuchCard } from './NoSuchCard'

export default function NotFound() {
  return <NoSuchCard />
}
