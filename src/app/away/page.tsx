import { AwayPage } from './AwayPage'

export const metadata = { title: 'No network' }

export default function Away() {
  return <AwayPage />
}
