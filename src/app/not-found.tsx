import { NothingHere } from './NothingHere'

export default function NotFound() {
  return <NothingHere />
}
