import { ClockPage } from './ClockPage'

export const metadata = { title: 'Clock page' }

export default function Clock() {
  return <ClockPage />
}
